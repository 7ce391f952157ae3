/** A chart in another key: every root keeps its function, and so its letter. */
import { type Chord, familyOf } from '../chord/index.ts'
import type { Key } from '../key/index.ts'
import { letterIndexOf, type NoteName, noteNameOf, pitchClassOf, plainName } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import type { Chart, ChartBar, ChartSlot } from './types.ts'

/**
 * How many letters a root stands above the tonic, by its semitones: outside the scale a chord a semitone below where it leads (a
 * diminished one) is raised, any other is lowered: ♯I°7, but ♭II7.
 */
const LOWERED = [0, 1, 1, 2, 2, 3, 4, 4, 5, 5, 6, 6] as const
const RAISED = [0, 0, 1, 1, 2, 3, 3, 4, 4, 5, 5, 6] as const

const lettersByFunction = (semitones: number, { formula }: Pick<Chord, 'formula'>): number =>
  requireAt(/diminished/.test(familyOf(formula)) ? RAISED : LOWERED, semitones)

/** The note so many letters and semitones above a tonic; `undefined` where it needs two accidentals. */
function above(tonic: NoteName, letters: number, semitones: number): NoteName | undefined {
  const letter = (letterIndexOf(tonic) + letters) % 7
  const natural = noteNameOf(letter, 0) as NoteName
  const alteration = ((pitchClassOf(tonic) + semitones - pitchClassOf(natural) + 18) % 12) - 6
  return Math.abs(alteration) > 1 ? undefined : noteNameOf(letter, alteration)
}

function movedRoot(chord: Chord, from: Key, to: Key): NoteName {
  const { root } = chord
  const semitones = (pitchClassOf(root) - pitchClassOf(from.tonic) + 12) % 12
  const byFunction = lettersByFunction(semitones, chord)
  // A root that its own key can't write plainly (A𝄫7 in G♭) stands there as its twin, and is what it is by its function.
  const isTwin = above(from.tonic, byFunction, semitones) === undefined
  const letters = isTwin ? byFunction : (letterIndexOf(root) - letterIndexOf(from.tonic) + 7) % 7
  return above(to.tonic, letters, semitones) ?? plainName((pitchClassOf(to.tonic) + semitones) % 12)
}

/** A bass keeps its letter as its root does. */
function movedBass(bass: NoteName, from: NoteName, to: NoteName): NoteName {
  const semitones = (pitchClassOf(bass) - pitchClassOf(from) + 12) % 12
  const letters = (letterIndexOf(bass) - letterIndexOf(from) + 7) % 7
  return above(to, letters, semitones) ?? plainName((pitchClassOf(to) + semitones) % 12)
}

export function transposedChord(chord: Chord, from: Key, to: Key): Chord {
  const root = movedRoot(chord, from, to)
  return { ...chord, root, ...(chord.bass === undefined ? {} : { bass: movedBass(chord.bass, chord.root, root) }) }
}

/** The same tune in another key of the same kind. No root needs two accidentals where it has a twin. */
export const transposedChart = (chart: Chart, from: Key, to: Key): Chart => ({
  ...chart,
  key: chart.key && to,
  bars: chart.bars.map(
    (bar): ChartBar => ({
      ...bar,
      slots: bar.slots.map(
        (slot): ChartSlot =>
          slot.kind === 'chord' ? { kind: 'chord', chord: transposedChord(slot.chord, from, to) } : slot,
      ),
    }),
  ),
})
