import { readProgression } from '@nestling/core/progression'
import type { APIRoute } from 'astro'
import { progressionTexts } from '../../contracts/progression.ts'
import { TrayDraft } from '../../contracts/progressionSchema.ts'
import { answerOutcome, readBody, refuse } from './_respond.ts'

export const GET: APIRoute = ({ locals }) => Response.json(locals.tray.read())

export const PUT: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, TrayDraft)
  if (!draft.ok) return draft.response
  const read = readProgression(progressionTexts(draft.value))
  if (!read.ok) return refuse(read.error.field, read.error)
  return answerOutcome(locals.tray.replace(draft.value, new Date()), {
    what: 'tray',
    yours: draft.value,
    staleWords: () => 'the tray was changed on another page; this page now shows it as it is',
  })
}
