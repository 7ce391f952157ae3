import { familyOf, notesOf, readSymbol, stackedThirds, writeSymbol } from '@nestling/core/chord'
import type { APIRoute } from 'astro'
import { ChordQuery } from '../../contracts/queries.ts'
import { readQuery, refuse } from './_respond.ts'

/** `GET /api/chord?symbol=F%23m7b5` */
export const GET: APIRoute = ({ url }) => {
  const query = readQuery(url, ChordQuery)
  if (!query.ok) return query.response
  const chord = readSymbol(query.value.symbol)
  if (!chord.ok) return refuse('symbol', chord.error)
  const { root, formula, bass, choices, respelledFrom } = chord.value
  return Response.json({
    symbol: writeSymbol(chord.value, { ascii: true }),
    root,
    formula,
    notes: notesOf(chord.value),
    thirds: stackedThirds(formula).map((step) => step.interval),
    family: familyOf(formula),
    ...(bass === undefined ? {} : { bass }),
    ...(respelledFrom === undefined ? {} : { respelledFrom }),
    ...(choices.length === 0
      ? {}
      : {
          choices: choices.map((choice) => ({
            symbol: writeSymbol({ root, formula: choice, bass }, { ascii: true }),
            formula: choice,
          })),
        }),
  })
}
