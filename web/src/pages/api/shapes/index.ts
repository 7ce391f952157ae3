import { readSymbol } from '@nestling/core/chord'
import { readTuning } from '@nestling/core/neck'
import { readShape } from '@nestling/core/voicing'
import type { APIRoute } from 'astro'
import { KeptShapeDraft } from '../../../contracts/keptShape.ts'
import { problem, readBody } from '../_respond.ts'

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
  if (!symbol.ok)
    return problem(400, {
      error: symbol.error.message,
      field: 'chord',
      at: symbol.error.at,
      expected: symbol.error.expected,
    })
  const strings = readTuning(tuning)
  if (!strings.ok)
    return problem(400, {
      error: strings.error.message,
      field: 'tuning',
      at: strings.error.at,
      expected: strings.error.expected,
    })
  const frets = readShape(shape, strings.value.strings.length)
  if (!frets.ok)
    return problem(400, {
      error: frets.error.message,
      field: 'shape',
      at: frets.error.at,
      expected: frets.error.expected,
    })
  return Response.json(locals.shapes.add(draft.value, new Date()), { status: 201 })
}
