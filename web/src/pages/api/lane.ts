import { writeSymbol } from '@nestling/core/chord'
import { chordScale } from '@nestling/core/key'
import { type LaneStep, laneNames, laneOf, lostFifth, readAsk } from '@nestling/core/lane'
import { neckOf } from '@nestling/core/neck'
import { instrumentFor, readQuestion } from '@nestling/core/request'
import { writeFrets } from '@nestling/core/voicing'
import { LaneQuery } from '../../contracts/queries.ts'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { gapWords } from '../../words/lane.ts'
import { readKeyFields } from './_key.ts'
import { readQuery, refuse } from './_respond.ts'
import { measured } from './_shape.ts'
import { onThread, type Work } from './_work.ts'

/** `GET /api/lane?tonic=Bb&depth=sevenths&root=6`: a shape for every step up the neck, or why there is none. */
export const work: Work = (asked) => {
  const { url } = asked
  const query = readQuery(url, LaneQuery)
  if (!query.ok) return query.response
  const read = readKeyFields(query.value)
  if (!read.ok) return read.response
  const { depth, school, tuning, fretMax } = query.value
  const { instrument, told: measuredOn } = measured(asked)
  const player = playerOf(DEFAULT_SETTINGS, instrument)
  const question = readQuestion({ chord: 'C', ...(tuning === undefined ? {} : { tuning }) }, player)
  if (!question.ok) return refuse(question.error.field, question.error)
  const neck = neckOf(instrumentFor(question.value, player))
  const ask = readAsk(query.value, neck.open.length, { depth })
  if (!ask.ok) return refuse(ask.error.field, ask.error)
  const lane = laneOf(chordScale(read.key, depth, school), ask.value, neck, player.hand, { fretMax })
  const told = ({ step, chord, shape, gap, hopFrets, hopMm, instead }: LaneStep) => {
    const symbol = writeSymbol(chord, { ascii: true })
    const why = gap && gapWords(gap)
    if (!shape)
      return {
        step,
        symbol,
        why: why ?? 'no shape',
        ...(instead
          ? { instead: { frets: writeFrets(instead.shape.frets), symbol: writeSymbol(instead.chord, { ascii: true }) } }
          : {}),
      }
    const lost = lostFifth(chord, shape)
    return {
      step,
      symbol,
      frets: writeFrets(shape.frets),
      degrees: shape.degrees,
      ...(lost === undefined ? {} : { without: [lost] }),
      reachMm: Math.round(shape.reachMm),
      hopFrets: hopFrets ?? 0,
      hopMm: Math.round(hopMm ?? 0),
      names: laneNames(shape.frets, chord, neck)
        .slice(0, 4)
        .map((name) => writeSymbol(name.chord, { ascii: true })),
      ...(why ? { goesOnBecause: why } : {}),
    }
  }
  return Response.json({ steps: lane.steps.map(told), highest: lane.highest, instrument: measuredOn })
}

export const GET = onThread('lane')
