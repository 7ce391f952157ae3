import type { APIRoute } from 'astro'
import { KeptShapeChange } from '../../../contracts/shape.ts'
import { deletion } from '../_delete.ts'
import { answerOutcome, idFrom, noSuch, readBody } from '../_respond.ts'

export const GET: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  const shape = id === undefined ? undefined : locals.shapes.find(id)
  return shape ? Response.json(shape) : noSuch('shape')
}

export const PATCH: APIRoute = async ({ params, request, locals }) => {
  const id = idFrom(params['id'])
  const edit = await readBody(request, KeptShapeChange)
  if (!edit.ok) return edit.response
  if (id === undefined) return noSuch('shape')
  return answerOutcome(locals.shapes.change(id, edit.value, new Date()), {
    what: 'shape',
    yours: edit.value,
    staleWords: ({ name }) => `it was changed elsewhere and is now called ${name}`,
  })
}

export const DELETE = deletion(
  'shape',
  ({ shapes }, id, seen) => shapes.remove(id, new Date(), seen),
  ({ name }) => name,
)
