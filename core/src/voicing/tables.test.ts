/**
 * The movable shapes of the usual arrangements, worked out by arithmetic alone: a voice's pitch is the bass plus the
 * semitones of the stack, and a string's fret is that pitch less its open string. The search must find the same.
 */
import { expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { degreePitchClass, pitchClassOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { fretsAt, type NamedArrangement, searchVoicings, writeFrets } from './index.ts'

const OPEN = [40, 45, 50, 55, 59, 64]
const LAST = 24
const neck = neckOf({ ...STANDARD_INSTRUMENT, frets: LAST, lastReachableFret: LAST })

/** Which tone of the chord (0 is the root) each voice plays, lowest first, in every inversion. By pencil. */
const STACKS: Readonly<Partial<Record<NamedArrangement, readonly (readonly number[])[]>>> = {
  'drop-2': ['0231', '1302', '2013', '3120'].map((stack) => [...stack].map(Number)),
  'drop-3': ['0312', '1023', '2130', '3201'].map((stack) => [...stack].map(Number)),
  'drop-2-4': ['0213', '1320', '2031', '3102'].map((stack) => [...stack].map(Number)),
}
const TRIAD_STACKS: Readonly<Partial<Record<NamedArrangement, readonly (readonly number[])[]>>> = {
  close: [
    [0, 1, 2],
    [1, 2, 0],
    [2, 0, 1],
  ],
  spread: [
    [0, 2, 1],
    [1, 0, 2],
    [2, 1, 0],
  ],
}

const permutations = (of: readonly number[]): readonly (readonly number[])[] =>
  of.length === 0
    ? [[]]
    : of.flatMap((one) => permutations(of.filter((other) => other !== one)).map((rest) => [one, ...rest]))

/** Every shape of a stack on a string set: each voice the nearest such tone above the one before. */
function shapesByArithmetic(
  tones: readonly number[],
  stacks: readonly (readonly number[])[],
  strings: readonly number[],
  span: number,
): readonly string[] {
  const shapes = new Set<string>()
  for (const stack of stacks)
    for (let bass = OPEN[0] as number; bass <= (OPEN.at(-1) as number) + LAST; bass++) {
      if (bass % 12 !== tones[stack[0] as number]) continue
      const pitches: number[] = [bass]
      for (const voice of stack.slice(1)) {
        let pitch = (pitches.at(-1) as number) + 1
        while (pitch % 12 !== tones[voice]) pitch++
        pitches.push(pitch)
      }
      // Any voice may lie on any string of the set: a low voice high up a low string too.
      for (const order of permutations(strings)) {
        const frets: (number | null)[] = OPEN.map(() => null)
        for (const [voice, string] of order.entries())
          frets[string] = (pitches[voice] as number) - (OPEN[string] as number)
        const pressed = frets.filter((fret): fret is number => fret !== null)
        if (pressed.every((fret) => fret >= 1 && fret <= LAST) && Math.max(...pressed) - Math.min(...pressed) <= span)
          shapes.add(writeFrets(frets))
      }
    }
  return [...shapes].sort()
}

const setsOf = (size: number): readonly (readonly number[])[] =>
  Array.from({ length: 64 }, (_, mask) => [0, 1, 2, 3, 4, 5].filter((string) => (mask >> string) & 1)).filter(
    (set) => set.length === size,
  )

function searched(symbol: string, name: NamedArrangement, strings: readonly number[], span: number) {
  const chord = must(readSymbol(symbol))
  const found = searchVoicings({
    chord,
    neck,
    stringSets: [strings],
    arrangement: { kind: 'named', name },
    school: 'drop-fifth',
    doubling: false,
    fretMin: 1,
    fretMax: LAST,
    span,
    reachLimitMm: 0,
    open: 'never',
  })
  const tones = chord.formula.map((degree) => (pitchClassOf(chord.root) + degreePitchClass(degree)) % 12)
  const shapes = Array.from({ length: found.count }, (_, row) => writeFrets(fretsAt(found, row))).sort()
  return { shapes, tones }
}

const SEVENTHS = ['maj7', '7', 'm7', 'm7b5', 'dim7', 'm(maj7)', '7#5', 'maj7#5', '7b5', '7sus4']

test.each(SEVENTHS)('drop 2, drop 3 and drop 2 & 4 of A%s on all fifteen sets of four strings', (suffix) => {
  let shapes = 0
  for (const strings of setsOf(4))
    for (const [name, stacks] of Object.entries(STACKS) as [NamedArrangement, readonly (readonly number[])[]][]) {
      const found = searched(`A${suffix}`, name, strings, 5)
      expect(found.shapes).toEqual(shapesByArithmetic(found.tones, stacks, strings, 5))
      shapes += found.shapes.length
    }
  expect(shapes).toBeGreaterThan(100)
})

test.each(['', 'm', 'dim', 'aug', 'sus2', 'sus4'])(
  'close and spread D%s on all twenty sets of three strings',
  (suffix) => {
    let shapes = 0
    for (const strings of setsOf(3))
      for (const [name, stacks] of Object.entries(TRIAD_STACKS) as [
        NamedArrangement,
        readonly (readonly number[])[],
      ][]) {
        const found = searched(`D${suffix}`, name, strings, 5)
        expect(found.shapes).toEqual(shapesByArithmetic(found.tones, stacks, strings, 5))
        shapes += found.shapes.length
      }
    expect(shapes).toBeGreaterThan(50)
  },
)
