import { readSymbol } from '@nestling/core/chord'
import { readKey } from '@nestling/core/key'
import { namesOf, statedFirst } from '@nestling/core/name'
import { readNote } from '@nestling/core/pitch'
import { NamesQuery } from '../../contracts/queries.ts'
import { nameJson } from './_json.ts'
import { readQuery, refuse, refuseWith } from './_respond.ts'
import { readShapeFields } from './_shape.ts'
import { onThread, type Work } from './_work.ts'

/** `GET /api/names?frets=x68786`: every name of a shape, best first; over a bass, in a key, or as what it is said to be. */
export const work: Work = ({ url }) => {
  const query = readQuery(url, NamesQuery)
  if (!query.ok) return query.response
  const shape = readShapeFields(query.value)
  if (!shape.ok) return shape.response
  const bass = query.value.bass === undefined ? undefined : readNote(query.value.bass)
  if (query.value.bass !== undefined && bass === undefined)
    return refuseWith('bass', {
      message: `${query.value.bass} is not a note name; expected one such as C, F# or Bb`,
      expected: 'a note name such as C, F# or Bb',
    })
  const key = query.value.key === undefined ? undefined : readKey(query.value.key)
  if (key && !key.ok) return refuse('key', key.error)
  const stated = query.value.symbol === undefined ? undefined : readSymbol(query.value.symbol)
  if (stated && !stated.ok) return refuse('symbol', stated.error)
  const names = namesOf(shape.frets, shape.neck, { bass, key: key?.value.notes, near: stated?.value })
  return Response.json({ names: (stated ? statedFirst(names, stated.value) : names).map(nameJson) })
}

export const GET = onThread('names')
