import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { checkClaim } from '@nestling/core/name'
import { CheckQuery } from '../../contracts/queries.ts'
import { readQuery, refuse } from './_respond.ts'
import { readShapeFields } from './_shape.ts'
import { onThread, type Work } from './_work.ts'

/** `GET /api/check?frets=x6868x&symbol=Ebmaj7`: is the claim right, right but incomplete, or wrong, and what mends it. */
export const work: Work = ({ url }) => {
  const query = readQuery(url, CheckQuery)
  if (!query.ok) return query.response
  const shape = readShapeFields(query.value)
  if (!shape.ok) return shape.response
  const chord = readSymbol(query.value.symbol)
  if (!chord.ok) return refuse('symbol', chord.error)
  const claim = checkClaim(chord.value, shape.frets, shape.neck)
  const symbol = writeSymbol(chord.value, { ascii: true })
  switch (claim.verdict) {
    case 'right':
      return Response.json({ verdict: claim.verdict, symbol, degrees: claim.voicing.degrees })
    case 'incomplete':
      return Response.json({
        verdict: claim.verdict,
        symbol,
        degrees: claim.voicing.degrees,
        missing: claim.missing,
        defining: claim.defining,
        justAsWell: claim.justAsWell.map((other) => writeSymbol(other, { ascii: true })),
      })
    case 'wrong':
      return Response.json({
        verdict: claim.verdict,
        symbol,
        missing: claim.missing,
        wrong: claim.wrong.map(({ string, mend, ...rest }) => ({
          string: shape.frets.length - string,
          ...rest,
          mend: mend ?? null,
        })),
      })
  }
}

export const GET = onThread('check')
