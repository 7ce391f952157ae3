/** The engine: enumeration against trying everything, the complete ranked answer, naming, memory. */

import { answerTo } from '../../core/src/answer/index.ts'
import { arpeggioOf, positionsOf } from '../../core/src/arpeggio/index.ts'
import { CATALOGUE, readSymbol, symbolSuffix } from '../../core/src/chord/index.ts'
import { fingeringsOf, handOn, MEDIUM_HAND } from '../../core/src/hand/index.ts'
import { DEPTHS, readKey, scalesFor } from '../../core/src/key/index.ts'
import { type KeyQuestion, keyOnNeck, usualAsks } from '../../core/src/lane/index.ts'
import { namesOf } from '../../core/src/name/index.ts'
import { COMMON_TUNINGS, neckOf, STANDARD_INSTRUMENT } from '../../core/src/neck/index.ts'
import { PATH_WISHES, type PathQuestion, pathSolver, rememberingSolver } from '../../core/src/path/index.ts'
import { type Player, readQuestion } from '../../core/src/request/index.ts'
import { must } from '../../core/src/result/index.ts'
import { PATH_WEIGHTS } from '../../core/src/tune/index.ts'
import { everyVoicing, everyVoicingOfTones } from '../../core/src/voicing/everyVoicing.testkit.ts'
import { searchVoicings, type VoicingQuery } from '../../core/src/voicing/index.ts'
import { medianMs, ms, printTable } from './table.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const player: Player = {
  instrument: STANDARD_INSTRUMENT,
  ownTunings: [],
  hand: MEDIUM_HAND,
  school: 'drop-fifth',
  thumb: false,
  naming: ['letters'],
  withBassPlayer: true,
}
const asking = (symbol: string): VoicingQuery => ({
  chord: must(readSymbol(symbol)),
  neck,
  arrangement: { kind: 'any' },
  school: 'drop-fifth',
  doubling: false,
  fretMin: 1,
  fretMax: 15,
  reachLimitMm: MEDIUM_HAND.stretchMm,
  open: 'never',
})
const once = (call: () => unknown): number => {
  const start = performance.now()
  call()
  return performance.now() - start
}
const times = (ratio: number): string => `${Math.round(ratio).toLocaleString('en')}×`

console.log('\nEnumeration on all string subsets, frets 1 to 15. Trying every fret takes a minute a chord.')
printTable(
  ['chord', 'shapes', 'search', 'chord tones only', 'ratio', 'every fret', 'ratio'],
  ['C7', 'Cmaj7', 'C9', 'C7b9'].map((symbol) => {
    const query = asking(symbol)
    const { count } = searchVoicings(query)
    const fast = medianMs(200, () => searchVoicings(query), 50)
    const tones = medianMs(3, () => everyVoicingOfTones(query), 1)
    const all = symbol === 'C7' || symbol === 'C9' ? once(() => everyVoicing(query)) : undefined
    return [
      symbol,
      String(count),
      ms(fast),
      ms(tones),
      times(tones / fast),
      all === undefined ? '' : ms(all),
      all === undefined ? '' : times(all / fast),
    ]
  }),
)

const whole = (suffix: string) => {
  const question = readQuestion({ chord: `C${suffix}` }, player)
  if (!question.ok) throw new Error(question.error.code)
  return question.value
}
const sized = CATALOGUE.map(({ formula, suffix }) => {
  const question = whole(/^[b#]/.test(suffix) ? `(${suffix})` : suffix)
  return {
    question,
    suffix,
    tones: formula.length,
    count: searchVoicings({ ...asking('C'), chord: question.chord }).count,
  }
})
const most = sized.toSorted((a, b) => b.count - a.count).slice(0, 3)
const plain = sized.filter(({ suffix }) => ['13#11', '9', '7', ''].includes(suffix))

console.log(
  '\nThe complete ranked answer: arrangement, names, reach, fingering, muting, register; all string sets, 15 frets.',
)
printTable(
  ['chord', 'tones', 'shapes', 'median'],
  [...most, ...plain].map(({ question, suffix, tones, count }) => [
    `C${suffix}`,
    String(tones),
    String(count),
    ms(medianMs(31, () => answerTo(question, player), 10)),
  ]),
)

const [largest] = most
if (!largest) throw new Error('the catalogue is empty')
const shapes = answerTo(largest.question, player).shapes.map(({ frets }) => frets)
console.log(`\nPer shape, over the ${shapes.length} shapes of C${largest.suffix}.`)
const finder = handOn(neck, MEDIUM_HAND).bestFingering
const perShape = (call: (frets: (typeof shapes)[number]) => unknown) =>
  `${((1000 * medianMs(15, () => shapes.forEach(call))) / shapes.length).toFixed(1)} µs`
printTable(
  ['step', 'per shape'],
  [
    ['every name of one shape', perShape((frets) => namesOf(frets, neck))],
    ['the best fingering', perShape(finder)],
    ['the same from all fingerings', perShape((frets) => fingeringsOf(neck, frets, MEDIUM_HAND)[0])],
  ],
)

const necks = [
  ['guitar, 6 strings', neck],
  ...COMMON_TUNINGS.filter(({ strings }) => strings.length > 6).map(
    (tuning) => [tuning.name, neckOf({ ...STANDARD_INSTRUMENT, tuning, frets: 24, lastReachableFret: 24 })] as const,
  ),
] as const
console.log(
  '\nAn arpeggio under one hand, all positions of the neck, and the scales: the slowest chord of the catalogue.',
)
printTable(
  ['instrument', 'chord', 'median'],
  necks.map(([name, on]) => {
    const timed = CATALOGUE.map(({ suffix, formula }) => {
      const chord = { root: 'C', formula } as const
      const view = () => [
        arpeggioOf(chord, on, MEDIUM_HAND, { kind: 'position', at: 5 }),
        arpeggioOf(chord, on, MEDIUM_HAND, { kind: 'diagonal', string: 0, at: 5, octaves: 3 }),
        positionsOf(chord, on, MEDIUM_HAND),
        scalesFor(chord),
      ]
      return { suffix, time: medianMs(5, view, 2) }
    })
    const slowest = timed.reduce((most, one) => (one.time > most.time ? one : most))
    return [name, `C${slowest.suffix}`, ms(slowest.time)]
  }),
)

console.log(
  '\nA whole key: seven steps, two lanes by root, and the lane that fits each of twelve keys; the slowest of keys and depths.',
)
printTable(
  ['instrument', 'slowest', 'median of it'],
  necks.map(([name, on]) => {
    const timed = DEPTHS.flatMap((depth) =>
      ['C', 'Eb', 'F# Dorian', 'A harmonic minor'].map((text) => {
        const question: KeyQuestion = {
          key: must(readKey(text)),
          depth,
          school: 'honest',
          asks: usualAsks(on),
          fifthInBass: false,
        }
        return { told: `${text} ${depth}`, time: medianMs(5, () => keyOnNeck(question, on, MEDIUM_HAND), 2) }
      }),
    )
    const slowest = timed.reduce((most, one) => (one.time > most.time ? one : most))
    return [name, slowest.told, ms(slowest.time)]
  }),
)

/** Thirty-two different chords, four strings of any set, any arrangement, fifteen frets, round and round, the five best ways. */
const TUNE =
  'Fm9 Bbm7 Eb13 Abmaj9 Dbmaj7 Gm7b5 C7b9 Fm7 Db9 C7#9 Fm6 Bbm9 Eb7b9 Abmaj7 Cm7 Dm7b5 G7b9 Cmaj7 Cm9 F13 Bb7 Ebmaj7 Ab6 Am7b5 D7b9 Gmaj7 Am7 D7 Gm7 C9 Fmaj7 E7#9'
const tune = TUNE.split(' ').map((symbol) => must(readSymbol(symbol)))
const pathQuestion = (times: number, loop: boolean): PathQuestion => ({
  chords: Array.from({ length: times }, () => tune).flat(),
  neck,
  hand: MEDIUM_HAND,
  thumb: false,
  wishes: PATH_WISHES,
  weights: PATH_WEIGHTS,
  loop,
  held: [],
  best: 5,
})
console.log('\nThe least path: all sets of four strings, all arrangements, 15 frets, the five best ways, exact.')
const remembering = rememberingSolver()
const changed: PathQuestion = { ...pathQuestion(1, true), chords: tune.with(9, must(readSymbol('Gb13'))) }
/** What the costs of all other shapes of a chord take beyond the path itself, for eight chords of the tune. */
const moreForOthers = (loop: boolean): number => {
  const solver = remembering(pathQuestion(1, loop))
  solver.best()
  return medianMs(5, () => [0, 4, 8, 12, 16, 20, 24, 28].map((chord) => solver.alternatives(chord, 8)), 2) / 8
}
printTable(
  ['tune', 'median'],
  [
    ['32 chords, round and round', ms(medianMs(5, () => pathSolver(pathQuestion(1, true)).best(), 2))],
    ['32 chords to the end', ms(medianMs(5, () => pathSolver(pathQuestion(1, false)).best(), 2))],
    ['128 chords, round and round', ms(medianMs(5, () => pathSolver(pathQuestion(4, true)).best(), 2))],
    [
      'one of 32 chords changed',
      ms(
        medianMs(
          5,
          () => {
            remembering(changed).best()
            remembering(pathQuestion(1, true)).best()
          },
          2,
        ) / 2,
      ),
    ],
    ['more: eight other shapes of one chord, round and round', ms(moreForOthers(true))],
    ['more: the same to the end', ms(moreForOthers(false))],
  ],
)

const collect = globalThis.gc
if (collect) {
  collect()
  const before = process.memoryUsage().heapUsed
  const answer = answerTo(largest.question, player)
  collect()
  const after = process.memoryUsage().heapUsed
  console.log(
    `\nMemory of the full answer to C${symbolSuffix(largest.question.chord.formula)} (${answer.count} shapes): ${((after - before) / 1e6).toFixed(1)} MB\n`,
  )
}
