import type { APIRoute } from 'astro'
import { idFrom, noSuch } from '../../_respond.ts'

/** Takes a deletion back. */
export const POST: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  const shape = id === undefined ? undefined : locals.shapes.restore(id)
  return shape ? Response.json(shape) : noSuch('deleted shape')
}
