/** Lanes by tone: each tone on its own string, others ringing or silent, as open tunings are played. */

import { type Chord, formulaMask } from '../chord/index.ts'
import { degreeAmong, namesOf } from '../name/index.ts'
import { soundingMidi } from '../neck/index.ts'
import { type Degree, degreeBetween, degreePitchClass, type NoteName, pitchClassOf, stepOf } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import type { Frets } from '../voicing/index.ts'
import { held, type LaneHand, toneOf } from './shapeAt.ts'
import type { Instead, LaneAsk, LaneChord, LaneShape, LaneStep, PlacedTone } from './types.ts'

type TonesAsk = Extract<LaneAsk, { kind: 'tones' }>
type Standing = Omit<LaneStep, 'hopFrets' | 'hopMm'>

/** Places further from the leading tone than a hand spans are not tried. */
const NEAR_FRETS = 6

export function tonesLane(
  steps: readonly LaneChord[],
  ask: TonesAsk,
  hand: LaneHand,
  fretMax: number,
  start = 0,
): readonly Standing[] {
  const lead = ask.tones.find(({ number }) => number === 1) ?? requireAt(ask.tones, 0)
  const notes = steps.map(({ chord }) => chord.root)
  let from = start - 1
  return steps.map(({ step, chord }): Standing => {
    const base = { step, chord, string: lead.string, refused: undefined }
    let gap: LaneStep['gap'] = 'past'
    const above = leadFrets(chord, lead, hand, fretMax).filter((one) => one > from)
    // The lane begins at the nut or an octave up; then it goes to the next place and never leaps.
    for (const fret of above.slice(0, from < start ? 2 : 1)) {
      const shape = shapeAround(chord, ask, lead, fret, hand, fretMax)
      if (shape) {
        from = fret
        return { ...base, shape: withRinging(shape, chord, hand, notes), gap: undefined, instead: undefined }
      }
      gap = ask.tones.some(({ number }) => toneOf(chord, number) === undefined) ? 'no-tone' : 'reach'
    }
    const [next] = above
    if (next === undefined) return { ...base, shape: undefined, gap, instead: undefined }
    from = next
    return { ...base, shape: undefined, gap, instead: nearest(chord, ask, lead, next, hand, fretMax, notes) }
  })
}

/** From the nut up; an open string is fret 0. */
function leadFrets(chord: Chord, { number, string }: PlacedTone, hand: LaneHand, fretMax: number): readonly number[] {
  const degree = toneOf(chord, number)
  return degree === undefined ? [] : fretsOf(chord, degree, string, hand, fretMax)
}

function fretsOf(chord: Chord, degree: Degree, string: number, { neck }: LaneHand, fretMax: number): readonly number[] {
  const wanted = (pitchClassOf(chord.root) + degreePitchClass(degree)) % 12
  const frets: number[] = []
  for (let fret = 0; fret <= Math.min(fretMax, neck.lastFret); fret++) {
    if (fret > 0 && fret < (neck.firstFret[string] as number)) continue
    if (soundingMidi(neck, string, fret) % 12 === wanted) frets.push(fret)
  }
  return frets
}

/** The tones around the leading one that the hand holds with least reach. */
function shapeAround(
  chord: Chord,
  ask: TonesAsk,
  lead: PlacedTone,
  fret: number,
  hand: LaneHand,
  fretMax: number,
): LaneShape | undefined {
  const choices = ask.tones.map((tone): readonly number[] => {
    if (tone === lead) return [fret]
    const degree = toneOf(chord, tone.number)
    if (degree === undefined) return []
    return fretsOf(chord, degree, tone.string, hand, fretMax).filter(
      (one) => one === 0 || fret === 0 || Math.abs(one - fret) <= NEAR_FRETS,
    )
  })
  return best(choices, chord, ask, hand, fretMax)
}

function best(
  choices: readonly (readonly number[])[],
  chord: Chord,
  ask: TonesAsk,
  hand: LaneHand,
  fretMax: number,
): LaneShape | undefined {
  let found: LaneShape | undefined
  const ways = choices.reduce<readonly (readonly number[])[]>(
    (all, next) => all.flatMap((way) => next.map((fret) => [...way, fret])),
    [[]],
  )
  for (const way of ways) {
    const frets: (number | null)[] = hand.neck.open.map((_, string) => (ask.ring.includes(string) ? 0 : null))
    for (const [index, { string }] of ask.tones.entries()) frets[string] = way[index] as number
    const placed = held(frets, chord, hand, fretMax)
    if ('shape' in placed && (found === undefined || placed.shape.reachMm < found.reachMm)) found = placed.shape
  }
  return found
}

/**
 * Where the step's own tones can't be had so: the same strings with other tones of its seventh chord, the leading tone
 * kept, as few changed as can be, and what that is.
 */
function nearest(
  chord: Chord,
  ask: TonesAsk,
  lead: PlacedTone,
  fret: number,
  hand: LaneHand,
  fretMax: number,
  notes: readonly NoteName[],
): Instead | undefined {
  const choices = ask.tones.map((tone): readonly number[] =>
    tone === lead
      ? [fret]
      : chord.formula
          .flatMap((degree) => fretsOf(chord, degree, tone.string, hand, fretMax))
          .filter((one) => one === 0 || Math.abs(one - fret) <= NEAR_FRETS),
  )
  const shape = best(choices, chord, ask, hand, fretMax)
  const name = shape && namesOf(pressedOnly(shape.frets, ask), hand.neck, { near: chord })[0]
  return shape && name ? { shape: withRinging(shape, name.chord, hand, notes), chord: name.chord } : undefined
}

const pressedOnly = (frets: Frets, { tones }: TonesAsk): Frets =>
  frets.map((fret, string) => (tones.some((tone) => tone.string === string) ? fret : null))

/** What a ringing string is in the chord, though the chord does not have it; spelled by the key where it is of the key. */
function withRinging(shape: LaneShape, chord: Chord, { neck }: LaneHand, notes: readonly NoteName[]): LaneShape {
  const degrees = shape.degrees.map((degree, string) => {
    const fret = shape.frets[string]
    if (degree !== null || fret === null || fret === undefined) return degree
    const sounding = soundingMidi(neck, string, fret) % 12
    const note = notes.find((one) => pitchClassOf(one) === sounding)
    const spelled = note && degreeBetween(chord.root, note)
    const above = (sounding - pitchClassOf(chord.root) + 12) % 12
    return spelled ? added(spelled) : degreeAmong(above, formulaMask(chord.formula) | (1 << above))
  })
  return { ...shape, degrees }
}

const WIDE: Readonly<Record<number, string>> = { 2: '9', 4: '11', 6: '13' }
/** An added tone is told as one: ♭6 is a ♭13. */
const added = (degree: Degree): Degree => {
  const wide = WIDE[stepOf(degree)]
  return wide === undefined ? degree : (degree.replace(/\d+$/, wide) as Degree)
}
