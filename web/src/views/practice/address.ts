/** The address holds the whole run: it opens as it was and can be linked. */
import { readAsk, writeOrder } from '@nestling/core/lane'
import { stringIndex, stringNumber, writeStringSet, writeTuning } from '@nestling/core/neck'
import { readNote } from '@nestling/core/pitch'
import { CYCLES, type Cycle, nearestRule, type PlaceRule, readMaterial, writeMaterial } from '@nestling/core/practice'
import { type Player, readOtherTuning } from '@nestling/core/request'
import { MANNERS } from '@nestling/core/taste'
import { FASTEST, SLOWEST } from '../../contracts/settings.ts'
import type { Typed } from '../../state/asked.ts'
import { messageOf } from '../../words/errors.ts'
import { type RunPlan, SHOWINGS } from './types.ts'

export type Params = Readonly<Record<string, string>>
export const MOST_BARS = 4
/** No run goes beyond: higher up shapes are crowded. */
export const RUN_FRET_MAX = 15

const oneOf = <Value extends string>(values: readonly Value[], text: string | undefined): Value | undefined =>
  values.find((value) => value === text)

const readPlace = (text: string | undefined, count: number): PlaceRule | undefined => {
  if (text === 'nearest') return nearestRule(count)
  if (text?.includes(ORDER_ON)) {
    const asks = text.split('_or_').map((one) => {
      const [order, strings] = one.split(ORDER_ON)
      return readAsk({ order, strings }, count)
    })
    const orders = asks.flatMap((ask) => (ask.ok && ask.value.kind === 'order' ? [ask.value] : []))
    return orders.length === asks.length
      ? { kind: 'orders', orders: orders.map(({ order, strings }) => ({ order, strings })) }
      : undefined
  }
  const numbers = text?.split('-and-').map(Number) ?? []
  const fits =
    numbers.length > 0 && numbers.every((number) => Number.isInteger(number) && number >= 1 && number <= count)
  return fits ? { kind: 'in-turn', strings: numbers.map((number) => stringIndex(number, count)) } : undefined
}
const writePlace = (rule: PlaceRule, count: number): string => {
  if (rule.kind === 'nearest') return rule.kind
  if (rule.kind === 'in-turn') return rule.strings.map((string) => stringNumber(string, count)).join('-and-')
  return rule.orders
    .map(
      ({ order, strings }) => `${writeOrder(order)}${ORDER_ON}${writeStringSet(strings, count).replaceAll(' ', ',')}`,
    )
    .join('_or_')
}
/** Between an order and its strings: `R-7-3_on_643`. */
const ORDER_ON = '_on_'

const readFret = (text: string | undefined): number | undefined =>
  /^\d{1,2}$/.test(text ?? '') && Number(text) <= RUN_FRET_MAX ? Number(text) : undefined

/** Minor sevenths, the root on strings 5 and 6 in turn, by fourths from E. */
export const usualPlace = (count: number): PlaceRule =>
  count >= 6
    ? { kind: 'in-turn', strings: [stringIndex(5, count), stringIndex(6, count)] }
    : { kind: 'nearest', strings: count > 1 ? [0, 1] : [0] }

/** What can't be read is told, and the rest still opens. */
export function readRun(
  params: Params,
  player: Player,
): { readonly plan: RunPlan; readonly typed: Typed | undefined; readonly tempo: number | undefined } {
  const tuning = params['tuning'] === undefined ? undefined : readOtherTuning(params['tuning'], player)
  const tuned = tuning?.ok ? tuning.value : undefined
  const count = (tuned ?? player.instrument.tuning).strings.length
  const text = params['material'] ?? 'm7'
  const read = readMaterial(text, count)
  const material = read.ok ? read.value : { kind: 'chord' as const, formula: ['R', 'b3', '5', 'b7'] as const }
  const first = material.kind === 'shapes' ? material.shapes[0]?.chord.root : undefined
  const note = params['from'] === undefined ? undefined : readNote(params['from'])
  const isRow = material.kind === 'shapes' && material.shapes.length > 1
  const cycle: Cycle = oneOf(CYCLES, params['cycle']) ?? (isRow ? 'stay' : 'fourths')
  const bars = Number(params['bars'])
  const tempo = Number(params['tempo'])
  const wrong = !read.ok ? read.error : tuning?.ok === false ? tuning.error : undefined
  return {
    plan: {
      material,
      title: (params['title'] ?? '').slice(0, 60),
      cycle,
      from: note ?? first ?? 'E',
      down: params['down'] === 'true',
      all: params['all'] === 'true',
      seed: /^\d{1,9}$/.test(params['seed'] ?? '') ? Number(params['seed']) : 1,
      rule: readPlace(params['place'], count) ?? usualPlace(count),
      manner: oneOf(MANNERS, params['manner']),
      near: readFret(params['near']),
      bars: Number.isInteger(bars) && bars >= 1 && bars <= MOST_BARS ? bars : 1,
      showing: oneOf(SHOWINGS, params['showing']) ?? 'places',
      tuning: tuned,
    },
    typed: wrong && { line: text, problem: { message: messageOf(wrong), at: wrong.at } },
    tempo: tempo >= SLOWEST && tempo <= FASTEST ? Math.round(tempo) : undefined,
  }
}

export const runQuery = (plan: RunPlan, count: number): URLSearchParams => {
  const { material, title, cycle, from, down, all, seed, rule, manner, near, bars, showing, tuning } = plan
  const query = new URLSearchParams({ material: writeMaterial(material) })
  if (title !== '') query.set('title', title)
  query.set('place', writePlace(rule, count))
  query.set('cycle', cycle)
  query.set('from', from)
  if (down) query.set('down', 'true')
  if (all) query.set('all', 'true')
  if (cycle === 'shuffle') query.set('seed', String(seed))
  if (manner !== undefined) query.set('manner', manner)
  if (near !== undefined) query.set('near', String(near))
  if (bars !== 1) query.set('bars', String(bars))
  if (showing !== 'places') query.set('showing', showing)
  if (tuning !== undefined) query.set('tuning', writeTuning(tuning))
  return query
}

export const writeRun = (plan: RunPlan, count: number): string =>
  `/practice?${runQuery(plan, count).toString().replaceAll('%2C', ',').replaceAll('%3D', '=')}`
