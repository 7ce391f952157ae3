/**
 * What is looked at in a shape: numbers by term, each a feature of the shape and of what was asked, never a list of shapes.
 *   chord + neck + manner ─featureReader→ frets ─→ a row of numbers, one for each of TASTE_TERMS
 * Units: strings count from the lowest as index 0, frets from the nut, pitches are MIDI numbers.
 */
import { bassDegreeOf, type Chord, omittableDegrees } from '../chord/index.ts'
import { type HandProfile, isMuddy, reachBetweenMm } from '../hand/index.ts'
import { type Neck, soundingMidi } from '../neck/index.ts'
import { type Degree, degreePitchClass, pitchClassOf, stepOf } from '../pitch/index.ts'
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

/** Up there the frets are narrow and the body is in the way: each of them counts twice. */
const NARROW_FROM = 9
/** How far up the neck a shape lies, in frets, from its lowest pressed fret. */
export const frettedUp = (lowest: number): number => lowest + Math.max(0, lowest - NARROW_FROM)

/** Of a shape, each term's number, in the order of `TASTE_TERMS`. */
export type Features = Float64Array

/** Where each term stands in the row: looked up by name once, not for every shape. */
const AT = Object.fromEntries(TASTE_TERMS.map((term, index) => [term, index])) as Record<TasteTerm, number>

const isTension = (degree: Degree): boolean => stepOf(degree) > 7

/** Of a chord, what its shapes are looked at for. */
interface Tones {
  /** The formula, and a slash bass that is none of it. */
  readonly degrees: readonly Degree[]
  /** By pitch class: the place among the degrees, −1 for none of them. */
  readonly at: Int8Array
  /** By degree: what it costs to leave it out, as a term; nothing for a foreign bass. */
  readonly leftOut: readonly (readonly [term: number, times: number] | undefined)[]
  /** By degree: as which it is heard in the bass. */
  readonly asBass: readonly number[]
  readonly slash: number
  readonly root: number
  readonly fifth: number
  /** Third, or the suspension in its place, and seventh, or the sixth. */
  readonly third: number
  readonly seventh: number
  readonly isTension: readonly boolean[]
}

function tonesOf(chord: Chord): Tones {
  const { formula } = chord
  const bass = bassDegreeOf(chord)
  const degrees = bass === undefined || formula.includes(bass) ? formula : [...formula, bass]
  const root = pitchClassOf(chord.root)
  const at = new Int8Array(12).fill(-1)
  for (const [index, degree] of degrees.entries()) {
    const pitchClass = (root + degreePitchClass(degree)) % 12
    if (at[pitchClass] === -1) at[pitchClass] = index
  }
  const find = (...tests: readonly ((degree: Degree) => boolean)[]) =>
    tests.reduce((found, test) => (found >= 0 ? found : formula.findIndex(test)), -1)
  const third = find(
    (degree) => stepOf(degree) === 3,
    (degree) => degree === '4' || degree === '2',
  )
  const seventh = find(
    (degree) => stepOf(degree) === 7,
    (degree) => degree === '6',
  )
  const omittable = omittableDegrees(formula)
  /** A tension below the highest one is left out before anything that tells the chord, unless it is altered. */
  const highest = formula.reduce((most, degree) => Math.max(most, stepOf(degree)), 0)
  const mayGo = (degree: Degree) =>
    isTension(degree) && (omittable.includes(degree) || (/^\d+$/.test(degree) && stepOf(degree) < highest))
  return {
    degrees,
    at,
    leftOut: degrees.map((degree, index) => {
      if (index >= formula.length) return undefined
      if (degree === '5') return [AT.noFifth, formula.length === 3 ? 4 : 1]
      if (degree === 'R') return [AT.noRoot, 1]
      return [mayGo(degree) ? AT.noNinth : AT.undefined, 1]
    }),
    asBass: degrees.map((degree, index) => {
      const step = stepOf(degree)
      if (index === third || step === 3) return AT.thirdInBass
      if (step === 5 || degree === 'R') return AT.fifthInBass
      return index === seventh || step === 7 ? AT.seventhInBass : AT.tensionInBass
    }),
    slash: bass === undefined ? -1 : degrees.indexOf(bass),
    root: formula.indexOf('R'),
    fifth: formula.indexOf('5'),
    third,
    seventh,
    isTension: degrees.map(isTension),
  }
}

/**
 * @returns What gives the numbers of one shape after another, all but the hand's effort: its frets from a place on, −1 where a
 * string is silent; the row is filled anew at every call. Thousands of shapes a
 * chord: it makes nothing anew inside.
 */
export function featureReader(chord: Chord, neck: Neck, hand: HandProfile, context: TasteContext) {
  const tones = tonesOf(chord)
  const { formula } = chord
  const isTriad = formula.length === 3
  const isLarge = formula.length > 3
  const isPower = formula.length === 2
  const [fewest, most] = isPower ? POWER_VOICES : VOICES[context.manner]
  const bassWanted = tones.slash >= 0 ? tones.slash : tones.root
  const strings = neck.open.length
  const row: Features = new Float64Array(TASTE_TERMS.length)
  const add = (term: number, value: number) => {
    row[term] = (row[term] as number) + value
  }
  // The sounding tones: by string from the lowest, and the same by pitch.
  const stringOf = new Int8Array(strings)
  const fretOf = new Int8Array(strings)
  const midi = new Int16Array(strings)
  const degree = new Int8Array(strings)
  const counts = new Uint8Array(tones.degrees.length)

  /** @returns how many sound; both orders are filled. */
  const take = (frets: Int8Array, from: number): number => {
    let count = 0
    counts.fill(0)
    for (let string = 0; string < strings; string++) {
      const fret = frets[from + string] as number
      if (fret < 0) continue
      stringOf[count] = string
      fretOf[count] = fret
      const pitch = soundingMidi(neck, string, fret)
      const tone = tones.at[pitch % 12] as number
      if (tone >= 0) counts[tone] = (counts[tone] as number) + 1
      let place = count++
      for (; place > 0 && (midi[place - 1] as number) > pitch; place--) {
        midi[place] = midi[place - 1] as number
        degree[place] = degree[place - 1] as number
      }
      midi[place] = pitch
      degree[place] = tone
    }
    return count
  }

  const ofTones = () => {
    let missing = 0
    let doubled = 0
    for (let tone = 0; tone < tones.degrees.length; tone++) {
      const sounds = counts[tone] as number
      const leftOut = tones.leftOut[tone]
      if (sounds === 0 && leftOut) {
        missing++
        add(leftOut[0], leftOut[1])
      }
      if (sounds < 2) continue
      doubled += sounds - 1
      if (tone === tones.third) add(AT.doubledThird, sounds - 1)
      if (tone === tones.seventh || tones.isTension[tone]) add(AT.doubledTension, sounds - 1)
      if (tone >= formula.length) add(AT.bassAgain, sounds - 1)
    }
    add(AT.waste, Math.min(doubled, missing))
    if (isLarge) add(AT.doubled, doubled)
    const bass = degree[0] as number
    if (tones.slash >= 0 && bass !== tones.slash) add(AT.undefined, 2)
    if (!context.bassAsked && bass >= 0 && bass !== bassWanted) add(tones.asBass[bass] as number, 1)
  }

  const ofStrings = (count: number) => {
    if (count < 2) return
    const [low, next, top] = [stringOf[0] as number, stringOf[1] as number, stringOf[count - 1] as number]
    add(AT.bassApart, next - low - 1)
    add(AT.silentInside, top - next + 1 - (count - 1))
    // A power chord is three strings anywhere.
    if (!isPower) {
      add(AT.thinSilent, strings - 1 - top)
      add(AT.dark, top < strings - 2 ? 1 : 0)
    }
    add(AT.highBass, Math.max(0, low - 1))
    add(AT.sixthString, low === 0 ? 1 : 0)
    add(AT.few, Math.max(0, fewest - count))
    add(AT.many, Math.max(0, count - most))
    if (isTriad) add(AT.fullTriad, Math.max(0, count - 3))
  }

  const ofFrets = (count: number) => {
    let [lowest, highest, open] = [0, 0, 0]
    let [firstPressed, lastPressed] = [count, -1]
    for (let at = 0; at < count; at++) {
      const fret = fretOf[at] as number
      if (fret === 0) open++
      else {
        if (firstPressed === count) firstPressed = at
        lastPressed = at
        if (lowest === 0 || fret < lowest) lowest = fret
        if (fret > highest) highest = fret
      }
    }
    add(AT.upTheNeck, frettedUp(lowest))
    if (lowest > 0) add(AT.stretch, Math.max(0, (reachBetweenMm(neck, lowest, highest) / hand.comfortableMm - 1) * 10))
    if (open > 0) {
      if (highest <= 4) add(AT.openRings, open)
      add(AT.openFar, Math.max(0, lowest - 4))
      // The hand lies over a ringing string: beyond fret 3, or the index at fret 1 with others past it.
      for (let at = 1; at < count; at++) {
        const isUnder = lowest > 3 ? at > firstPressed : fretOf[at - 1] === 1 && at < lastPressed
        if (fretOf[at] === 0 && isUnder) add(AT.openAmid, 1)
      }
    }
    // The lowest string is not always the lowest tone, so the bass is looked for by its pitch.
    if (degree[0] === tones.root) {
      let bass = 0
      while (soundingMidi(neck, stringOf[bass] as number, fretOf[bass] as number) !== midi[0]) bass++
      // A ninth chord has its third one fret under the root, open C and G have theirs two: those are no turned forms yet.
      add(AT.turned, Math.min(2, Math.max(0, (fretOf[bass] as number) - lowest - (open > 0 ? 2 : 1))))
    }
    if (open > 0) return
    // Back to the lowest fret lies the index, which may lie across; elsewhere a finger bends away from the others.
    for (let at = 1; at < count; at++)
      if (fretOf[at] !== lowest) add(AT.diagonal, Math.max(0, (fretOf[at - 1] as number) - (fretOf[at] as number)))
  }

  const ofPitches = (count: number) => {
    let guide = 128
    for (let at = 0; at < count; at++)
      if (degree[at] === tones.third || degree[at] === tones.seventh) guide = Math.min(guide, midi[at] as number)
    let [squares, sum] = [0, 0]
    for (let at = 1; at < count; at++) {
      const gap = (midi[at] as number) - (midi[at - 1] as number)
      sum += gap
      squares += gap * gap
      if (gap === 0) add(AT.unison, 1)
      if (isMuddy(midi[at - 1] as number, gap)) add(AT.muddy, 1)
      const tone = degree[at] as number
      if (tone >= 0 && tones.isTension[tone] && (midi[at] as number) < guide) add(AT.tensionUnder, 1)
    }
    const gaps = Math.max(1, count - 1)
    add(AT.uneven, (squares / gaps - (sum / gaps) ** 2) / 10)
    if (degree[0] === tones.root && tones.fifth >= 0 && degree[1] === tones.fifth && count > 1)
      add(AT.fifthOnRoot, (midi[1] as number) - (midi[0] as number) < 12 ? 1 : 0)
  }

  return (frets: Int8Array, from: number): Features => {
    row.fill(0)
    const count = take(frets, from)
    if (count === 0) return row
    ofTones()
    ofStrings(count)
    ofFrets(count)
    ofPitches(count)
    return row
  }
}
