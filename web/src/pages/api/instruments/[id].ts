import type { APIRoute } from 'astro'
import { InstrumentEdit, instrumentFrom } from '../../../contracts/instrument.ts'
import { answerOutcome, idFrom, noSuch, readBody, refuseWith } from '../_respond.ts'

const what = 'instrument'

export const PUT: APIRoute = async ({ params, request, locals }) => {
  const id = idFrom(params['id'])
  const edit = await readBody(request, InstrumentEdit)
  if (!edit.ok) return edit.response
  const { version, ...draft } = edit.value
  const instrument = instrumentFrom(draft)
  if (!instrument.ok) return refuseWith(instrument.problems[0].field, instrument.problems[0])
  if (id === undefined) return noSuch(what)
  return answerOutcome(locals.instruments.edit(id, instrument.value, version), {
    what,
    name: draft.name,
    yours: draft,
    staleWords: () => 'it was changed on another page; reload to see it as it is',
  })
}

export const DELETE: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  if (id === undefined) return noSuch(what)
  const outcome = locals.instruments.remove(id)
  if (outcome.kind === 'done' && locals.settings.read().instrumentId === id)
    locals.settings.change({ instrumentId: null })
  return answerOutcome(outcome, { what })
}
