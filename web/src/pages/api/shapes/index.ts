import { readShape } from '@nestling/core/shape'
import type { APIRoute } from 'astro'
import { KeptShapeDraft } from '../../../contracts/shape.ts'
import { readBody, refuse } from '../_respond.ts'

const MOST_LISTED = 500

export const GET: APIRoute = ({ locals }) => {
  const { shapes, total } = locals.shapes.list(MOST_LISTED)
  return Response.json({ count: total, shapes, truncated: total > shapes.length })
}

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, KeptShapeDraft)
  if (!draft.ok) return draft.response
  const shape = readShape(draft.value)
  if (!shape.ok) return refuse(shape.error.field, shape.error)
  return Response.json(locals.shapes.add(draft.value, new Date()), { status: 201 })
}
