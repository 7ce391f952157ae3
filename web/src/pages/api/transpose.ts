import { type Chart, guessKey, playedChart, readChart, writeChart } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { type Key, keyOf, readKey } from '@nestling/core/key'
import { neckOf } from '@nestling/core/neck'
import { pitchAt, plainName, readNote, writePitch } from '@nestling/core/pitch'
import { instrumentFor, readOtherTuning } from '@nestling/core/request'
import { type NotAsItWas, type TopTone, transposedTune } from '@nestling/core/tune'
import { writeFrets } from '@nestling/core/voicing'
import { TransposeBody } from '../../contracts/path.ts'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { readHeld, readMelody } from './_held.ts'
import { readBody, refuse, refuseWith } from './_respond.ts'
import { measured } from './_shape.ts'
import { onThread, type Work } from './_work.ts'

/** `POST /api/transpose`: a chart in another key with the shapes and top tones that are held in it; `changed` tells what could not stay. */
export const work: Work = async (asked) => {
  const read = await readBody(asked.request, TransposeBody)
  if (!read.ok) return read.response
  const body = read.value
  const player = playerOf(DEFAULT_SETTINGS, measured(asked).instrument)
  const tuning = body.tuning === undefined ? undefined : readOtherTuning(body.tuning, player)
  if (tuning?.ok === false) return refuse('tuning', tuning.error)
  const neck = neckOf(instrumentFor({ tuning: tuning?.value }, player))
  const { chart, errors } = readChart(body.chart)
  const [error] = errors
  if (error) return refuse('chart', error)
  const { chords } = playedChart(chart)
  const from = chart.key ?? guessKey(chords)?.key
  if (from === undefined)
    return refuseWith('chart', { message: 'there are no chords; expected chords in bars', expected: 'chords in bars' })
  const to = keyTo(body.to, from)
  if (to instanceof Response) return to
  const held = readHeld(body.hold ?? [], chords, neck)
  if (!held.ok) return held.response
  const tops = readMelody(body.melody)
  if (!tops.ok) return tops.response
  const melody = (tops.value ?? []).flatMap((midi, chord): readonly TopTone[] =>
    midi === undefined ? [] : [{ chord, midi }],
  )
  const there = transposedTune({ chart, held: held.value, melody }, from, to, neck, player.hand)
  const top = (chord: number) => there.melody.find((one) => one.chord === chord)
  return Response.json({
    chart: writeChart(there.chart),
    hold: there.held.map(({ chord, frets }) => ({ chord, frets: writeFrets(frets) })),
    melody: (tops.value ?? []).map((_, chord) => {
      const one = top(chord)
      return one === undefined ? null : pitch(one.midi)
    }),
    changed: there.changed.map((one) => told(one, symbolsOf(there.chart))),
  })
}

export const POST = onThread('transpose')

const pitch = (midi: number) => writePitch(pitchAt(plainName(midi % 12), midi))
const symbolsOf = (chart: Chart) => playedChart(chart).chords.map(({ chord }) => writeSymbol(chord, { ascii: true }))

function told(one: NotAsItWas, symbols: readonly string[]) {
  const symbol = symbols[one.chord]
  if (one.what === 'shape')
    return {
      chord: one.chord,
      symbol,
      what: one.what,
      from: writeFrets(one.from),
      to: one.to ? writeFrets(one.to) : null,
      why: one.to ? 'the same form an octave elsewhere' : 'no hand holds this form there: the chord is free again',
    }
  return {
    chord: one.chord,
    symbol,
    what: one.what,
    from: pitch(one.from),
    to: one.to === undefined ? null : pitch(one.to),
    why: one.to === undefined ? 'no string has this tone' : 'an octave elsewhere, where a string has it',
  }
}

/** A tonic alone is of the tune's own kind; a whole key has to be. */
function keyTo(text: string, from: Key): Key | Response {
  const note = readNote(text.trim())
  const isTonic = note !== undefined && note.length === text.trim().length
  const read = readKey(text)
  const to = isTonic ? keyOf(note, from.scale) : read.ok ? read.value : undefined
  if (to && to.scale.name === from.scale.name) return to
  if (!isTonic && !read.ok) return refuse('to', read.error)
  return refuseWith('to', {
    message: to
      ? `${text} is a key of another kind; expected one that is ${from.scale.name}, or a tonic alone`
      : `nobody writes in ${text} here; expected a tonic whose key needs no double accidentals`,
    expected: `a tonic, such as G or Bb`,
  })
}
