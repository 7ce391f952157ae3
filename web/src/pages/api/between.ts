import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { readKey, waysBetween } from '@nestling/core/key'
import { BetweenQuery } from '../../contracts/queries.ts'
import { readQuery, refuse } from './_respond.ts'
import { onThread, type Work } from './_work.ts'

/** `GET /api/between?from=G7&to=Am7&key=C`: what may stand between two chords, each with its reason. */
export const work: Work = ({ url }) => {
  const query = readQuery(url, BetweenQuery)
  if (!query.ok) return query.response
  const from = readSymbol(query.value.from)
  if (!from.ok) return refuse('from', from.error)
  const to = readSymbol(query.value.to)
  if (!to.ok) return refuse('to', to.error)
  const key = query.value.key === undefined ? undefined : readKey(query.value.key)
  if (key?.ok === false) return refuse('key', key.error)
  return Response.json(
    waysBetween(from.value, to.value, key?.value).map(({ chord, reason }) => ({
      symbol: writeSymbol(chord, { ascii: true }),
      reason,
    })),
  )
}

export const GET = onThread('between')
