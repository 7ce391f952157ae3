import { readSymbol } from '@nestling/core/chord'
import { readTuning } from '@nestling/core/neck'
import { readShape } from '@nestling/core/voicing'
import type { APIRoute } from 'astro'
import { KeptShapeDraft } from '../../../contracts/keptShape.ts'
import { readBody, refuse } from '../_respond.ts'

const MOST_LISTED = 500

export const GET: APIRoute = ({ locals }) => {
  const { shapes, total } = locals.shapes.list(MOST_LISTED)
  return Response.json({ count: total, shapes, truncated: total > shapes.length })
}

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, KeptShapeDraft)
  if (!draft.ok) return draft.response
  const { chord, shape, tuning } = draft.value
  const symbol = readSymbol(chord)
  if (!symbol.ok) return refuse('chord', symbol.error)
  const strings = readTuning(tuning)
  if (!strings.ok) return refuse('tuning', strings.error)
  const frets = readShape(shape, strings.value.strings.length)
  if (!frets.ok) return refuse('shape', frets.error)
  return Response.json(locals.shapes.add(draft.value, new Date()), { status: 201 })
}
