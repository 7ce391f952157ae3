import { guessKey, playedChart, readChart } from '@nestling/core/chart'
import { writeKey } from '@nestling/core/key'
import { KeyOfQuery } from '../../contracts/queries.ts'
import { readQuery, refuse, refuseWith } from './_respond.ts'
import { onThread, type Work } from './_work.ts'

/** `GET /api/key-of?chart=| C | Am | F | G |`: the key that a chart seems to be in, and the next where it may be doubted. */
export const work: Work = ({ url }) => {
  const query = readQuery(url, KeyOfQuery)
  if (!query.ok) return query.response
  const { chart, errors } = readChart(query.value.chart)
  const [error] = errors
  if (error) return refuse('chart', error)
  const guess = guessKey(playedChart(chart).chords)
  if (!guess)
    return refuseWith('chart', { message: 'there are no chords; expected chords in bars', expected: 'chords in bars' })
  const written = (key: typeof guess.key) => writeKey(key, { ascii: true })
  return Response.json({ key: written(guess.key), ...(guess.orElse ? { orElse: written(guess.orElse) } : {}) })
}

export const GET = onThread('key-of')
