import { writeSymbol } from '@nestling/core/chord'
import { namesOf } from '@nestling/core/name'
import { neckFor, readShape, type Shape, soundedOn } from '@nestling/core/shape'
import { writeFrets } from '@nestling/core/voicing'
import type { APIRoute } from 'astro'
import * as v from 'valibot'
import { BookAsk, KeptShapeDraft } from '../../../contracts/shape.ts'
import { readBody, readQuery, refuse, refuseWith } from '../_respond.ts'
import { asTexts } from '../_shape.ts'
import { lookingOnThread, type Work } from '../_work.ts'

const MOST_LISTED = 500
const place = (least: number, most: number) =>
  v.pipe(v.string(), v.regex(/^\d{1,7}$/, 'a whole number'), v.transform(Number), v.minValue(least), v.maxValue(most))
const Query = v.strictObject({
  ...BookAsk.entries,
  by: v.optional(BookAsk.entries.by.wrapped, 'newest'),
  from: v.optional(place(0, 9_999_999), '0'),
  limit: v.optional(place(1, MOST_LISTED), String(MOST_LISTED)),
})

/** `GET /api/shapes?find=…&by=tune|chord|newest|name&tune=3&tag=…&from=0&limit=100`: a window of the Book's shapes. */
export const work: Work = ({ url, locals }) => {
  const query = readQuery(url, Query)
  if (!query.ok) return query.response
  const { from, limit, ...ask } = query.value
  const window = locals.shapes.window(ask, from, limit)
  return Response.json({
    ...window,
    count: window.total,
    truncated: window.total > from + window.shapes.length,
  })
}

export const GET = lookingOnThread('shapes/index')

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, KeptShapeDraft)
  if (!draft.ok) return draft.response
  const shape = readShape(draft.value)
  if (!shape.ok) return refuse(shape.error.field, shape.error)
  if (!soundedOn(shape.value, locals.instruments.list())) return otherChord(shape.value)
  // As core writes it, so that the same shape is the same text.
  const kept = locals.shapes.add({ ...draft.value, ...asTexts(shape.value) }, new Date())
  return Response.json({ ...kept, same: locals.shapes.same(kept) }, { status: 201 })
}

/** What is accepted is true: a shape is kept under a chord that it sounds. */
function otherChord({ chord, frets, tuning }: Shape): Response {
  const names = namesOf(frets, neckFor({ tuning })).map((name) => writeSymbol(name.chord, { ascii: true }))
  const expected = names.length === 0 ? 'a chord of its tones' : [...new Set(names)].slice(0, 3).join(', ')
  return refuseWith('chord', {
    message: `${writeFrets(frets)} does not sound ${writeSymbol(chord, { ascii: true })}; expected ${expected}`,
    at: 0,
    expected,
  })
}
