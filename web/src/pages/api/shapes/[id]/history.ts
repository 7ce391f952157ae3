import { STANDARD_TUNING } from '@nestling/core/neck'
import type { APIRoute } from 'astro'
import type { ShapeHistory } from '../../../../contracts/book.ts'
import { placesInTunes } from '../../../../data/shapePlaces.ts'
import { idFrom, noSuch } from '../../_respond.ts'

/** `GET /api/shapes/ID/history`: the tunes that it stands in, how it was practised, and what is the same shape. */
export const GET: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  const shape = id === undefined ? undefined : locals.shapes.find(id)
  if (!shape) return noSuch('shape')
  const { settings, instruments } = locals.page()
  const own = instruments.find((one) => one.id === settings.instrumentId)?.tuning ?? STANDARD_TUNING
  return Response.json({
    tunes: placesInTunes(shape, locals.tunes.list(MOST_SEARCHED).tunes, own),
    played: locals.practice.playedShape(shape),
    same: locals.shapes.same(shape),
  } satisfies ShapeHistory)
}

const MOST_SEARCHED = 1000
