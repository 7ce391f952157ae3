import { readSymbol } from '@nestling/core/chord'
import { checkClaim, namesOf } from '@nestling/core/name'
import { oneToneNeighbours, twoToneNeighbours } from '@nestling/core/near'
import { voicingOf } from '@nestling/core/voicing'
import { NeighboursQuery } from '../../contracts/queries.ts'
import { neighbourJson } from './_json.ts'
import { readQuery, refuse, refuseWith } from './_respond.ts'
import { readShapeFields } from './_shape.ts'
import { onThread, type Work } from './_work.ts'

/** `GET /api/neighbours?frets=x6878x&symbol=Ebmaj7`: what one moved tone (or two) makes of a shape, by name. */
export const work: Work = ({ url }) => {
  const query = readQuery(url, NeighboursQuery)
  if (!query.ok) return query.response
  const shape = readShapeFields(query.value)
  if (!shape.ok) return shape.response
  const { frets, neck } = shape
  const asked = query.value.symbol === undefined ? undefined : readSymbol(query.value.symbol)
  if (asked && !asked.ok) return refuse('symbol', asked.error)
  const chord = asked?.value ?? namesOf(frets, neck)[0]?.chord
  const voicing = chord && voicingOf(chord, frets, neck)
  if (chord === undefined || voicing === undefined) {
    const wrong = chord && checkClaim(chord, frets, neck)
    const where = wrong?.verdict === 'wrong' ? wrong.wrong.map(({ string }) => frets.length - string).join(', ') : ''
    return refuseWith(chord === undefined ? 'frets' : 'symbol', {
      message:
        chord === undefined
          ? 'one tone has no neighbours; expected two tones or more'
          : `the shape sounds other tones on string ${where}; expected a symbol that fits the shape`,
      expected: chord === undefined ? 'two tones or more' : 'a symbol that fits the shape',
    })
  }
  const found = query.value.tones === '2' ? twoToneNeighbours(voicing, neck) : oneToneNeighbours(voicing, neck)
  return Response.json({ count: found.length, neighbours: found.map(neighbourJson) })
}

export const GET = onThread('neighbours')
