import { readTuning } from '@nestling/core/neck'
import type { APIRoute } from 'astro'
import { OwnTuningDraft } from '../../../contracts/instrument.ts'
import { answerOutcome, readBody, refuse } from '../_respond.ts'

export const GET: APIRoute = ({ locals }) => Response.json({ tunings: locals.tunings.list() })

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, OwnTuningDraft)
  if (!draft.ok) return draft.response
  const tuning = readTuning(draft.value.tuning, { name: draft.value.name })
  if (!tuning.ok) return refuse('tuning', tuning.error)
  return answerOutcome(locals.tunings.add(tuning.value), { what: 'tuning', name: draft.value.name, status: 201 })
}
