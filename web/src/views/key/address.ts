/** The address holds the whole plan: it opens as it was and can be linked. */
import { familyOf, readSymbol } from '@nestling/core/chord'
import {
  DEPTH_SCHOOLS,
  DEPTHS,
  type Key,
  keyOf,
  MAJOR,
  NATURAL_MINOR,
  NUMBER_SCHOOLS,
  plainestKey,
  readKey,
  readNumbers,
  STAND_IN_KINDS,
  writeKey,
  writeNumber,
} from '@nestling/core/key'
import { LANE_FRETS, type LaneTexts, readAsk, type StandingIn, usualAsks, writeAsk } from '@nestling/core/lane'
import { type Neck, neckOf, writeTuning } from '@nestling/core/neck'
import { pitchClassOf } from '@nestling/core/pitch'
import { instrumentFor, type Player, readOtherTuning } from '@nestling/core/request'
import { MANNERS } from '@nestling/core/taste'
import { readPattern, STROKE_PATTERNS, writePattern } from '@nestling/core/time'
import type { Typed } from '../../state/asked.ts'
import { messageOf } from '../../words/errors.ts'
import { GOINGS, type KeyPlan, LASTINGS } from './types.ts'

export type Params = Readonly<Record<string, string>>

const FIRST: Omit<KeyPlan, 'key' | 'asks' | 'tuning'> & { readonly from: undefined } = {
  depth: 'sevenths',
  school: 'honest',
  fifthInBass: false,
  step: 1,
  lane: 0,
  pattern: STROKE_PATTERNS.strum,
  capo: undefined,
  manner: undefined,
  from: undefined,
  standing: [],
  going: 'up',
  lasting: 'bar',
  numbers: 'capitals',
  written: [],
}

const LANE_FIELDS = [
  'root',
  'strings',
  'order',
  'forms',
  'tones',
  'ring',
] as const satisfies readonly (keyof LaneTexts)[]

const oneOf = <Value extends string>(values: readonly Value[], text: string | undefined): Value | undefined =>
  values.find((value) => value === text)

/** The instrument of a plan: in its tuning, under its capo. */
export function neckFor({ tuning, capo }: Pick<KeyPlan, 'tuning' | 'capo'>, player: Player): Neck {
  const instrument = instrumentFor({ tuning }, player)
  if (capo === undefined) return neckOf(instrument)
  return neckOf({ ...instrument, capo: capo === 0 ? undefined : { fret: capo, strings: 'all' } })
}

const wholeNumber = (text: string | undefined, least: number, most: number): number | undefined => {
  const number = Number(text)
  return text !== undefined && Number.isInteger(number) && number >= least && number <= most ? number : undefined
}

const patternName = (pattern: string): string | undefined =>
  Object.entries(STROKE_PATTERNS).find(([, text]) => text === pattern)?.[0]

function readHand(text: string | undefined): string | undefined {
  if (text === undefined) return undefined
  const named = Object.entries(STROKE_PATTERNS).find(([name]) => name === text)?.[1]
  if (named !== undefined) return named
  const read = readPattern(text.replaceAll('_', ' '))
  return read.ok ? writePattern(read.value) : undefined
}

/** `2up,5longer`: which steps are stood in for, and how. */
const readStanding = (text = ''): readonly StandingIn[] =>
  text.split(',').flatMap((one) => {
    const [, step, kind] = /^([1-7])([a-z]+)$/.exec(one) ?? []
    const known = oneOf(STAND_IN_KINDS, kind)
    return known ? [{ step: Number(step), kind: known }] : []
  })
const writeStanding = (standing: readonly StandingIn[]): string =>
  standing.map(({ step, kind }) => `${step}${kind}`).join(',')

/** A chord that is brought along is the first of a key: minor where its third is. */
function keyOfChord(text: string): Key | undefined {
  const read = readSymbol(text)
  if (!read.ok) return undefined
  const { root, formula } = read.value
  const scale = ['minor', 'half-diminished', 'diminished'].includes(familyOf(formula)) ? NATURAL_MINOR : MAJOR
  return keyOf(root, scale) ?? plainestKey(pitchClassOf(root), scale)
}

/** What can't be read is told, and the rest still opens. */
export function readPlan(
  params: Params,
  player: Player,
): { readonly plan: KeyPlan; readonly typed: Typed | undefined } {
  const key = params['key'] === undefined ? undefined : readKey(params['key'])
  const tuning = params['tuning'] === undefined ? undefined : readOtherTuning(params['tuning'], player)
  const usual = (params['chord'] === undefined ? undefined : keyOfChord(params['chord'])) ?? (keyOf('Bb', MAJOR) as Key)
  const tuned = tuning?.ok ? tuning.value : undefined
  const capo = wholeNumber(params['capo'], 0, 11)
  const neck = neckFor({ tuning: tuned, capo }, player)
  const strings = neck.open.length
  const depth = oneOf(DEPTHS, params['depth']) ?? FIRST.depth
  const asks = ['', '2'].flatMap((number) => {
    const texts: LaneTexts = Object.fromEntries(LANE_FIELDS.map((field) => [field, params[`${field}${number}`]]))
    return LANE_FIELDS.some((field) => texts[field] !== undefined) ? [readAsk(texts, strings, { depth })] : []
  })
  const wrongAsk = asks.find((ask) => !ask.ok)
  const wrong =
    key?.ok === false
      ? key.error
      : tuning?.ok === false
        ? tuning.error
        : wrongAsk?.ok === false
          ? wrongAsk.error
          : undefined
  const good = asks.flatMap((ask) => (ask.ok ? [ask.value] : []))
  const found = key?.ok ? key.value : usual
  const written =
    params['numbers'] === undefined ? undefined : readNumbers(params['numbers'].replaceAll('_', ' '), found, depth)
  const step = Number(params['step'] ?? '1')
  const used = good.length > 0 ? good : usualAsks(neck)
  return {
    plan: {
      key: found,
      depth,
      asks: used,
      tuning: tuned,
      school: oneOf(DEPTH_SCHOOLS, params['school']) ?? FIRST.school,
      fifthInBass: params['bass5'] === '1',
      manner: oneOf(MANNERS, params['manner']),
      step: Number.isInteger(step) && step >= 1 && step <= 7 ? step : 1,
      lane: params['lane'] === '2' && used.length > 1 ? 1 : 0,
      going: oneOf(GOINGS, params['going']) ?? FIRST.going,
      lasting: oneOf(LASTINGS, params['lasting']) ?? FIRST.lasting,
      pattern: readHand(params['hand']) ?? FIRST.pattern,
      capo,
      from: wholeNumber(params['from'], 0, LANE_FRETS),
      standing: readStanding(params['for']),
      numbers: oneOf(NUMBER_SCHOOLS, params['as']) ?? FIRST.numbers,
      written: written?.ok ? written.value : [],
    },
    typed: wrong && { line: params['key'] ?? '', problem: { message: messageOf(wrong), at: wrong.at } },
  }
}

/** Only what differs from how the view opens. */
export function writePlan(plan: KeyPlan, neck: Neck): string {
  const strings = neck.open.length
  const params = new URLSearchParams({ key: writeKey(plan.key, { ascii: true }) })
  const put = (name: string, value: string | undefined, usual?: string) => {
    if (value !== undefined && value !== usual) params.set(name, value)
  }
  put('depth', plan.depth, FIRST.depth)
  put('school', plan.school, FIRST.school)
  if (JSON.stringify(plan.asks) !== JSON.stringify(usualAsks(neck)))
    for (const [index, ask] of plan.asks.entries())
      for (const [field, value] of Object.entries(writeAsk(ask, strings)))
        put(`${field}${index === 0 ? '' : '2'}`, value)
  put('bass5', plan.fifthInBass ? '1' : undefined)
  put('manner', plan.manner)
  put('tuning', plan.tuning && writeTuning(plan.tuning))
  put('step', String(plan.step), '1')
  put('lane', plan.lane === 1 ? '2' : undefined)
  put('going', plan.going, FIRST.going)
  put('lasting', plan.lasting, FIRST.lasting)
  put('hand', patternName(plan.pattern) ?? plan.pattern.replaceAll(' ', '_'), 'strum')
  put('capo', plan.capo === undefined ? undefined : String(plan.capo))
  put('from', plan.from === undefined ? undefined : String(plan.from))
  put('for', writeStanding(plan.standing ?? []) || undefined)
  put('as', plan.numbers, FIRST.numbers)
  if (plan.written.length > 0)
    put('numbers', plan.written.map((chord) => writeNumber(chord, plan.key, plan.depth, 'plain')).join('_'))
  return `/key?${params.toString().replaceAll('%2C', ',')}`
}
