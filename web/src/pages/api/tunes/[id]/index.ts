import type { APIRoute } from 'astro'
import { TuneChange } from '../../../../contracts/tune.ts'
import { deletion } from '../../_delete.ts'
import { answerOutcome, idFrom, noSuch, readBody } from '../../_respond.ts'
import { refusedTune } from '../../_tune.ts'

export const GET: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  const tune = id === undefined ? undefined : locals.tunes.find(id)
  return tune ? Response.json(tune) : noSuch('tune')
}

export const PUT: APIRoute = async ({ params, request, locals }) => {
  const id = idFrom(params['id'])
  if (id === undefined) return noSuch('tune')
  const draft = await readBody(request, TuneChange)
  if (!draft.ok) return draft.response
  return (
    refusedTune(draft.value) ??
    answerOutcome(locals.tunes.replace(id, draft.value), {
      what: 'tune',
      yours: draft.value,
      staleWords: ({ title }) => `${title} was changed on another page; open it again from the Book`,
    })
  )
}

export const DELETE = deletion(
  'tune',
  ({ tunes }, id, seen) => tunes.remove(id, new Date(), seen),
  ({ title }) => title,
)
