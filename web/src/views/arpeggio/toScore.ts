/** The line as music: what is struck when. */
import { pitchAt } from '@nestling/core/pitch'
import {
  bandEvents,
  barsOf,
  beatOf,
  beatsInBar,
  isAccented,
  NOTES_A_BEAT,
  type Score,
  type ScoreEvent,
  type StringNote,
  withCountIn,
} from '@nestling/core/time'
import { type BandSettings, bandOf, DEFAULT_SETTINGS, withoutBeat } from '../../contracts/settings.ts'
import type { ArpeggioLine } from './plan.ts'
import type { Plan } from './types.ts'

const SOFT = 0.6

export const stringNoteOf = ({ midi, note, string, fret, finger }: ArpeggioLine['notes'][number]): StringNote => ({
  midi,
  pitch: pitchAt(note, midi),
  string,
  fret,
  finger,
})

/** The mark of a note is its place in the playing order. */
export function scoreOf(
  { notes, order }: Pick<ArpeggioLine, 'notes' | 'order'>,
  plan: Plan,
  settings: BandSettings,
  loop: boolean,
): Score {
  const { value, metre, chord } = plan
  const played = order.flatMap((index, place): readonly ScoreEvent[] => {
    const note = notes[index]
    if (!note) return []
    const accent = isAccented(place, note.degree === 'R', plan)
    const loud = plan.accent === 'none' ? 0.8 : accent ? 1 : SOFT
    const at = beatOf(place, value)
    return [{ ...stringNoteOf(note), part: 'strings', at, length: 1 / NOTES_A_BEAT[value], loud, accent, mark: place }]
  })
  // Whole bars, so that a loop comes back on the first beat.
  const bar = beatsInBar(metre)
  const beats = Math.max(1, Math.ceil(beatOf(order.length, value) / bar - 1e-9)) * bar
  const bars = barsOf(beats, metre)
  const under = Math.min(...notes.map(({ midi }) => midi))
  const chords = bars.map(({ at }) => ({ chord, at, beats: bar, under }))
  return withCountIn(
    {
      metre,
      countIn: 0,
      loop,
      beats,
      events: [...played, ...bandEvents(bandOf(settings), chords, bars, loop)],
    },
    settings.countInBars,
  )
}

/** What is written: the line alone, from the first beat. Accents on each beat are the metre's own and need no signs. */
export function writtenScore(line: Pick<ArpeggioLine, 'notes' | 'order'>, plan: Plan): Score {
  const score = scoreOf(line, plan, withoutBeat(DEFAULT_SETTINGS), false)
  if (plan.accent !== 'beat') return score
  return { ...score, events: score.events.map((event) => ({ ...event, accent: false })) }
}
