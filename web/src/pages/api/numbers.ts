import { writeSymbol } from '@nestling/core/chord'
import { readKey, readNumbers } from '@nestling/core/key'
import { NumbersQuery } from '../../contracts/queries.ts'
import { readQuery, refuse } from './_respond.ts'
import { onThread, type Work } from './_work.ts'

/** `GET /api/numbers?key=Em&text=i bVII bVI V`: a progression typed as numbers, as the chords that it is in a key. */
export const work: Work = ({ url }) => {
  const query = readQuery(url, NumbersQuery)
  if (!query.ok) return query.response
  const key = readKey(query.value.key)
  if (!key.ok) return refuse('key', key.error)
  const chords = readNumbers(query.value.text, key.value, query.value.depth)
  if (!chords.ok) return refuse('text', chords.error)
  return Response.json({ chords: chords.value.map((chord) => writeSymbol(chord, { ascii: true })) })
}

export const GET = onThread('numbers')
