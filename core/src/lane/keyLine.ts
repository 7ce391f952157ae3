/**
 * The typed line of a key: `Bb ninths 6 5`, `D triads 321`, `Bb shells`, `E sevenths rootless 432`, `F# dorian 5 from 3`,
 * `G triads R:5 5:4 3:2 ring 3 1`, `D 1 4 5`.
 *   text ─readHead→ key; words ─readWord→ Said ─withAsks→ lanes, ─withProgression→ chords
 */
import type { Chord } from '../chord/index.ts'
import {
  type Depth,
  type DepthSchool,
  type Key,
  type KeyError,
  MAJOR,
  type NumbersError,
  readKey,
  readNumbers,
  writeKey,
} from '../key/index.ts'
import type { NamingSystem } from '../pitch/index.ts'
import { fail, ok, piece, type Result, requireAt, type TextErrorOf } from '../result/index.ts'
import type { Manner } from '../taste/index.ts'
import { type LaneError, readAsk, readStrings, writeAsk } from './askText.ts'
import { usualSets } from './gripWords.ts'
import { isNoKey, type NamedSet, readWord, type Said, small, type Word } from './keyWords.ts'
import { ordersOn } from './ordersOn.ts'
import type { LaneAsk } from './types.ts'

/** What a line says; what it does not say stays as it was. */
export interface KeyLine {
  readonly key?: Key
  readonly depth?: Depth
  readonly school?: DepthSchool
  readonly asks?: readonly LaneAsk[]
  /** Where the order of the one set is not named: its other orders, for a key that they fit better. */
  readonly others?: readonly LaneAsk[]
  /** How the grips of lanes by the root are chosen. */
  readonly manner?: Manner | undefined
  /** The fret from which the lanes climb; 0 at the nut. */
  readonly from?: number | undefined
  /** A progression in numbers: `1 4 5`, `ii V I`. */
  readonly written?: readonly Chord[]
}

/** What stood before the line: a progression is read in its key, a set at its depth. */
export interface KeyBefore {
  readonly key: Key
  readonly depth: Depth
}

export type KeyLineError = KeyError | LaneError | NumbersError | TextErrorOf<{ not_in_a_key_line: object }>

/**
 * @param strings How many the neck has.
 * @param before What a set, or numbers, are about where the line does not say it itself.
 */
export function readKeyLine(
  text: string,
  strings: number,
  systems: readonly NamingSystem[] = ['letters'],
  before?: KeyBefore,
): Result<KeyLine, KeyLineError> {
  const words: Word[] = [...text.matchAll(/\S+/g)].map((match) => ({ text: match[0], at: match.index }))
  const head = readHead(text, words, systems)
  if (!head.ok) return head
  const said: Said = {
    line: head.value.key ? { key: head.value.key } : {},
    tones: [],
    ring: [],
    sets: [],
    roots: [],
    order: undefined,
    arrangement: undefined,
    forms: undefined,
    inTurn: words.some(({ text: word }) => /^turns?$/i.test(word)),
    rootless: false,
    withoutFifth: false,
    progression: undefined,
  }
  const rest = words.slice(head.value.used)
  for (let at = 0; at < rest.length; ) {
    const count = readWord(rest, at, said, strings)
    if (count === 0) {
      const { at: there, text: word } = requireAt(rest, at)
      return fail({ code: 'not_in_a_key_line', at: there, text: piece(word) })
    }
    at += count
  }
  return withProgression(withAsks(said, strings, before), said, before)
}

function withProgression(
  read: Result<KeyLine, KeyLineError>,
  { progression }: Said,
  before: KeyBefore | undefined,
): Result<KeyLine, KeyLineError> {
  if (!read.ok || !progression) return read
  const key = read.value.key ?? before?.key
  if (!key) return fail({ code: 'not_a_key', at: progression.at, text: piece(progression.text) })
  const chords = readNumbers(progression.text, key, read.value.depth ?? before?.depth ?? 'sevenths')
  return chords.ok
    ? ok({ ...read.value, written: chords.value })
    : fail({ ...chords.error, at: progression.at + chords.error.at })
}

/** The longest beginning that is a key; none where the line begins with something else. */
function readHead(
  text: string,
  words: readonly Word[],
  systems: readonly NamingSystem[],
): Result<{ readonly key: Key | undefined; readonly used: number }, KeyLineError> {
  let unspellable: KeyError | undefined
  for (let used = Math.min(4, words.length); used > 0; used--) {
    const last = requireAt(words, used - 1)
    const read = readKey(text.slice(0, last.at + last.text.length), systems)
    if (read.ok) return ok({ key: read.value, used })
    if (read.error.code === 'key_unspellable') unspellable = read.error
  }
  if (unspellable) return fail(unspellable)
  const [first] = words
  if (first === undefined || isNoKey(first)) return ok({ key: undefined, used: 0 })
  return fail({ code: 'not_a_key', at: first.at, text: piece(first.text) })
}

/** The lanes that the words ask for. */
function withAsks(said: Said, strings: number, before: KeyBefore | undefined): Result<KeyLine, KeyLineError> {
  const { tones, ring, order, arrangement, forms, inTurn, rootless, withoutFifth } = said
  const texts = (words: readonly Word[]) => words.map(small).join(',')
  const asked = (ask: ReturnType<typeof readAsk>, at: number): Result<LaneAsk, KeyLineError> => {
    if (ask.ok) return ask
    const { field: _, ...error } = ask.error
    return fail({ ...error, at: at + error.at })
  }
  const all = (asks: readonly Result<LaneAsk, KeyLineError>[]): Result<KeyLine, KeyLineError> => {
    const good: LaneAsk[] = []
    for (const ask of asks) {
      if (!ask.ok) return ask
      good.push(ask.value)
    }
    return ok(good.length > 0 ? { ...said.line, asks: good } : said.line)
  }
  if (tones.length > 0) {
    // `ring 31` is `ring 3 1`; a neck of ten strings has a string 10.
    const rings = ring.flatMap((word) => (small(word) === '10' && strings > 9 ? ['10'] : [...small(word)])).join(',')
    return all([asked(readAsk({ tones: texts(tones).toUpperCase(), ring: rings }, strings), requireAt(tones, 0).at)])
  }
  const isShell = withoutFifth || rootless
  const sets: readonly NamedSet[] =
    said.sets.length > 0 || !isShell ? said.sets : usualSets(rootless, strings).map((text) => ({ text, at: 0 }))
  const [first] = sets
  if (!first) {
    if (order) return fail({ code: 'lane_root_missing', at: order.at, text: piece(order.text) })
    if (arrangement) return fail({ code: 'lane_root_missing', at: arrangement.at, text: piece(arrangement.text) })
    const [root] = said.roots
    if (root && inTurn && said.roots.length > 1)
      return all([asked(readAsk({ root: texts(said.roots) }, strings), root.at)])
    return all(said.roots.map((word) => asked(readAsk({ root: small(word) }, strings), word.at)))
  }
  const orderOf = (set: NamedSet) => set.order ?? order
  if (arrangement || sets.some(orderOf))
    return all(
      sets.map((set) =>
        asked(
          readAsk(
            {
              strings: set.text,
              order: orderOf(set)?.text.toUpperCase(),
              arrangement: arrangement?.text,
              forms,
            },
            strings,
          ),
          (orderOf(set) ?? arrangement ?? set).at,
        ),
      ),
    )
  const depthBefore = said.line.depth ?? before?.depth
  // A shell has its seventh.
  const depth = withoutFifth && depthBefore === 'triads' && said.line.depth === undefined ? 'sevenths' : depthBefore
  if (depth !== depthBefore && depth) said.line = { ...said.line, depth }
  const orders: (readonly LaneAsk[])[] = []
  for (const { text, at } of sets) {
    const read = readStrings(text, strings)
    if (!read.ok) return fail({ ...read.error, at: at + read.error.at })
    const on = read.value.toSorted((a, b) => a - b)
    const usual = on.length === 3 && !isShell ? 'triads' : 'sevenths'
    const found = ordersOn(on, { depth: depth ?? usual, rootless, withoutFifth })
    if (found.length === 0) return fail({ code: 'lane_order_missing', at, text: piece(text), strings: on.length })
    orders.push(
      found.map((one): LaneAsk => ({ kind: 'order', strings: on, order: one, ...(forms ? { forms: 3 } : {}) })),
    )
  }
  const [only = []] = orders
  return ok({
    ...said.line,
    asks: orders.map((found) => requireAt(found, 0)),
    ...(orders.length === 1 && only.length > 1 && forms === undefined ? { others: only.slice(1) } : {}),
  })
}

/** As `readKeyLine` reads it back; lanes that a line can't tell, such as a root beside an order, are left to the words. */
export function writeKeyLine(
  { key, depth, school, asks = [], manner, from }: KeyLine,
  strings: number,
  naming: NamingSystem = 'letters',
): string {
  const told = asks.map((ask) => writeAskWords(ask, strings))
  const style = naming === 'letters' ? { ascii: true } : { naming }
  const written = key && writeKey(key, style)
  // A tonic alone is major; in other systems it may be a word, and says so.
  const name = key?.scale.name === MAJOR.name && naming === 'letters' ? key.tonic : written
  const begins = from === undefined ? undefined : from === 0 ? 'nut' : `from ${from}`
  return [name, depth, school === 'plain' ? school : undefined, ...told, manner, begins].filter(Boolean).join(' ')
}

function writeAskWords(ask: LaneAsk, strings: number): string {
  const { root = '', strings: set = '', order = '', tones = '', ring } = writeAsk(ask, strings)
  const spaced = (text: string) => text.replaceAll(',', ' ')
  switch (ask.kind) {
    case 'root':
      return root
    case 'turns':
      return `${spaced(root)} turns`
    case 'order':
      return `${set.replaceAll(',', '')} ${order}${ask.forms === undefined ? '' : ' inversions'}`
    case 'tones':
      return `${spaced(tones)}${ring === undefined ? '' : ` ring ${spaced(ring)}`}`
  }
}
