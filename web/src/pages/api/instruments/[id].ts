import type { APIRoute } from 'astro'
import { InstrumentEdit, instrumentFrom } from '../../../contracts/instrument.ts'
import { idFrom, problem, readBody, refuse } from '../_respond.ts'

const missing = () =>
  problem(404, { error: 'there is no such instrument', field: 'id', expected: 'the id of a kept instrument' })

export const PUT: APIRoute = async ({ params, request, locals }) => {
  const id = idFrom(params['id'])
  const edit = await readBody(request, InstrumentEdit)
  if (!edit.ok) return edit.response
  const { version, ...draft } = edit.value
  const instrument = instrumentFrom(draft)
  if (!instrument.ok)
    return refuse(
      instrument.problems[0]?.field ?? 'body',
      instrument.problems[0] ?? { message: '', at: 0, expected: '' },
    )
  const outcome =
    id === undefined ? { kind: 'missing' as const } : locals.instruments.edit(id, instrument.value, version)
  switch (outcome.kind) {
    case 'done':
      return Response.json(outcome.instrument)
    case 'missing':
      return missing()
    case 'name-taken':
      return problem(409, {
        error: `there is an instrument called ${draft.name} already`,
        field: 'name',
        expected: 'another name',
      })
    case 'stale':
      return Response.json(
        {
          error: 'it was changed on another page; reload to see it as it is',
          field: 'version',
          at: 0,
          expected: String(outcome.now.version),
          now: outcome.now,
          yours: draft,
        },
        { status: 409 },
      )
  }
}

export const DELETE: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  if (id === undefined || !locals.instruments.remove(id)) return missing()
  if (locals.settings.read().instrumentId === id) locals.settings.change({ instrumentId: null })
  return new Response(null, { status: 204 })
}
