import type { APIRoute } from 'astro'
import { answerOutcome, idFrom, noSuch } from '../../_respond.ts'

const what = 'change that can be taken back'

/** Takes a change of many things back. */
export const POST: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  return id === undefined ? noSuch(what) : answerOutcome(locals.changes.undo(id, new Date()), { what })
}
