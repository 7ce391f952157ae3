import type { APIRoute } from 'astro'
import { InstrumentDraft, instrumentFrom } from '../../../contracts/instrument.ts'
import { answerOutcome, readBody, refuseWith } from '../_respond.ts'

export const GET: APIRoute = ({ locals }) => Response.json({ instruments: locals.instruments.list() })

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, InstrumentDraft)
  if (!draft.ok) return draft.response
  const instrument = instrumentFrom(draft.value)
  if (!instrument.ok) return refuseWith(instrument.problems[0].field, instrument.problems[0])
  return answerOutcome(locals.instruments.add(instrument.value), {
    what: 'instrument',
    name: draft.value.name,
    status: 201,
  })
}
