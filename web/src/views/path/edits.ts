/** The chart changed from the path: chords put in, taken out, moved; the tune in another key. */
import {
  type WrittenPlace,
  withChordAfter,
  withChordJoined,
  withChordsSwapped,
  withoutChord,
} from '@nestling/core/chart'
import type { Chord } from '@nestling/core/chord'
import type { Key } from '@nestling/core/key'
import type { WantedShape } from '@nestling/core/path'
import type { Midi } from '@nestling/core/pitch'
import { transposedTune } from '@nestling/core/tune'
import { tell } from '../../state/notices.ts'
import { transposedWords } from '../../words/transposed.ts'
import { pathClient } from '../../workers/clients.ts'
import type { PathState } from './usePath.ts'

/** Where a played chord is written. A bar that repeats the one before is that one. */
function writtenAt({ answer }: PathState, chord: number): WrittenPlace | undefined {
  const one = answer.played.chords[chord]
  const bar = one && answer.played.bars[one.bar]
  if (!one || !bar) return undefined
  let written = bar.written
  while (written > 0 && answer.plan.chart.bars[written]?.slots.length === 0) written--
  return { bar: written, slot: one.slot }
}

/** A chord before the chosen one: it takes time from the chord before, and is chosen. */
export function putBefore(state: PathState, chord: Chord): void {
  const { plan } = state.answer
  const place = writtenAt(state, plan.chosen - 1)
  if (place) state.change({ chart: withChordAfter(plan.chart, place, chord), chosen: plan.chosen })
  else tell.done('There is no chord before it to take time from.', 'no-chord-before')
}

export function takeOut(state: PathState): void {
  const { plan, played } = state.answer
  const place = writtenAt(state, plan.chosen)
  if (!place) return
  state.change({
    chart: withoutChord(plan.chart, place),
    chosen: Math.max(0, Math.min(plan.chosen, played.chords.length - 2)),
  })
}

/** The chosen chord twice, each for half of its time. */
export function split(state: PathState): void {
  const { plan, played } = state.answer
  const place = writtenAt(state, plan.chosen)
  const one = played.chords[plan.chosen]
  if (place && one) state.change({ chart: withChordAfter(plan.chart, place, one.chord) })
}

/** The next chord's time is the chosen one's. */
export function joinNext(state: PathState): void {
  const { plan, played } = state.answer
  const place = writtenAt(state, plan.chosen + 1)
  if (place && plan.chosen + 1 < played.chords.length) state.change({ chart: withChordJoined(plan.chart, place) })
  else tell.done('There is no next chord whose time it could take.', 'no-chord-after')
}

/** The chosen chord and its neighbour change places. */
export const moveBy = (state: PathState, by: 1 | -1): void =>
  changePlaces(state, state.answer.plan.chosen, state.answer.plan.chosen + by)

/** Two chords change places; the first stays the chosen one. */
export function changePlaces(state: PathState, chord: number, other: number): void {
  const { plan } = state.answer
  const [here, there] = [writtenAt(state, chord), writtenAt(state, other)]
  if (here && there) state.change({ chart: withChordsSwapped(plan.chart, here, there), chosen: other })
  else tell.done('There is no chord to change places with.', 'no-chord-beside')
}

/** A chord's top voice goes to this tone, whatever else changes. */
export function wishTop(state: PathState, chord: number, midi: Midi): void {
  const { plan } = state.answer
  state.change({
    melody: [...plan.melody.filter((top) => top.chord !== chord), { chord, midi }],
    held: plan.held.filter((held) => held.chord !== chord),
    chosen: chord,
  })
}

/** Of a chord's shapes that are as wanted the one with which the path costs least is held. */
export async function takeWanted(state: PathState, chord: number, wanted: WantedShape): Promise<void> {
  const { question, plan } = state.answer
  try {
    const found = await pathClient().wanted(question, chord, wanted)
    if (!found)
      return tell.done(
        wanted.kind === 'place'
          ? `No other shape of this chord lies near fret ${wanted.fret}, on these strings and frets.`
          : 'No shape of this chord has that tone there, on these strings and frets.',
        'no-shape',
      )
    state.change({
      held: [...plan.held.filter((held) => held.chord !== chord), { chord, frets: found.shape.frets }].toSorted(
        (a, b) => a.chord - b.chord,
      ),
      melody: plan.melody.filter((top) => top.chord !== chord),
      chosen: chord,
    })
  } catch (error) {
    tell.problem('No other shape', error instanceof Error ? error.message : String(error))
  }
}

/** The chosen chord keeps its top tone whatever else changes, or lets it go. */
export function keepTop(state: PathState): void {
  const { plan } = state.answer
  const others = plan.melody.filter(({ chord }) => chord !== plan.chosen)
  const midi = Math.max(0, ...(state.chosenShape?.midis ?? []).flatMap((one) => one ?? []))
  if (others.length < plan.melody.length) state.change({ melody: others })
  else if (midi > 0) state.change({ melody: [...others, { chord: plan.chosen, midi }] })
  else tell.done('There is no shape here whose top tone could be kept.', 'no-shape')
}

/** Shapes and top tones that are held go along; what could not stay as it was is said. */
export function transpose(state: PathState, to: Key): void {
  const { key, answer } = state
  if (!key) return
  const { plan, question, played } = answer
  const { chart, held, melody, changed } = transposedTune(
    { ...plan, chart: { ...plan.chart, key: key.key } },
    key.key,
    to,
    question.neck,
    question.hand,
  )
  state.change({ chart, held, melody })
  const told = transposedWords(changed, (chord) => played.chords[chord]?.bar ?? 0)
  if (told !== undefined) tell.done(told, 'transposed')
}
