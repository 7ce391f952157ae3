import type { APIRoute } from 'astro'
import { answerOutcome, idFrom, noSuch } from '../../_respond.ts'

export const DELETE: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  return id === undefined ? noSuch('set') : answerOutcome(locals.sets.remove(id, new Date()), { what: 'set' })
}
