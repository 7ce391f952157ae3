import type { APIRoute } from 'astro'
import { idFrom, problem } from '../_respond.ts'

export const DELETE: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  return id !== undefined && locals.tunings.remove(id)
    ? new Response(null, { status: 204 })
    : problem(404, { error: 'there is no such tuning', field: 'id', expected: 'the id of a tuning of your own' })
}
