import { type ArpeggioWay, arpeggioOf, highestPosition, lowestPosition, playingOrder } from '@nestling/core/arpeggio'
import { neckOf } from '@nestling/core/neck'
import { parseDegree } from '@nestling/core/pitch'
import { instrumentFor, readQuestion } from '@nestling/core/request'
import { ArpeggioQuery } from '../../contracts/queries.ts'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { cutWords } from '../../words/arpeggio.ts'
import { problem, readQuery, refuse } from './_respond.ts'
import { measured } from './_shape.ts'
import { onThread, type Work } from './_work.ts'

/** `GET /api/arpeggio?chord=Ebmaj7&position=5`: the tones under one hand with fingers, and the order of playing. */
export const work: Work = (asked) => {
  const { url } = asked
  const query = readQuery(url, ArpeggioQuery)
  if (!query.ok) return query.response
  const { chord, tuning, position, way: kind, string, octaves, from, direction, pattern } = query.value
  const { instrument, told: measuredOn } = measured(asked)
  const player = playerOf(DEFAULT_SETTINGS, instrument)
  const question = readQuestion({ chord, ...(tuning === undefined ? {} : { tuning }) }, player)
  if (!question.ok) return refuse(question.error.field, question.error)
  const neck = neckOf(instrumentFor(question.value, player))
  const [low, high] = [lowestPosition(neck), highestPosition(neck)]
  if (position < low || position > high)
    return problem(400, {
      error: `there is no position ${position}; expected ${low} to ${high}`,
      field: 'position',
      expected: `${low} to ${high}`,
    })
  const strings = neck.open.length
  if (string !== undefined && (string < 1 || string > strings))
    return problem(400, {
      error: `there is no string ${string}; expected 1 to ${strings}`,
      field: 'string',
      expected: `1 to ${strings}`,
    })
  const start = from === 'lowest' ? from : parseDegree(from)
  if (start === undefined)
    return problem(400, {
      error: `${from} is not a degree; expected R, b3, 5 … or lowest`,
      field: 'from',
      expected: 'a degree of the chord, or lowest',
    })
  const index = string === undefined ? 0 : strings - string
  const ways: Readonly<Record<typeof kind, ArpeggioWay>> = {
    position: { kind: 'position', at: position },
    diagonal: { kind: 'diagonal', string: index, at: position, octaves },
    'one-string': { kind: 'one-string', string: index },
    'two-a-string': { kind: 'two-a-string', at: position },
  }
  const { notes, others, cost, widestMm, cut } = arpeggioOf(question.value.chord, neck, player.hand, ways[kind])
  return Response.json({
    instrument: measuredOn,
    notes: notes.map(({ string: at, fret, degree, note, midi, finger, handAt }) => ({
      string: strings - at,
      fret,
      degree,
      note,
      midi,
      finger,
      handAt,
    })),
    others: others.map(({ string: at, fret, degree, note, midi }) => ({
      string: strings - at,
      fret,
      degree,
      note,
      midi,
    })),
    order: playingOrder(notes, { from: start, direction, pattern }),
    shifts: cost.shifts,
    stretches: cost.stretches,
    widestMm: Math.round(widestMm),
    ...(cut === undefined ? {} : { cut: cutWords(cut, strings) }),
  })
}

export const GET = onThread('arpeggio')
