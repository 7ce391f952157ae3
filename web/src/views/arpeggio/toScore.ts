/** The line as music: what is struck when, and what is written. */
import { pitchAt, pitchClassOf } from '@nestling/core/pitch'
import type { Settings } from '../../contracts/settings.ts'
import type { WrittenNote } from '../../notation/engrave.ts'
import { beatOf, isAccented, NOTES_A_BEAT } from '../../notation/rhythm.ts'
import { bassNote, clicks, plainBeat, type Score, type ScoreEvent, withCountIn } from '../../sound/score.ts'
import type { Line } from './plan.ts'
import type { Plan } from './types.ts'

export function writtenNotes({ notes, order, neck }: Line, plan: Plan): readonly WrittenNote[] {
  return order.flatMap((index, place) => {
    const note = notes[index]
    if (!note) return []
    return [
      {
        pitch: pitchAt(note.note, note.midi),
        stringNumber: neck.open.length - note.string,
        fret: note.fret,
        accent: isAccented(place, note.degree === 'R', plan),
      },
    ]
  })
}

const SOFT = 0.6

/** The mark of a note is its place in the playing order. */
export function scoreOf(
  { notes, order }: Line,
  plan: Plan,
  settings: Pick<Settings, 'metronome' | 'drums' | 'bassStandIn' | 'countInBars'>,
  loop: boolean,
): Score & { readonly countIn: number } {
  const { value, beatsPerBar, chord } = plan
  const played = order.flatMap((index, place): readonly ScoreEvent[] => {
    const note = notes[index]
    if (!note) return []
    const accented = isAccented(place, note.degree === 'R', plan)
    const loud = plan.accent === 'none' ? 0.8 : accented ? 1 : SOFT
    return [
      {
        part: 'strings',
        at: beatOf(place, value),
        length: 1 / NOTES_A_BEAT[value],
        loud,
        midi: note.midi,
        string: note.string,
        mark: place,
      },
    ]
  })
  // Whole bars, so that a loop comes back on the first beat.
  const beats = Math.max(1, Math.ceil(beatOf(order.length, value) / beatsPerBar - 1e-9)) * beatsPerBar
  const root = bassNote(pitchClassOf(chord.bass ?? chord.root))
  const bass = Array.from(
    { length: beats / beatsPerBar },
    (_, bar): ScoreEvent => ({ part: 'bass', at: bar * beatsPerBar, length: beatsPerBar, loud: 0.9, midi: root }),
  )
  return withCountIn(
    {
      loop,
      beats,
      events: [
        ...played,
        ...(settings.bassStandIn ? bass : []),
        ...(settings.drums ? plainBeat(beats, beatsPerBar) : []),
        ...(settings.metronome ? clicks(beats, beatsPerBar) : []),
      ],
    },
    settings.countInBars,
    beatsPerBar,
  )
}
