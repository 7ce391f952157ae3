import type { APIRoute } from 'astro'
import { answerOutcome, idFrom, noSuch } from '../_respond.ts'

const what = 'tuning'

export const DELETE: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  return id === undefined ? noSuch(what) : answerOutcome(locals.tunings.remove(id), { what })
}
