import type { APIRoute } from 'astro'
import { idFrom, noSuch } from '../../_respond.ts'

/** Takes a deletion back. */
export const POST: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  const set = id === undefined ? undefined : locals.sets.restore(id)
  return set ? Response.json(set) : noSuch('deleted set')
}
