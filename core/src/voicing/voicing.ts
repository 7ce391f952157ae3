/** Rows of frets to values: every string's pitch, degree and spelled note, the arrangement, the inversion. */

import type { Chord } from '../chord/index.ts'
import { fretsOfNote, type Neck, soundingMidi } from '../neck/index.ts'
import { type Degree, type Midi, type NoteName, spellDegree } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import { arrangementOf, inversionOf } from './arrangement.ts'
import { centreOf } from './frets.ts'
import type { VoicingsFound } from './query.ts'
import { toneTable } from './tones.ts'
import type { Frets, Place, Voicing } from './types.ts'

/** One row of a search, as frets. */
export function fretsAt({ strings, frets }: Pick<VoicingsFound, 'strings' | 'frets'>, row: number): Frets {
  const shape: (number | null)[] = []
  for (let at = row * strings; at < (row + 1) * strings; at++) {
    const fret = frets[at] as number
    shape.push(fret < 0 ? null : fret)
  }
  return shape
}

/** What a shape sounds, from the lowest string; silent strings are left out. */
export const midisOf = (frets: Frets, neck: Neck): readonly Midi[] =>
  frets.flatMap((fret, string) => (fret === null ? [] : [soundingMidi(neck, string, fret)]))

/**
 * A shape as a voicing of a chord.
 * @returns `undefined` when a string sounds a tone that the chord does not have, or nothing sounds.
 */
export const voicingOf = (chord: Chord, frets: Frets, neck: Neck): Voicing | undefined =>
  voicingReader(chord, neck)(frets)

/** What every string sounds: its pitch, the chord's degree, and its note; `null` where it is silent. */
export type SoundedTones = Pick<Voicing, 'midis' | 'degrees' | 'notes'>

/** A function that reads one shape after another as tones of the same chord; `undefined` as in `voicingOf`. */
export function tonesReader(chord: Chord, neck: Neck): (frets: Frets) => SoundedTones | undefined {
  const table = toneTable({ chord })
  const notes = table.tones.map((degree) => noteOf(chord, degree))
  return (frets) => {
    const midis: (Midi | null)[] = []
    const degrees: (Degree | null)[] = []
    const noteNames: (NoteName | null)[] = []
    let sounds = false
    for (let string = 0; string < frets.length; string++) {
      const fret = frets[string] ?? null
      if (fret === null) {
        midis.push(null)
        degrees.push(null)
        noteNames.push(null)
        continue
      }
      const midi = soundingMidi(neck, string, fret)
      const tone = table.toneOfPitchClass[midi % 12] as number
      const degree = table.tones[tone]
      if (degree === undefined) return undefined
      midis.push(midi)
      degrees.push(degree)
      noteNames.push(requireAt(notes, tone))
      sounds = true
    }
    return sounds ? { midis, degrees, notes: noteNames } : undefined
  }
}

/** A function that reads one shape after another as voicings of the same chord. */
export function voicingReader(chord: Chord, neck: Neck): (frets: Frets) => Voicing | undefined {
  const read = tonesReader(chord, neck)
  return (frets) => {
    const tones = read(frets)
    if (!tones) return undefined
    const rising = tones.midis
      .flatMap((midi, string) => (midi === null ? [] : [{ midi, degree: requireAt(tones.degrees, string) }]))
      .sort((a, b) => a.midi - b.midi)
    const lowest = rising[0] as (typeof rising)[0]
    return {
      chord,
      frets,
      ...tones,
      arrangement: arrangementOf(
        rising.map((tone) => tone.midi),
        rising.map((tone) => tone.degree),
        chord.formula,
      ),
      inversion: inversionOf(lowest.degree, chord.formula),
    }
  }
}

function noteOf(chord: Chord, degree: Degree): NoteName {
  if (!chord.formula.includes(degree) && chord.bass !== undefined) return chord.bass
  const note = spellDegree(chord.root, degree)
  if (note === undefined) throw new Error(`${degree} over ${chord.root} has no spelling`)
  return note
}

/** Row `row` of a search for `chord`. */
export function voicingAt(found: VoicingsFound, row: number, chord: Chord, neck: Neck): Voicing {
  const voicing = voicingOf(chord, fretsAt(found, row), neck)
  if (voicing === undefined)
    throw new Error(`row ${row} holds a tone that ${chord.root} ${chord.formula.join(' ')} does not have`)
  return voicing
}

export interface GhostTone extends Place {
  readonly degree: Degree
  readonly note: NoteName
}

/**
 * The tones that the chord has and the voicing does not sound, each at the place nearest to the hand. A shape
 * without a visible root can't be moved with confidence, so the root's ghost matters most and comes first.
 */
export function ghostTones(voicing: Voicing, neck: Neck): readonly GhostTone[] {
  const centre = centreOf(voicing.frets) || 1
  return voicing.chord.formula
    .filter((degree) => !voicing.degrees.includes(degree))
    .flatMap((degree) => {
      const note = noteOf(voicing.chord, degree)
      const place = nearestPlace(voicing.frets, neck, note, centre)
      return place === undefined ? [] : [{ degree, note, ...place }]
    })
}

function nearestPlace(frets: Frets, neck: Neck, note: NoteName, centre: number): Place | undefined {
  let best: { readonly place: Place; readonly distance: number } | undefined
  for (const [string] of frets.entries())
    for (const fret of fretsOfNote(neck, string, note)) {
      // A free string shows the ghost more clearly than one that already carries an egg.
      const distance = Math.abs(fret - centre) + (frets[string] === null ? 0 : 0.4)
      if (best === undefined || distance < best.distance) best = { place: { string, fret }, distance }
    }
  return best?.place
}
