import { readShape } from '@nestling/core/shape'
import { type NamedShape, writeShapesCsv } from '@nestling/formats/csv'
import { readingOnThread, type Work } from './_work.ts'

/** `GET /api/shapes.csv`: the Book's shapes as a table, newest first. */
export const work: Work = ({ locals }) => {
  const { shapes } = locals.shapes.list(Number.MAX_SAFE_INTEGER)
  const titles = new Map(locals.tunes.list(Number.MAX_SAFE_INTEGER).tunes.map(({ id, title }) => [id, title]))
  const named = shapes.flatMap(({ name, note, tags, tune, ...texts }): readonly NamedShape[] => {
    const shape = readShape(texts)
    return shape.ok
      ? [{ name, note, shape: shape.value, tags, tune: tune === null ? undefined : titles.get(tune) }]
      : []
  })
  return new Response(writeShapesCsv(named), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="nestling-shapes.csv"',
    },
  })
}

export const GET = readingOnThread('shapes.csv')
