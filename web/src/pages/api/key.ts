import { writeSymbol } from '@nestling/core/chord'
import { chordScale, writeStep } from '@nestling/core/key'
import { spellDegree } from '@nestling/core/pitch'
import { KeyQuery } from '../../contracts/queries.ts'
import { readKeyFields } from './_key.ts'
import { readQuery } from './_respond.ts'
import { onThread, type Work } from './_work.ts'

/** `GET /api/key?tonic=Bb&scale=major&depth=sevenths`: the seven chords, spelled by the key. */
export const work: Work = ({ url }) => {
  const query = readQuery(url, KeyQuery)
  if (!query.ok) return query.response
  const read = readKeyFields(query.value)
  if (!read.ok) return read.response
  const { key } = read
  const { depth, school } = query.value
  return Response.json({
    tonic: key.tonic,
    scale: key.scale.name,
    steps: chordScale(key, depth, school).map(({ step, chord, left, function: of, mode }) => ({
      step,
      number: writeStep(chord, key, 'roman'),
      root: chord.root,
      symbol: writeSymbol(chord, { ascii: true }),
      formula: chord.formula,
      notes: chord.formula.flatMap((degree) => spellDegree(chord.root, degree) ?? []),
      function: of,
      mode: mode.name,
      ...(left.length === 0 ? {} : { left }),
    })),
  })
}

export const GET = onThread('key')
