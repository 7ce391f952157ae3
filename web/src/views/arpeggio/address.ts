/** The address holds the whole plan: it opens as it was and can be linked. */
import { DIRECTIONS, PATTERNS } from '@nestling/core/arpeggio'
import { type Chord, readSymbol, writeSymbol } from '@nestling/core/chord'
import { writeTuning } from '@nestling/core/neck'
import { parseDegree } from '@nestling/core/pitch'
import { type Player, readOtherTuning } from '@nestling/core/request'
import { ACCENTS, FOUR_FOUR, METRES, NOTE_VALUES, THREE_FOUR, writeMetre } from '@nestling/core/time'
import { lowestPressed } from '@nestling/core/voicing'
import type { Typed } from '../../state/asked.ts'
import { fretsIn, fretsTextOf } from '../../state/links.ts'
import { messageOf } from '../../words/errors.ts'
import { clampAt, neckFor } from './plan.ts'
import type { Plan, WayKind } from './types.ts'

export type Params = Readonly<Record<string, string>>

export const WAYS: readonly WayKind[] = ['position', 'diagonal', 'one-string', 'two-a-string', 'strings']

const FIRST: Plan = {
  chord: { root: 'Eb', formula: ['R', '3', '5', '7'] },
  tuning: undefined,
  shape: undefined,
  way: 'position',
  at: 5,
  string: 0,
  climb: 2,
  from: 'R',
  direction: 'up-down',
  pattern: 'straight',
  octaves: undefined,
  value: 'eighth',
  accent: 'beat',
  metre: FOUR_FOUR,
  chosen: [],
  line: 0,
  scale: undefined,
  find: undefined,
}

const plainChord = ({ root, formula, bass }: Chord): Chord =>
  bass === undefined ? { root, formula } : { root, formula, bass }

const oneOf = <Value extends string>(values: readonly Value[], text: string | undefined): Value | undefined =>
  values.find((value) => value === text)
const number = (text: string | undefined): number | undefined =>
  text !== undefined && /^\d{1,2}$/.test(text) ? Number(text) : undefined

/** What can't be read is told, and the rest still opens. */
export function readPlan(params: Params, player: Player): { readonly plan: Plan; readonly typed: Typed | undefined } {
  const chord = params['chord'] === undefined ? undefined : readSymbol(params['chord'])
  const tuning = params['tuning'] === undefined ? undefined : readOtherTuning(params['tuning'], player)
  const wrong = chord?.ok === false ? chord.error : tuning?.ok === false ? tuning.error : undefined
  const asked: Plan = {
    ...FIRST,
    ...(chord?.ok ? { chord: plainChord(chord.value) } : {}),
    ...(tuning?.ok ? { tuning: tuning.value } : {}),
  }
  const neck = neckFor(asked, player)
  const strings = neck.open.length
  const shape = fretsIn(params['shape'], strings)
  const lowest = (shape && lowestPressed(shape)) || undefined
  const stringNumber = number(params['string'])
  const octaves = number(params['octaves'])
  const plan: Plan = {
    ...asked,
    shape,
    way: oneOf(WAYS, params['way']) ?? FIRST.way,
    at: clampAt(number(params['position']) ?? lowest ?? FIRST.at, neck),
    string: stringNumber === undefined ? 0 : Math.min(strings - 1, Math.max(0, strings - stringNumber)),
    climb: Math.min(3, Math.max(1, number(params['climb']) ?? FIRST.climb)),
    from: params['from'] === 'lowest' ? 'lowest' : (parseDegree(params['from'] ?? 'R') ?? 'R'),
    direction: oneOf(DIRECTIONS, params['direction']) ?? FIRST.direction,
    pattern: oneOf(PATTERNS, params['pattern']) ?? FIRST.pattern,
    octaves: octaves !== undefined && octaves >= 1 && octaves <= 3 ? octaves : undefined,
    value: oneOf(NOTE_VALUES, params['value']) ?? FIRST.value,
    accent: oneOf(ACCENTS, params['accent']) ?? FIRST.accent,
    metre:
      METRES.find((metre) => writeMetre(metre) === params['time']) ??
      (params['beats'] === '3' ? THREE_FOUR : FOUR_FOUR),
    chosen: (params['chosen'] ?? '').split(',').filter((one) => /^\d{1,3}:\d{1,2}$/.test(one)),
    line: number(params['line']) ?? 0,
    scale: params['scale'],
    find: parseDegree(params['find'] ?? ''),
  }
  const from = plan.from === 'lowest' || plan.chord.formula.includes(plan.from) ? plan.from : 'R'
  return {
    plan: { ...plan, from },
    typed: wrong && { line: params['chord'] ?? '', problem: { message: messageOf(wrong), at: wrong.at } },
  }
}

/** Only what differs from how the view opens. */
export function writePlan(plan: Plan, strings: number): string {
  const params = new URLSearchParams({
    chord: writeSymbol(plan.chord, { ascii: true }),
    way: plan.way,
    position: String(plan.at),
  })
  const put = (name: string, value: string | number | undefined, usual: string | number | undefined) => {
    if (value !== undefined && value !== usual) params.set(name, String(value))
  }
  if (plan.tuning) params.set('tuning', writeTuning(plan.tuning))
  if (plan.shape) params.set('shape', fretsTextOf(plan.shape))
  put('string', strings - plan.string, strings)
  put('climb', plan.climb, FIRST.climb)
  put('from', plan.from, FIRST.from)
  put('direction', plan.direction, FIRST.direction)
  put('pattern', plan.pattern, FIRST.pattern)
  put('octaves', plan.octaves, undefined)
  put('value', plan.value, FIRST.value)
  put('accent', plan.accent, FIRST.accent)
  put('time', writeMetre(plan.metre), writeMetre(FIRST.metre))
  put('chosen', plan.chosen.join() || undefined, undefined)
  put('line', plan.line, 0)
  put('scale', plan.scale, undefined)
  put('find', plan.find, undefined)
  return `/arpeggio?${params}`
}
