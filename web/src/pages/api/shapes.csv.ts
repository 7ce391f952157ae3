import { readShape } from '@nestling/core/shape'
import { type NamedShape, writeShapesCsv } from '@nestling/formats/csv'
import type { APIRoute } from 'astro'

/** `GET /api/shapes.csv`: the Book's shapes as a table, newest first. */
export const GET: APIRoute = ({ locals }) => {
  const { shapes } = locals.shapes.list(Number.MAX_SAFE_INTEGER)
  const named = shapes.flatMap(({ name, note, ...texts }): readonly NamedShape[] => {
    const shape = readShape(texts)
    return shape.ok ? [{ name, note, shape: shape.value }] : []
  })
  return new Response(writeShapesCsv(named), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="nestling-shapes.csv"',
    },
  })
}
