import type { APIRoute } from 'astro'
import { idFrom, noSuch } from '../../_respond.ts'

export const DELETE: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  return id !== undefined && locals.sets.remove(id, new Date()) ? new Response(null, { status: 204 }) : noSuch('set')
}
