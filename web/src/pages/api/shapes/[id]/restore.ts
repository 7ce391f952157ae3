import type { APIRoute } from 'astro'
import { idFrom, problem } from '../../_respond.ts'

/** Takes a deletion back. */
export const POST: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  const shape = id === undefined ? undefined : locals.shapes.restore(id)
  return shape
    ? Response.json(shape)
    : problem(404, {
        error: 'there is no deleted shape with this id',
        field: 'id',
        expected: 'the id of a deleted shape',
      })
}
