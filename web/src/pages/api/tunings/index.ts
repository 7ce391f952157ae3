import { readTuning } from '@nestling/core/neck'
import type { APIRoute } from 'astro'
import { OwnTuningDraft } from '../../../contracts/instrument.ts'
import { problem, readBody, refuse } from '../_respond.ts'

export const GET: APIRoute = ({ locals }) => Response.json({ tunings: locals.tunings.list() })

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, OwnTuningDraft)
  if (!draft.ok) return draft.response
  const tuning = readTuning(draft.value.tuning, { name: draft.value.name })
  if (!tuning.ok) return refuse('tuning', tuning.error)
  const kept = locals.tunings.add(tuning.value)
  return kept
    ? Response.json(kept, { status: 201 })
    : problem(409, {
        error: `there is a tuning called ${draft.value.name} already`,
        field: 'name',
        expected: 'another name',
      })
}
