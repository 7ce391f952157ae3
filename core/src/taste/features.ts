/**
 * What is looked at in a shape: numbers by term, each a feature of the shape and of what was asked, never a list of shapes.
 *   chord + neck + manner ─featureReader→ (frets, effort, reach) ─→ a row of numbers, one for each of TASTE_TERMS
 * Units: strings count from the lowest as index 0, frets from the nut, pitches are MIDI numbers.
 */
import { bassDegreeOf, type Chord, omittableDegrees } from '../chord/index.ts'
import { type HandProfile, reachMm, registerWarnings } from '../hand/index.ts'
import { type Neck, soundingMidi } from '../neck/index.ts'
import { type Degree, degreePitchClass, pitchClassOf, stepOf } from '../pitch/index.ts'
import type { Frets } from '../voicing/index.ts'
import { type Manner, TASTE_TERMS, type TasteContext, type TasteTerm } from './types.ts'

/** Fewest and most strings at ease. */
const VOICES: Readonly<Record<Manner, readonly [number, number]>> = {
  open: [5, 6],
  barre: [5, 6],
  comp: [4, 4],
  bossa: [4, 4],
  funk: [4, 4],
  blues: [4, 5],
  solo: [4, 6],
}
const POWER_VOICES = [3, 3] as const

/** Of a shape, each term's number, in the order of `TASTE_TERMS`. */
export type Features = Float64Array

const INDEX = Object.fromEntries(TASTE_TERMS.map((term, index) => [term, index])) as Record<TasteTerm, number>

const isTension = (degree: Degree): boolean => stepOf(degree) > 7

/** @returns What gives the numbers of one shape after another; the row is filled anew at every call. */
export function featureReader(chord: Chord, neck: Neck, hand: HandProfile, context: TasteContext) {
  const root = pitchClassOf(chord.root)
  const { formula } = chord
  const slash = bassDegreeOf(chord)
  const isForeign = slash !== undefined && !formula.includes(slash)
  const tones: (Degree | undefined)[] = Array.from({ length: 12 })
  for (const degree of formula) tones[(root + degreePitchClass(degree)) % 12] ??= degree
  if (slash !== undefined) tones[(root + degreePitchClass(slash)) % 12] ??= slash
  const omittable = new Set(omittableDegrees(formula))
  const isTriad = formula.length === 3
  const isPower = formula.length === 2
  /** A tension below the highest one is left out before anything that tells the chord, unless it is altered. */
  const highestTension = formula.reduce((most, degree) => Math.max(most, stepOf(degree)), 0)
  const mayGo = (degree: Degree) =>
    omittable.has(degree) || (/^\d+$/.test(degree) && isTension(degree) && stepOf(degree) < highestTension)
  const hasFifth = formula.includes('5')
  const [fewest, most] = isPower ? POWER_VOICES : VOICES[context.manner]
  const third = formula.find((degree) => stepOf(degree) === 3) ?? formula.find((one) => one === '4' || one === '2')
  const seventh = formula.find((degree) => stepOf(degree) === 7) ?? formula.find((one) => one === '6')
  const bassWanted = slash ?? 'R'
  const row: Features = new Float64Array(TASTE_TERMS.length)
  const set = (term: TasteTerm, value: number) => {
    row[INDEX[term]] = value
  }
  return (frets: Frets, effort: number, crowded: boolean): Features => {
    row.fill(0)
    const strings = frets.length
    const sounding: { string: number; fret: number; midi: number; degree: Degree | undefined }[] = []
    for (let string = 0; string < strings; string++) {
      const fret = frets[string]
      if (fret === null || fret === undefined) continue
      const midi = soundingMidi(neck, string, fret)
      sounding.push({ string, fret, midi, degree: tones[midi % 12] })
    }
    const byPitch = sounding.toSorted((a, b) => a.midi - b.midi)
    const bass = byPitch[0]
    if (!bass) return row
    const pressed = sounding.filter(({ fret }) => fret > 0).map(({ fret }) => fret)
    const lowest = pressed.length > 0 ? Math.min(...pressed) : 0
    const highest = pressed.length > 0 ? Math.max(...pressed) : 0
    const degrees = sounding.map(({ degree }) => degree)
    const has = (degree: Degree) => degrees.includes(degree)
    const count = (degree: Degree) => degrees.filter((one) => one === degree).length

    set('easy', effort)
    const reach = reachMm(neck, frets)
    set('stretch', Math.max(0, (reach / hand.comfortableMm - 1) * 10) + (crowded ? 1 : 0))

    let missing = 0
    for (const degree of formula) {
      if (has(degree)) continue
      missing++
      if (degree === '5') set('noFifth', isTriad ? 4 : 1)
      else if (degree === 'R') set('noRoot', 1)
      else if (mayGo(degree) && isTension(degree)) row[INDEX.noNinth] = (row[INDEX.noNinth] ?? 0) + 1
      else row[INDEX.undefined] = (row[INDEX.undefined] ?? 0) + 1
    }
    if (slash !== undefined && bass.degree !== slash) row[INDEX.undefined] = (row[INDEX.undefined] ?? 0) + 2

    if (!context.bassAsked && bass.degree !== bassWanted && bass.degree !== undefined) {
      const step = stepOf(bass.degree)
      if (bass.degree === third || step === 3) set('thirdInBass', 1)
      else if (step === 5) set('fifthInBass', 1)
      else if (bass.degree === seventh || step === 7) set('seventhInBass', 1)
      else if (bass.degree !== 'R') set('tensionInBass', 1)
      else set('fifthInBass', 1)
    }

    const low = sounding[0]
    const next = sounding[1]
    const top = sounding.at(-1)
    if (low && next && top) {
      set('bassApart', next.string - low.string - 1)
      set('silentInside', top.string - next.string + 1 - (sounding.length - 1))
      // A power chord is three strings anywhere.
      if (!isPower) {
        set('thinSilent', strings - 1 - top.string)
        set('dark', top.string < strings - 2 ? 1 : 0)
      }
      set('highBass', Math.max(0, low.string - 1))
      set('sixthString', low.string === 0 ? 1 : 0)
    }
    const open = sounding.filter(({ fret }) => fret === 0)
    if (open.length > 0) {
      set('openRings', highest <= 4 ? open.length : 0)
      set('openFar', Math.max(0, lowest - 4))
      set(
        'openAmid',
        lowest > 3
          ? open.filter(({ string }) => string > (sounding.find(({ fret }) => fret > 0)?.string ?? 9)).length
          : 0,
      )
    }
    set('upTheNeck', lowest)
    set('few', Math.max(0, fewest - sounding.length))
    set('many', Math.max(0, sounding.length - most))

    let doubled = 0
    for (const degree of new Set(degrees)) {
      if (degree === undefined) continue
      const extra = count(degree) - 1
      if (extra <= 0) continue
      doubled += extra
      if (stepOf(degree) === 3) set('doubledThird', extra)
      if (degree === seventh || isTension(degree)) row[INDEX.doubledTension] = (row[INDEX.doubledTension] ?? 0) + extra
    }
    if (formula.length > 3 && sounding.length === 4 && doubled > 0) set('doubledInFour', doubled)
    set('waste', Math.min(doubled, missing))
    set('unison', byPitch.filter(({ midi }, index) => index > 0 && byPitch[index - 1]?.midi === midi).length)
    set(
      'muddy',
      registerWarnings(
        byPitch.map(({ midi }) => midi),
        false,
      ).length,
    )
    const guide = Math.min(
      ...byPitch.filter(({ degree }) => degree === third || degree === seventh).map(({ midi }) => midi),
    )
    set(
      'tensionUnder',
      byPitch.filter(({ degree, midi }, index) => index > 0 && degree && isTension(degree) && midi < guide).length,
    )
    const second = byPitch[1]
    set(
      'fifthOnRoot',
      hasFifth && bass.degree === 'R' && second?.degree === '5' && second.midi - bass.midi < 12 ? 1 : 0,
    )
    const gaps = byPitch.slice(1).map(({ midi }, index) => midi - (byPitch[index]?.midi ?? midi))
    const mean = gaps.reduce((sum, gap) => sum + gap, 0) / Math.max(1, gaps.length)
    set('uneven', gaps.reduce((sum, gap) => sum + (gap - mean) ** 2, 0) / Math.max(1, gaps.length) / 10)
    if (open.length === 0) {
      if (bass.degree === 'R') set('turned', Math.min(2, bass.fret - lowest))
      let falls = 0
      for (let index = 1; index < sounding.length; index++)
        falls += Math.max(0, (sounding[index - 1]?.fret ?? 0) - (sounding[index]?.fret ?? 0))
      set('diagonal', falls)
    }
    if (isForeign && slash !== undefined) set('bassAgain', count(slash) - 1)
    if (isTriad) set('fullTriad', Math.max(0, sounding.length - 3))
    return row
  }
}
