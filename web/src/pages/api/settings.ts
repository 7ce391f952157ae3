import type { APIRoute } from 'astro'
import { changedSince, type Settings } from '../../contracts/settings.ts'
import { SettingsAsk } from '../../contracts/settingsSchema.ts'
import { answerOutcome, problem, readBody } from './_respond.ts'

export const GET: APIRoute = ({ locals }) => Response.json(locals.settings.read())

/** `PATCH /api/settings` `{tempo: 90, seen: {tempo: 80}}`: with `seen`, nothing is kept where one is neither of both by now. */
export const PATCH: APIRoute = async ({ request, locals }) => {
  const asked = await readBody(request, SettingsAsk)
  if (!asked.ok) return asked.response
  const { seen, ...changes } = asked.value as Partial<Settings> & { readonly seen?: Partial<Settings> }
  const { instrumentId } = changes
  if (typeof instrumentId === 'number' && !locals.instruments.find(instrumentId))
    return problem(400, {
      error: 'there is no such instrument',
      field: 'instrumentId',
      expected: 'the id of a kept instrument',
    })
  const outcome = locals.settings.change(changes, seen)
  return answerOutcome(outcome, {
    what: 'setting',
    staleWords: (now) => `changed meanwhile: ${changedSince(now, seen ?? {}, changes).join(', ')}`,
  })
}
