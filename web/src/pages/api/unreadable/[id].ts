import type { APIRoute } from 'astro'
import { deletion } from '../_delete.ts'
import { idFrom, noSuch } from '../_respond.ts'

/** `GET`: all of the row, as a file of JSON. */
export const GET: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  const found = id === undefined ? undefined : locals.unreadable.find(id)
  if (!found) return noSuch('unreadable row')
  return new Response(JSON.stringify(found, null, 2), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="unreadable-${found.id}.json"`,
    },
  })
}

export const DELETE = deletion(
  'unreadable row',
  ({ unreadable }, id) => unreadable.remove(id),
  () => 'row',
)
