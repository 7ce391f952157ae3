import type { APIRoute } from 'astro'
import { InstrumentDraft, instrumentFrom } from '../../../contracts/instrument.ts'
import { problem, readBody, refuse } from '../_respond.ts'

export const GET: APIRoute = ({ locals }) => Response.json({ instruments: locals.instruments.list() })

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, InstrumentDraft)
  if (!draft.ok) return draft.response
  const instrument = instrumentFrom(draft.value)
  if (!instrument.ok)
    return refuse(
      instrument.problems[0]?.field ?? 'body',
      instrument.problems[0] ?? { message: '', at: 0, expected: '' },
    )
  const kept = locals.instruments.add(instrument.value)
  return kept
    ? Response.json(kept, { status: 201 })
    : problem(409, {
        error: `there is an instrument called ${draft.value.name} already`,
        field: 'name',
        expected: 'another name',
      })
}
