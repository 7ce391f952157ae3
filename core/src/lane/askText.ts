/** Lanes in texts, as addresses and scripts have them: `root=6`, `strings=321`, `order=R-7-3-5`, `tones=R:5,3:2,5:4`, `ring=3,1`. */
import { type StringIndex, stringIndex, stringNumber } from '../neck/index.ts'
import { fail, ok, piece, type Result, type TextErrorOf } from '../result/index.ts'
import { type OrderWish, ordersOn } from './ordersOn.ts'
import type { LaneAsk, PlacedTone, ToneNumber } from './types.ts'

export type LaneError = TextErrorOf<{
  /** A string that the neck has not, or no string number at all. */
  lane_string: { strings: number }
  lane_string_twice: object
  lane_tone: object
  /** An order with more or fewer tones than strings. */
  lane_counts: { tones: number; strings: number }
  /** So many strings have no usual order at this depth: it has to be named. */
  lane_order_missing: { strings: number }
  lane_root_missing: object
}>

/** Each field as it is written; `root` excludes `strings`, both exclude `tones`. */
export interface LaneTexts {
  readonly root?: string | undefined
  readonly strings?: string | undefined
  readonly arrangement?: string | undefined
  readonly order?: string | undefined
  readonly forms?: string | undefined
  readonly tones?: string | undefined
  readonly ring?: string | undefined
}

const NUMBERS: Readonly<Record<string, ToneNumber>> = { R: 1, r: 1, 1: 1, 3: 3, 5: 5, 7: 7, 9: 9, 11: 11, 13: 13 }

/** Root positions of the named arrangements, by how many tones. */
const ORDERS: Readonly<Record<string, Readonly<Record<number, readonly ToneNumber[]>>>> = {
  close: { 3: [1, 3, 5], 4: [1, 3, 5, 7] },
  'drop-2': { 3: [1, 5, 3], 4: [1, 5, 7, 3] },
  'drop-3': { 4: [1, 7, 3, 5] },
  'drop-2-4': { 4: [1, 7, 5, 3] },
  spread: { 3: [1, 5, 3] },
}
export const LANE_ARRANGEMENTS: readonly string[] = Object.keys(ORDERS)

/** Reads `6`, `6,5`, `5432`, `10,9,8`: string numbers. */
export function readStrings(text: string, strings: number): Result<readonly StringIndex[], LaneError> {
  const separated = /[\s,]/.test(text)
  const found: StringIndex[] = []
  for (const match of text.matchAll(separated ? /[^\s,]+/g : strings > 9 ? /10|./g : /./g)) {
    const number = Number(match[0])
    const wrong = { at: match.index, text: piece(match[0]) }
    if (!/^\d+$/.test(match[0]) || number < 1 || number > strings)
      return fail({ code: 'lane_string', ...wrong, strings })
    const index = stringIndex(number, strings)
    if (found.includes(index)) return fail({ code: 'lane_string_twice', ...wrong })
    found.push(index)
  }
  return found.length === 0 ? fail({ code: 'lane_string', at: 0, text: piece(text), strings }) : ok(found)
}

/** Reads `R-7-3-5`, `R735`, `1 5 7 3`. */
export function readOrder(text: string): Result<readonly ToneNumber[], LaneError> {
  const order: ToneNumber[] = []
  for (const match of text.matchAll(/11|13|[^\s,-]/g)) {
    const number = NUMBERS[match[0]]
    // A tone may come twice (R 5 R 3), but not on neighbouring strings.
    if (number === undefined || order.at(-1) === number)
      return fail({ code: 'lane_tone', at: match.index, text: piece(match[0]) })
    order.push(number)
  }
  return new Set(order).size < 2 ? fail({ code: 'lane_tone', at: 0, text: piece(text) }) : ok(order)
}

type Field = keyof LaneTexts
type Read = Result<LaneAsk, LaneError & { readonly field: Field }>
const refused = (field: Field, error: LaneError): Read => fail({ ...error, field })

/**
 * @param strings How many the neck has.
 * @param wish What a set means whose order is not named.
 */
export function readAsk(texts: LaneTexts, strings: number, wish?: OrderWish): Read {
  if (texts.tones !== undefined) return readTones(texts.tones, texts.ring, strings)
  if (texts.strings !== undefined) return readSet({ ...texts, strings: texts.strings }, strings, wish)
  const roots = readStrings(texts.root ?? '6', strings)
  if (!roots.ok) return refused('root', roots.error)
  const [first] = roots.value
  return ok(
    roots.value.length === 1 ? { kind: 'root', string: first as number } : { kind: 'turns', strings: roots.value },
  )
}

function readSet(texts: LaneTexts & { readonly strings: string }, strings: number, wish: OrderWish | undefined): Read {
  const set = readStrings(texts.strings, strings)
  if (!set.ok) return refused('strings', set.error)
  const sorted = set.value.toSorted((a, b) => a - b)
  const forms = texts.forms === undefined ? undefined : Number(texts.forms)
  if (texts.order !== undefined) {
    const order = readOrder(texts.order)
    if (!order.ok) return refused('order', order.error)
    const counts = { tones: order.value.length, strings: sorted.length }
    if (counts.tones !== counts.strings)
      return refused('order', { code: 'lane_counts', at: 0, text: piece(texts.order), ...counts })
    return ok({ kind: 'order', strings: sorted, order: order.value, forms })
  }
  if (texts.arrangement !== undefined) {
    const order = ORDERS[texts.arrangement]?.[sorted.length]
    const counts = { tones: sorted.length < 4 ? 3 : 4, strings: sorted.length }
    return order
      ? ok({ kind: 'order', strings: sorted, order, forms })
      : refused('arrangement', { code: 'lane_counts', at: 0, text: piece(texts.arrangement), ...counts })
  }
  const [usual] = ordersOn(sorted, wish ?? { depth: sorted.length === 3 ? 'triads' : 'sevenths' })
  return usual
    ? ok({ kind: 'order', strings: sorted, order: usual, forms })
    : refused('strings', { code: 'lane_order_missing', at: 0, text: piece(texts.strings), strings: sorted.length })
}

function readTones(text: string, ring: string | undefined, strings: number): Read {
  const tones: PlacedTone[] = []
  for (const match of text.matchAll(/[^\s,]+/g)) {
    const [name = '', on = ''] = match[0].split(':')
    const number = NUMBERS[name]
    const at = match.index
    if (number === undefined) return refused('tones', { code: 'lane_tone', at, text: piece(match[0]) })
    const string = readStrings(on, strings)
    if (!string.ok) return refused('tones', { ...string.error, at: at + name.length + 1 })
    const index = string.value[0] as number
    if (tones.some((tone) => tone.string === index))
      return refused('tones', { code: 'lane_string_twice', at, text: piece(match[0]) })
    tones.push({ number, string: index })
  }
  if (tones.length < 2) return refused('tones', { code: 'lane_tone', at: 0, text: piece(text) })
  const ringing = ring === undefined || ring === '' ? ok([]) : readStrings(ring, strings)
  if (!ringing.ok) return refused('ring', ringing.error)
  const both = ringing.value.find((string) => tones.some((tone) => tone.string === string))
  if (both !== undefined)
    return refused('ring', { code: 'lane_string_twice', at: 0, text: String(stringNumber(both, strings)) })
  return ok({ kind: 'tones', tones, ring: ringing.value })
}

const nameOf = (number: ToneNumber): string => (number === 1 ? 'R' : String(number))
export const writeOrder = (order: readonly ToneNumber[]): string => order.map(nameOf).join('-')

/** As `readAsk` reads it back. */
export function writeAsk(ask: LaneAsk, strings: number): LaneTexts {
  const numbers = (list: readonly StringIndex[]) => list.map((index) => stringNumber(index, strings)).join(',')
  switch (ask.kind) {
    case 'root':
      return { root: numbers([ask.string]) }
    case 'turns':
      return { root: numbers(ask.strings) }
    case 'order':
      return {
        strings: numbers(ask.strings),
        order: writeOrder(ask.order),
        ...(ask.forms === undefined ? {} : { forms: String(ask.forms) }),
      }
    case 'tones':
      return {
        tones: ask.tones.map(({ number, string }) => `${nameOf(number)}:${stringNumber(string, strings)}`).join(','),
        ...(ask.ring.length > 0 ? { ring: numbers(ask.ring) } : {}),
      }
  }
}
