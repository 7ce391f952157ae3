/** The words of a key's typed line, one after another: what each names, before it is known which strings and depth they are about. */
import type { Depth, DepthSchool, Key } from '../key/index.ts'
import { requireAt } from '../result/index.ts'
import { type Manner, mannerNamed } from '../taste/index.ts'
import { gripWord } from './gripWords.ts'
import { LANE_FRETS } from './types.ts'

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
const LINKING = new Set(['in', 'on', 'and', 'or', 'kept', 'as', 'at', 'the', 'lane', 'lanes', 'forms', 'position'])
/** Numbers behind these are strings, whatever else they could be. */
const OF_STRINGS = new Set(['on', 'root', 'roots', 'string', 'strings', 'set', 'sets'])
const ROMAN = /^[b#♭♯]*(VII|III|VI|IV|II|I|V|vii|iii|vi|iv|ii|i|v)(?=$|[^a-z]|m|dim|maj|sus|add|aug)\S*$/
const ORDER = /^[r1](-?(r|11|13|[13579])){1,6}$|^[3579](-?(r|11|13|[13579])){1,6}$/

/** What a word says by itself. */
export interface Plain {
  readonly key?: Key
  readonly depth?: Depth
  readonly school?: DepthSchool
  readonly from?: number
  /** How grips over a root are chosen. */
  readonly manner?: Manner
}

export interface Word {
  readonly text: string
  readonly at: number
}

export interface NamedSet extends Word {
  /** What is named behind it. */
  order?: Word
}

/** What the words name. */
export interface Said {
  line: Plain
  readonly tones: Word[]
  readonly ring: Word[]
  readonly sets: NamedSet[]
  roots: Word[]
  /** For every set that names none of its own. */
  order: Word | undefined
  arrangement: Word | undefined
  forms: string | undefined
  inTurn: boolean
  rootless: boolean
  withoutFifth: boolean
  progression: Word | undefined
}

/** Whether a line begins with something else than a key. */
export const isNoKey = (word: Word): boolean =>
  /^[\dR]|^[a-z]{4,}/.test(word.text) || ROMAN.test(word.text) || /^(no|nut|on|as|at|in|the|set)$/i.test(word.text)

export const small = (word: Word | undefined): string => word?.text.toLowerCase().replace(/[,;]$/, '') ?? ''
const isNumber = (word: Word | undefined): boolean => /^([1-9]|10)$/.test(small(word))

/** Words taken at a place; 0 where they say nothing here. */
export function readWord(words: readonly Word[], at: number, said: Said, strings: number): number {
  const word = requireAt(words, at)
  const lower = small(word)
  const next = small(words[at + 1])
  const depth = DEPTH_WORDS[lower]
  const school = SCHOOL_WORDS[lower]
  const say = (more: Plain, count = 1) => {
    said.line = { ...said.line, ...more }
    return count
  }
  if (depth) return say({ depth })
  if (school) return say({ school })
  if (/^ring(ing|s)?$/.test(lower)) {
    let count = 1
    for (; /^\d+$/.test(small(words[at + count])) || small(words[at + count]) === 'and'; count++)
      if (small(words[at + count]) !== 'and') said.ring.push(requireAt(words, at + count))
    return count
  }
  if (/^turns?$/.test(lower)) return 1
  if (/^inversions?$/.test(lower)) {
    said.forms = '3'
    return 1
  }
  const manner = mannerNamed(lower) ?? (lower === 'open' ? 'open' : undefined)
  if (manner) return say({ manner }, /^(chords?|grips?|guitar)$/.test(next) ? 2 : 1)
  if (lower === 'nut') return say({ from: 0 })
  if (/^(from|frets?)$/.test(lower)) {
    const behind = next === 'fret' ? 2 : next === 'the' || next === 'nut' ? 0 : 1
    if (behind === 0)
      return next === 'nut' ? say({ from: 0 }, 2) : small(words[at + 2]) === 'nut' ? say({ from: 0 }, 3) : 0
    const fret = small(words[at + behind])
    return /^\d{1,2}$/.test(fret) && Number(fret) <= LANE_FRETS ? say({ from: Number(fret) }, behind + 1) : 0
  }
  const grip = gripWord((by) => small(words[at + by]))
  if (grip) {
    said.rootless ||= grip.rootless === true
    said.withoutFifth ||= grip.withoutFifth === true
    if (grip.arrangement !== undefined) said.arrangement = { text: grip.arrangement, at: word.at }
    return grip.count
  }
  if (/^(r|\d+):\d+$/.test(lower)) {
    said.tones.push(word)
    return 1
  }
  if (ROMAN.test(word.text.replace(/,$/, ''))) return progressionAt(words, at, said)
  const spaced = orderAt(words, at)
  if (spaced > 1) {
    const text = words
      .slice(at, at + spaced)
      .map(small)
      .join('-')
    nameOrder(said, { text, at: word.at })
    return spaced
  }
  if (isNumber(word)) return numbersAt(words, at, said, strings)
  if (/^\d{2}$/.test(lower) && Number(lower[0]) > Number(lower[1])) {
    said.roots.push(...[...lower].map((digit, index) => ({ text: digit, at: word.at + index })))
    return 1
  }
  if (/^\d{3,}$/.test(lower)) {
    said.sets.push({ text: lower, at: word.at })
    return 1
  }
  if (ORDER.test(lower)) {
    nameOrder(said, word)
    return 1
  }
  return LINKING.has(lower) || OF_STRINGS.has(lower) ? 1 : 0
}

/** An order belongs to the set before it. */
function nameOrder(said: Said, order: Word): void {
  const last = said.sets.at(-1)
  if (last && !last.order) last.order = order
  else said.order = order
}

/** An order that is written apart, `R 7 3`: the root stands among its tones. */
function orderAt(words: readonly Word[], at: number): number {
  let count = 0
  while (/^(r|[13579]|11|13)$/.test(small(words[at + count]))) count++
  return words.slice(at, at + count).some((word) => small(word) === 'r') ? count : 0
}

/** Romans one after another, and digits among them. */
function progressionAt(words: readonly Word[], at: number, said: Said): number {
  let count = 0
  const belongs = (word: Word | undefined) =>
    word !== undefined &&
    (ROMAN.test(word.text.replace(/,$/, '')) || /^[b#♭♯]*[1-7]/.test(word.text) || /^[–—-]$/.test(word.text))
  while (belongs(words[at + count])) count++
  return written(words, at, count, said)
}

function written(words: readonly Word[], at: number, count: number, said: Said): number {
  said.progression = {
    text: words
      .slice(at, at + count)
      .map(({ text }) => text.replace(/,$/, ''))
      .join(' '),
    at: requireAt(words, at).at,
  }
  return count
}

/**
 * Numbers one after another. Three or more that fall are a set (`3 2 1`), two are the strings of two roots (`6 5`); any others
 * are steps (`1 4 5`), unless the line calls them strings.
 */
function numbersAt(words: readonly Word[], at: number, said: Said, strings: number): number {
  let count = 0
  const run: Word[] = []
  for (; isNumber(words[at + count]) || (run.length > 0 && small(words[at + count]) === 'and'); count++)
    if (isNumber(words[at + count])) run.push(requireAt(words, at + count))
  const numbers = run.map((word) => Number(small(word)))
  const falls = numbers.every((one, index) => index === 0 || one < requireAt(numbers, index - 1))
  const isNamed = said.inTurn || OF_STRINGS.has(small(words[at - 1]))
  const areRoots =
    numbers.length === 1 ||
    said.inTurn ||
    (numbers.length === 2 && (isNamed || numbers.every((one) => one > strings - 4 && one <= strings)))
  if (areRoots) said.roots.push(...run)
  else if (numbers.length > 2 && (isNamed || falls) && numbers.every((one) => one <= strings))
    said.sets.push({ text: numbers.join(','), at: requireAt(run, 0).at })
  else if (numbers.every((one) => one <= 7) && !isNamed) return written(words, at, count, said)
  else said.roots.push(...run)
  return count
}
