import type { APIRoute } from 'astro'
import { answerOutcome, idFrom, noSuch } from '../../_respond.ts'

const what = 'deleted sheet'

/** Takes a deletion back. */
export const POST: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  return id === undefined ? noSuch(what) : answerOutcome(locals.sheets.restore(id), { what })
}
