/** The typed line of a key: `Bb ninths 6 5`, `D triads 321`, `F# dorian 5`, `G triads R:5 5:4 3:2 ring 3 1`. */
import { type Depth, type DepthSchool, type Key, type KeyError, MAJOR, readKey, writeKey } from '../key/index.ts'
import type { NamingSystem } from '../pitch/index.ts'
import { fail, ok, piece, type Result, requireAt, type TextErrorOf } from '../result/index.ts'
import { type LaneError, readAsk, writeAsk } from './askText.ts'
import type { LaneAsk } from './types.ts'

/** What a line says; what it does not say stays as it was. */
export interface KeyLine {
  readonly key?: Key
  readonly depth?: Depth
  readonly school?: DepthSchool
  readonly asks?: readonly LaneAsk[]
}

export type KeyLineError = KeyError | LaneError | TextErrorOf<{ not_in_a_key_line: object }>

const DEPTH_WORDS: Readonly<Record<string, Depth>> = {
  triad: 'triads',
  triads: 'triads',
  seventh: 'sevenths',
  sevenths: 'sevenths',
  '7th': 'sevenths',
  '7ths': 'sevenths',
  ninth: 'ninths',
  ninths: 'ninths',
  '9th': 'ninths',
  '9ths': 'ninths',
  eleventh: 'elevenths',
  elevenths: 'elevenths',
  '11th': 'elevenths',
  '11ths': 'elevenths',
  thirteenth: 'thirteenths',
  thirteenths: 'thirteenths',
  '13th': 'thirteenths',
  '13ths': 'thirteenths',
}
const SCHOOL_WORDS: Readonly<Record<string, DepthSchool>> = { honest: 'honest', plain: 'plain' }
/** Said for the ear only. */
const LINKING = new Set([
  'in',
  'on',
  'and',
  'root',
  'roots',
  'string',
  'strings',
  'kept',
  'as',
  'lane',
  'lanes',
  'forms',
])

interface Word {
  readonly text: string
  readonly at: number
}

/** @param strings How many the neck has. */
export function readKeyLine(
  text: string,
  strings: number,
  systems: readonly NamingSystem[] = ['letters'],
): Result<KeyLine, KeyLineError> {
  const words: Word[] = [...text.matchAll(/\S+/g)].map((match) => ({ text: match[0], at: match.index }))
  const head = readHead(text, words, systems)
  if (!head.ok) return head
  let said: KeyLine = head.value.key ? { key: head.value.key } : {}
  const roots: Word[] = []
  const tones: Word[] = []
  const ring: Word[] = []
  let rings = false
  let inTurn = false
  let set: Word | undefined
  let order: Word | undefined
  let forms: string | undefined
  for (const word of words.slice(head.value.used)) {
    const lower = word.text.toLowerCase().replace(/,$/, '')
    const depth = DEPTH_WORDS[lower]
    const school = SCHOOL_WORDS[lower]
    if (depth) said = { ...said, depth }
    else if (school) said = { ...said, school }
    else if (/^ring(ing|s)?$/.test(lower)) rings = true
    else if (/^turns?$/.test(lower)) inTurn = true
    else if (/^inversions?$/.test(lower)) forms = '3'
    else if (/^(R|r|1|3|5|7|9|11|13):\d+$/.test(lower.toUpperCase()) || /^(r|\d+):\d+$/.test(lower)) tones.push(word)
    else if (/^\d{1,2}$/.test(lower) && (lower.length === 1 || Number(lower) === 10)) (rings ? ring : roots).push(word)
    else if (/^\d{3,}$/.test(lower)) set = word
    else if (/^[r1](-?(11|13|[3579])){1,6}$/.test(lower) || /^[3579](-?(r|11|13|[13579])){1,6}$/.test(lower))
      order = word
    else if (!LINKING.has(lower)) return fail({ code: 'not_in_a_key_line', at: word.at, text: piece(word.text) })
  }
  const asked = asksOf({ roots, tones, ring, inTurn, set, order, forms }, strings)
  if (!asked.ok) return asked
  return ok(asked.value.length > 0 ? { ...said, asks: asked.value } : said)
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
  const isOther = first === undefined || /^[\dR]|^[a-z]{4,}/.test(first.text)
  if (isOther) return ok({ key: undefined, used: 0 })
  return fail({ code: 'not_a_key', at: first.at, text: piece(first.text) })
}

interface Said {
  readonly roots: readonly Word[]
  readonly tones: readonly Word[]
  readonly ring: readonly Word[]
  readonly inTurn: boolean
  readonly set: Word | undefined
  readonly order: Word | undefined
  readonly forms: string | undefined
}

function asksOf(
  { roots, tones, ring, inTurn, set, order, forms }: Said,
  strings: number,
): Result<readonly LaneAsk[], KeyLineError> {
  const texts = (words: readonly Word[]) => words.map(({ text }) => text.replace(/,$/, '')).join(',')
  const one = (ask: ReturnType<typeof readAsk>, at: number): Result<readonly LaneAsk[], KeyLineError> => {
    if (ask.ok) return ok([ask.value])
    const { field: _, ...error } = ask.error
    return fail({ ...error, at: at + error.at })
  }
  if (tones.length > 0)
    return one(readAsk({ tones: texts(tones).toUpperCase(), ring: texts(ring) }, strings), requireAt(tones, 0).at)
  if (set)
    return one(readAsk({ strings: set.text, order: order?.text.toUpperCase(), forms }, strings), (order ?? set).at)
  if (order) return fail({ code: 'lane_root_missing', at: order.at, text: piece(order.text) })
  if (inTurn && roots.length > 1) return one(readAsk({ root: texts(roots) }, strings), requireAt(roots, 0).at)
  const asks: LaneAsk[] = []
  for (const root of roots) {
    const read = one(readAsk({ root: root.text.replace(/,$/, '') }, strings), root.at)
    if (!read.ok) return read
    asks.push(...read.value)
  }
  return ok(asks)
}

/** As `readKeyLine` reads it back; lanes that a line can't tell, such as a root beside an order, are left to the words. */
export function writeKeyLine(
  { key, depth, school, asks = [] }: KeyLine,
  strings: number,
  naming: NamingSystem = 'letters',
): string {
  const told = asks.map((ask) => writeAskWords(ask, strings))
  const style = naming === 'letters' ? { ascii: true } : { naming }
  const written = key && writeKey(key, style)
  // A tonic alone is major; in other systems it may be a word, and says so.
  const name = key?.scale.name === MAJOR.name && naming === 'letters' ? key.tonic : written
  return [name, depth, school === 'plain' ? school : undefined, ...told].filter(Boolean).join(' ')
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
