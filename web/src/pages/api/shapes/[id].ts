import type { APIRoute } from 'astro'
import { KeptShapeRename } from '../../../contracts/keptShape.ts'
import { idFrom, noSuch, readBody } from '../_respond.ts'

export const PATCH: APIRoute = async ({ params, request, locals }) => {
  const id = idFrom(params['id'])
  const edit = await readBody(request, KeptShapeRename)
  if (!edit.ok) return edit.response
  const outcome = id === undefined ? { kind: 'missing' as const } : locals.shapes.rename(id, edit.value, new Date())
  switch (outcome.kind) {
    case 'done':
      return Response.json(outcome.shape)
    case 'missing':
      return noSuch('shape')
    case 'stale':
      return Response.json(
        {
          error: `it was changed elsewhere and is now called ${outcome.now.name}`,
          field: 'version',
          at: 0,
          expected: String(outcome.now.version),
          now: outcome.now,
          yours: edit.value,
        },
        { status: 409 },
      )
  }
}

export const DELETE: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  return id !== undefined && locals.shapes.remove(id, new Date())
    ? new Response(null, { status: 204 })
    : noSuch('shape')
}
