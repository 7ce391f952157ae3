/** The address holds the whole plan: it opens as it was and can be linked. */
import { MOST_PLAYED_BARS, patternOf, readChart, type Span, writeChart } from '@nestling/core/chart'
import { type Neck, neckOf, type StringSet, stringIndex, stringNumber, writeTuning } from '@nestling/core/neck'
import {
  type HeldShape,
  PATH_WEIGHTS,
  PATH_WISHES,
  type PathWeights,
  type PathWishes,
  type TopTone,
} from '@nestling/core/path'
import { instrumentFor, type Player, readOtherTuning } from '@nestling/core/request'
import { MANNERS } from '@nestling/core/taste'
import { BASS_LINES, readPattern, writePattern } from '@nestling/core/time'
import { fretsIn, fretsTextOf } from '../../state/links.ts'
import type { PathPlan } from './types.ts'

export type Params = Readonly<Record<string, string>>

/** What stands there before anything is typed: a tune of the scenario. */
export const FIRST_CHART = `title: Slow Ferry
key: Ab
4/4 bossa =112
[A] |: Fm9 | Bbm7 | Eb13 | Abmaj9 |
| Dbmaj7 | Gm7b5 C7b9 | 1. Fm7 | Db9 C7b9 :|
| 2. Fm7 | Eb7sus4 Eb7 |`

/** Four strings with the bass on the fifth or the sixth; on fewer strings the highest four. */
export function usualSets({ open }: Pick<Neck, 'open'>): readonly StringSet[] {
  const low = open.length - 6
  if (low < 0) return [open.map((_, string) => string).slice(-4)]
  return [
    [low + 1, low + 2, low + 3, low + 4],
    [low, low + 2, low + 3, low + 4],
  ]
}

const setsText = (sets: readonly StringSet[], strings: number): string =>
  sets
    .map((set) =>
      set
        .toReversed()
        .map((string) => stringNumber(string, strings))
        .toReversed()
        .join(strings > 9 ? '.' : ''),
    )
    .join(',')

function readSets(text: string | undefined, strings: number): readonly StringSet[] | undefined {
  const sets = (text ?? '').split(',').flatMap((one): readonly StringSet[] => {
    const numbers = (strings > 9 ? one.split('.') : [...one]).map(Number)
    const isGood =
      numbers.length > 1 && numbers.every((number) => Number.isInteger(number) && number >= 1 && number <= strings)
    return isGood && new Set(numbers).size === numbers.length
      ? [numbers.map((number) => stringIndex(number, strings)).sort((a, b) => a - b)]
      : []
  })
  return sets.length > 0 ? sets : undefined
}

const whole = (text: string | undefined, least: number, most: number): number | undefined => {
  const number = Number(text)
  return text !== undefined && Number.isInteger(number) && number >= least && number <= most ? number : undefined
}

const OPEN = ['never', 'allow'] as const

const SCHOOLS = ['shell', 'drop-root', 'drop-fifth'] as const
const WAYS = {
  stream: { stream: true },
  top: { topStepwise: true },
  rising: { bassLine: 'rising' },
  falling: { bassLine: 'falling' },
} as const satisfies Readonly<Record<string, Partial<PathWishes>>>

/** The neck of a plan: the instrument's, in its tuning. */
export const neckFor = ({ tuning }: Pick<PathPlan, 'tuning'>, player: Player): Neck =>
  neckOf(instrumentFor({ tuning }, player))

/** `2:65,5:67`: the chord's place and the MIDI number of its top tone. */
const readMelody = (text = ''): readonly TopTone[] =>
  text.split(',').flatMap((one): readonly TopTone[] => {
    const [place, midi] = one.split(':')
    const [chord, top] = [whole(place, 1, 4096), whole(midi, 0, 127)]
    return chord !== undefined && top !== undefined ? [{ chord: chord - 1, midi: top }] : []
  })

/** What can't be read is left as it opens; a chart's own slips are told where it is typed. */
export function readPlan(params: Params, player: Player): PathPlan {
  const read = params['tuning'] === undefined ? undefined : readOtherTuning(params['tuning'], player)
  const tuning = read?.ok ? read.value : undefined
  const neck = neckFor({ tuning }, player)
  const strings = neck.open.length
  const { chart } = readChart(params['chart'] ?? FIRST_CHART)
  const frets = /^(\d+)-(\d+)$/.exec(params['frets'] ?? '')
  const fretMin = whole(frets?.[1], 1, neck.lastFret) ?? 1
  const fretMax = whole(frets?.[2], fretMin, neck.lastFret) ?? Math.min(12, neck.lastFret)
  const roots = (params['roots'] ?? '')
    .split(',')
    .map(Number)
    .filter((number) => number >= 1 && number <= strings)
  const ways = (params['ways'] ?? '')
    .split(',')
    .flatMap((name) => (name in WAYS ? [WAYS[name as keyof typeof WAYS]] : []))
  const pattern = readPattern((params['hand'] ?? '').replaceAll('_', ' '))
  const wishes: PathWishes = Object.assign(
    {
      ...PATH_WISHES,
      manner: MANNERS.find((manner) => manner === params['manner']),
      strings: readSets(params['strings'], strings),
      voices: whole(params['voices'], 2, strings),
      fretMin,
      fretMax,
      open: OPEN.find((open) => open === params['open']),
      school: SCHOOLS.find((school) => school === params['leaving']),
      roots: roots.length > 0 ? roots.map((number) => stringIndex(number, strings)) : undefined,
      aboveBass: params['bass'] === 'free',
    },
    ...ways,
  )
  return {
    chart,
    wishes,
    weights: readWeights(params['weights']),
    loop: params['loop'] !== '0',
    held: readHeld(params['hold'], strings),
    chosen: whole(params['at'], 1, 4096) === undefined ? 0 : Number(params['at']) - 1,
    pattern: pattern.ok ? writePattern(pattern.value) : patternOf(chart),
    bass: BASS_LINES.find((line) => line === params['line']) ?? 'roots',
    tuning,
    melody: readMelody(params['top']),
    part: readPart(params['part']),
    tune: whole(params['tune'], 1, Number.MAX_SAFE_INTEGER),
    seen: whole(params['of'], 1, Number.MAX_SAFE_INTEGER),
  }
}

/** `5-8`: the first and the last played bar. */
function readPart(text = ''): Span | undefined {
  const [first, last] = text.split('-')
  const from = whole(first, 1, MOST_PLAYED_BARS)
  const to = whole(last, from ?? 1, MOST_PLAYED_BARS)
  return from === undefined || to === undefined ? undefined : { from: from - 1, to: to - 1 }
}

const WEIGHT_NAMES = Object.keys(PATH_WEIGHTS) as readonly (keyof PathWeights)[]

/** `hand:0.1,top:0`: what differs from the usual. */
function readWeights(text = ''): PathWeights {
  const changed = text.split(',').flatMap((one): readonly (readonly [string, number])[] => {
    const [name = '', value = ''] = one.split(':')
    const number = Number(value)
    return WEIGHT_NAMES.some((known) => known === name) && value !== '' && Math.abs(number) <= 100
      ? [[name, number]]
      : []
  })
  return { ...PATH_WEIGHTS, ...Object.fromEntries(changed) }
}

/** `1:x8x898,7:x5666x`: the chord's place and its frets. */
const readHeld = (text = '', strings: number): readonly HeldShape[] =>
  text.split(',').flatMap((one): readonly HeldShape[] => {
    const [place = '', fretsText = ''] = one.split(':')
    const frets = fretsIn(fretsText, strings)
    const chord = whole(place, 1, 4096)
    return frets && chord !== undefined ? [{ chord: chord - 1, frets }] : []
  })

/** Only what differs from how the view opens; the chart always. */
export function writePlan(plan: PathPlan, neck: Neck): string {
  const strings = neck.open.length
  const { wishes, weights } = plan
  const query = new URLSearchParams({ chart: writeChart(plan.chart) })
  const put = (name: string, value: string | undefined, usual?: string) => {
    if (value !== undefined && value !== usual) query.set(name, value)
  }
  put('manner', wishes.manner)
  put('strings', wishes.strings && setsText(wishes.strings, strings))
  put('voices', wishes.voices === undefined ? undefined : String(wishes.voices))
  put('frets', `${wishes.fretMin}-${wishes.fretMax}`, `1-${Math.min(12, neck.lastFret)}`)
  put('open', wishes.open)
  put('leaving', wishes.school)
  put('roots', wishes.roots?.map((string) => stringNumber(string, strings)).join(','))
  put('ways', waysOf(wishes).join(',') || undefined)
  put('bass', wishes.aboveBass ? 'free' : undefined)
  put(
    'weights',
    WEIGHT_NAMES.filter((name) => weights[name] !== PATH_WEIGHTS[name])
      .map((name) => `${name}:${weights[name]}`)
      .join(',') || undefined,
  )
  put('loop', plan.loop ? undefined : '0')
  put('hold', plan.held.map(({ chord, frets }) => `${chord + 1}:${fretsTextOf(frets)}`).join(',') || undefined)
  put('at', String(plan.chosen + 1), '1')
  put('hand', plan.pattern.replaceAll(' ', '_'), patternOf(plan.chart).replaceAll(' ', '_'))
  put('line', plan.bass, 'roots')
  put('tuning', plan.tuning && writeTuning(plan.tuning))
  put('top', plan.melody.map(({ chord, midi }) => `${chord + 1}:${midi}`).join(',') || undefined)
  put('part', plan.part && `${plan.part.from + 1}-${plan.part.to + 1}`)
  put('tune', plan.tune === undefined ? undefined : String(plan.tune))
  put('of', plan.tune === undefined || plan.seen === undefined ? undefined : String(plan.seen))
  return `/path?${query.toString().replaceAll('%2C', ',').replaceAll('%7C', '|').replaceAll('%3A', ':')}`
}

const waysOf = ({ stream, topStepwise, bassLine }: PathWishes): readonly (keyof typeof WAYS)[] => [
  ...(stream ? (['stream'] as const) : []),
  ...(topStepwise ? (['top'] as const) : []),
  ...(bassLine ? [bassLine] : []),
]
