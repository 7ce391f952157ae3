/**
 * Chord symbols in: every usual way of writing, to a root, a formula and a bass.
 *   text ─root─ quality (m, maj, dim, ø, +, dom) ─ number (6, 7, 9 …) ─ items (alterations, sus, add, no, alt) ─ /bass
 * Read `readSuffix` first: it walks the text once, left to right, and every refusal knows its place.
 */
import { type Degree, type NamingSystem, type NoteName, readNotes, spokenIn, stepOf } from '../pitch/index.ts'
import { fail, ok, piece, type Result, requireAt } from '../result/index.ts'
import type { PlainSymbolError, SymbolError } from './errors.ts'
import { formulaOf, readFormula } from './formula.ts'
import { respellRoot } from './spelled.ts'
import type { Chord, Formula } from './types.ts'

export interface SymbolReading extends Chord {
  /** What was written, when the root had to give way to its twin (D♯♯ → E). */
  readonly respelledFrom?: NoteName | undefined
  /** For `7alt`: the formulas to choose among; the first is the chord's own. Otherwise empty. */
  readonly choices: readonly Formula[]
}

interface SuffixReading {
  readonly formula: Formula
  readonly choices: readonly Formula[]
  /** Characters read; a slash bass may follow. */
  readonly length: number
}

const MAX_SYMBOL = 48

const refusal = (code: PlainSymbolError['code'], at: number, text: string): PlainSymbolError => ({
  code,
  at,
  text: piece(text),
})

/** The altered dominants that `7alt` leaves open, the two-sided ones first. */
const ALTERED: readonly Formula[] = [
  ['R', '3', '#5', 'b7', '#9'],
  ['R', '3', '#5', 'b7', 'b9'],
  ['R', '3', 'b5', 'b7', 'b9'],
  ['R', '3', 'b5', 'b7', '#9'],
  ['R', '3', 'b7', 'b9', 'b13'],
  ['R', '3', 'b7', '#9', 'b13'],
  ['R', '3', 'b7', 'b9', '#11'],
  ['R', '3', 'b7', '#9', '#11'],
]

/** What may stand behind an accidental; sixths and fourths are taken as the extensions that they sound as. */
const ALTERATIONS: Readonly<Record<string, Degree>> = {
  b5: 'b5',
  '#5': '#5',
  b9: 'b9',
  '#9': '#9',
  '#11': '#11',
  '#4': '#11',
  b13: 'b13',
  b6: 'b13',
}

const accidentalOf = (written: string): string =>
  written
    .replace(/flat/i, 'b')
    .replace(/sharp/i, '#')
    .replaceAll('♭', 'b')
    .replaceAll('♯', '#')
    .replaceAll('𝄫', 'bb')
    .replaceAll('𝄪', 'x')
    .replace(/[-–−]/g, 'b')
    .replaceAll('+', '#')
    .replaceAll('♮', '')

interface Draft {
  third: Degree | undefined
  suspensions: Degree[]
  fifths: Entry[]
  sixth: Entry | undefined
  seventh: Entry | undefined
  /** 9, 11 or 13 when the symbol stacks that far. */
  stack: number
  /** Where the number ends, in the text after the root. */
  numberEnd: number | undefined
  extras: Entry[]
  noThird: boolean
  noFifth: boolean
  /** Extensions that are written off: 9, 11 or 13. */
  without: number[]
  alt: boolean
}
interface Entry {
  readonly degree: Degree
  readonly at: number
  readonly text: string
}

/** Reads what follows the root, up to a slash bass or the end. `offset` is where the text begins in the whole. */
export function readSuffix(text: string, offset = 0): Result<SuffixReading, SymbolError> {
  let at = 0
  const eat = (pattern: RegExp): RegExpExecArray | undefined => {
    pattern.lastIndex = at
    const found = pattern.exec(text)
    if (!found) return undefined
    at += found[0].length
    return found
  }
  const draft: Draft = {
    third: '3',
    suspensions: [],
    fifths: [],
    sixth: undefined,
    seventh: undefined,
    stack: 0,
    numberEnd: undefined,
    extras: [],
    noThird: false,
    noFifth: false,
    without: [],
    alt: false,
  }
  const entry = (degree: Degree, from: number): Entry => ({ degree, at: offset + from, text: text.slice(from, at) })
  const stackTo = (number: string) => {
    if (Number(number) > 7) draft.stack = Number(number)
  }

  eat(/\s+/y)
  const bracketed = eat(/\[([^\]]*)\]/y)
  if (bracketed) {
    const formula = readFormula(requireAt(bracketed, 1))
    if (!formula.ok) return fail({ ...formula.error, at: formula.error.at + offset + at - bracketed[0].length + 1 })
    return ok({ formula: formula.value, choices: [], length: at })
  }

  // What a key is called names its triad too.
  const dur = eat(/[-–−\s]*dur\b/iy)
  const moll = dur ? undefined : eat(/[-–−\s]*moll\b/iy)
  // Quality. `M` and `m` differ by case alone; every other word may be written in either.
  const start = at
  let seventhOfNumber: Degree = 'b7'
  let wantsNumber = false
  // A number in brackets belongs to these: maj(7) is maj7.
  let takesBracket = false
  if (moll) {
    draft.third = 'b3'
  } else if (dur) {
    // the plain triad
  } else if (eat(/half[\s-]*dim(?:inished)?(?:[\s-]*(?:7(?:th)?|seventh))?/iy)) {
    draft.third = 'b3'
    draft.fifths.push(entry('b5', start))
    draft.seventh = entry('b7', start)
  } else if (eat(/maj(?:eur|or)?|ma(?!dd)|j(?=7|9|1[13])/iy) ?? eat(/M(?![iI])/y)) {
    seventhOfNumber = '7'
    takesBracket = true
  } else if (eat(/[Δ△∆^]/y)) {
    seventhOfNumber = '7'
    takesBracket = true
    if (!/^\s*\(?\s*(6|7|9|1[13])/.test(text.slice(at))) draft.seventh = entry('7', start)
  } else if (eat(/min(?:eur|or)?|mi/iy) ?? eat(/m|[-–−](?!\s*5\b)/y)) {
    draft.third = 'b3'
  } else if (eat(/dim(?:inished)?|[°º˚]|o(?!mit)/iy)) {
    takesBracket = true
    draft.third = 'b3'
    draft.fifths.push(entry('b5', start))
    seventhOfNumber = 'bb7'
  } else if (eat(/[øØ]/y)) {
    draft.third = 'b3'
    draft.fifths.push(entry('b5', start))
    draft.seventh = entry('b7', start)
  } else if (eat(/aug(?:mented)?|\+(?!\d)|\+(?=7|9|1[13])/iy)) {
    draft.fifths.push(entry('#5', start))
  } else if (eat(/dom(?:inant)?/iy)) {
    wantsNumber = true
  }

  // Number.
  eat(/\s+/y)
  // The major seventh of the key, wherever the third is: Cm♮7.
  if (eat(/♮(?=7)/y)) seventhOfNumber = '7'
  const numberAt = at
  const opened: number[] = []
  if (takesBracket && /^\(\s*(?:6|7|9|1[13])/.test(text.slice(at))) {
    opened.push(at)
    eat(/\(\s*/y)
  }
  const sixNine = eat(/6\s*[/⁄]\s*9(?!\d)|69(?!\d)|9\s*[/⁄]\s*6(?!\d)/y)
  const number = sixNine ? undefined : eatNumber(eat)
  if (sixNine) {
    draft.sixth = entry('6', numberAt)
    draft.extras.push(entry('9', numberAt))
  } else if (number === '5') {
    if (numberAt > start) return fail(refusal('power_with_quality', offset + numberAt, '5'))
    draft.third = undefined
  } else if (number === '6') {
    draft.sixth = entry('6', numberAt)
  } else if (number) {
    draft.seventh ??= entry(seventhOfNumber, numberAt)
    stackTo(number)
    draft.numberEnd = at
  } else if (wantsNumber) {
    draft.seventh = entry('b7', start)
  } else if (/^[24](?!\d)/.test(text.slice(at))) {
    return fail(refusal('ambiguous_number', offset + at, requireAt(text, at)))
  }

  // Items, in any order, with brackets, commas and spaces between.
  let separated = false
  while (at < text.length) {
    const from = at
    if (eat(/[\s,·]+/y)) {
      separated = true
      continue
    }
    if (eat(/[([]/y)) {
      opened.push(from)
      separated = true
      continue
    }
    if (text[at] === ')' || text[at] === ']') {
      if (opened.pop() === undefined) return fail(refusal('bracket_unopened', offset + at, requireAt(text, at)))
      at++
      separated = true
      continue
    }
    if (text[at] === '/') {
      // A slash before a tension or a major seventh parts the symbol; before a note it brings the bass.
      if (/^\/\s*(?:[b#♭♯+–−-]?\s*\d|(?:maj?|M|[Δ△∆^])\s*7)/.test(text.slice(at))) {
        at++
        separated = true
        continue
      }
      break
    }
    const item = readItem(draft, { eat, entry, from, separated, rest: text.slice(from), at: offset + from, stackTo })
    if (item !== undefined) return fail(item)
    separated = false
  }
  if (opened.length > 0) return fail(refusal('bracket_unclosed', offset + (opened[0] as number), '('))
  return assemble(draft, at, offset + start)
}

const NUMBER_WORDS: Readonly<Record<string, string>> = {
  thirteenth: '13',
  eleventh: '11',
  ninth: '9',
  seventh: '7',
  sixth: '6',
  fifth: '5',
}

function eatNumber(eat: ItemReader['eat']): string | undefined {
  const found = eat(/(13|11|9|7|6|5)(?:th)?(?!\d)|(?:thirteen|eleven|nin|seven|six|fif)th/iy)
  return found && (found[1] ?? NUMBER_WORDS[found[0].toLowerCase()])
}

/** `7M` and `m9(maj7)`: the number told how far to stack, and this tells which seventh. */
const isMadeMajor = (draft: Draft, [, number]: RegExpExecArray, { from }: ItemReader): boolean =>
  draft.seventh?.degree === 'b7' &&
  (number === undefined ? draft.numberEnd === from : number === '7' && draft.third === 'b3' && draft.stack > 7)

interface ItemReader {
  readonly eat: (pattern: RegExp) => RegExpExecArray | undefined
  readonly entry: (degree: Degree, from: number) => Entry
  readonly stackTo: (number: string) => void
  readonly from: number
  readonly at: number
  readonly separated: boolean
  readonly rest: string
}

/** Takes one item into the draft; gives back a refusal when there is none. */
function readItem(draft: Draft, read: ItemReader): SymbolError | undefined {
  const { eat, entry, from, at } = read
  const major = eat(/(?:major|maj|ma)\s*(7|9|11|13|seventh)?(?!\d)/iy) ?? eat(/[MΔ△∆^]\s*(7|9|11|13)?(?!\d)/y)
  if (major) {
    if (draft.seventh !== undefined && !isMadeMajor(draft, major, read)) return refusal('second_seventh', at, major[0])
    draft.seventh = entry('7', from)
    if (major[1] !== undefined && major[1] !== 'seventh') read.stackTo(major[1])
    return undefined
  }
  if (eat(/sus\s*(?:24|42|2\s*(?:\/|sus)\s*4|4\s*(?:\/|sus)\s*2)/iy)) {
    draft.suspensions.push('2', '4')
    return undefined
  }
  const susOver = draft.seventh === undefined ? eat(/sus\s*(7|9|13)(?!\d)/iy) : undefined
  if (susOver) {
    draft.suspensions.push('4')
    draft.seventh = entry('b7', from)
    read.stackTo(requireAt(susOver, 1))
    return undefined
  }
  const sus = eat(/sus(?:pended)?\s*(2|4)?(?!\d)/iy)
  if (sus) {
    draft.suspensions.push((sus[1] ?? '4') as Degree)
    return undefined
  }
  const add = eat(/add\s*([b#♭♯+-]?)\s*(\d+)/iy)
  if (add) {
    const written = `${accidentalOf(requireAt(add, 1))}${add[2]}`
    const degree = (ALTERATIONS[written] ??
      ({ '2': '9', '9': '9', '4': '11', '11': '11', '6': '6', '13': '13' } as const)[written]) as Degree | undefined
    if (degree === undefined || stepOf(degree) === 5) return refusal('unknown_addition', at, add[0])
    draft.extras.push(entry(degree, from))
    return undefined
  }
  const no = eat(/(?:no|omit)\s*(\d+)(?:rd|th)?/iy)
  if (no) {
    if (no[1] === '3' && !draft.noThird) draft.noThird = true
    else if (no[1] === '5' && !draft.noFifth) draft.noFifth = true
    else if (/^(9|11|13)$/.test(requireAt(no, 1))) draft.without.push(Number(no[1]))
    else return refusal('unknown_omission', at, no[0])
    return undefined
  }
  if (eat(/alt(?:ered)?/iy)) {
    if (draft.alt) return refusal('alt_twice', at, 'alt')
    draft.alt = true
    return undefined
  }
  const alteration = eat(/(bb|##|[b#x♭♯♮𝄫𝄪+–−-]|flat|sharp)[\s-]*(\d+)(?:th)?/iuy)
  if (alteration) {
    const sign = accidentalOf(requireAt(alteration, 1))
    const number = requireAt(alteration, 2)
    const degree = ALTERATIONS[`${sign}${number}`]
    if (degree !== undefined) {
      if (stepOf(degree) === 5) draft.fifths.push(entry(degree, from))
      else draft.extras.push(entry(degree, from))
      return undefined
    }
    return { code: 'not_a_tension', at, text: piece(alteration[0]), number }
  }
  if (eat(/\+|aug/iy)) {
    draft.fifths.push(entry('#5', from))
    return undefined
  }
  const plain = read.separated ? eat(/(9|11|13|6|5|7)(?!\d)/y) : undefined
  if (plain) {
    if (plain[0] === '5') draft.noFifth = false
    else if (plain[0] === '7') draft.seventh ??= entry('b7', from)
    else draft.extras.push(entry(plain[0] as Degree, from))
    return undefined
  }
  return refusal('not_in_a_symbol', at, read.rest)
}

function assemble(draft: Draft, length: number, startAt: number): Result<SuffixReading, SymbolError> {
  if (draft.alt) {
    if (draft.extras.length > 0 || draft.fifths.length > 0 || draft.suspensions.length > 0 || draft.third !== '3')
      return fail(refusal('alt_with_more', startAt, 'alt'))
    return ok({ formula: requireAt(ALTERED, 0), choices: ALTERED, length })
  }
  const implied = (degree: Degree): Entry => ({ degree, at: startAt, text: degree })
  const entries: Entry[] = [implied('R')]
  if (draft.suspensions.length > 0) entries.push(...draft.suspensions.map(implied))
  else if (draft.third !== undefined && !draft.noThird) entries.push(implied(draft.third))
  if (draft.fifths.length > 0) entries.push(...draft.fifths)
  else if (!draft.noFifth) entries.push(implied('5'))
  if (draft.sixth) entries.push(draft.sixth)
  if (draft.seventh) entries.push(draft.seventh)
  const altered = (step: number) =>
    draft.extras.some((extra) => stepOf(extra.degree) === step && extra.degree !== `${step}`)
  const suspended = (degree: Degree) => draft.suspensions.includes(degree)
  if (draft.stack >= 9 && !altered(9) && !suspended('2')) entries.push(implied('9'))
  // A major third and the eleventh rub: a thirteenth over one has no 11 unless it is written.
  const rubs = draft.stack >= 13 && draft.third === '3'
  if (draft.stack >= 11 && !rubs && !altered(11) && !suspended('4')) entries.push(implied('11'))
  if (draft.stack >= 13 && !altered(13)) entries.push(implied('13'))
  entries.push(...draft.extras)
  const formula = formulaOf(entries.filter(({ degree }) => !draft.without.some((step) => degree === `${step}`)))
  return formula.ok ? ok({ formula: formula.value, choices: [], length }) : formula
}

/**
 * Reads a chord symbol. `systems` are the ways of naming notes that are switched on, the player's own first.
 * Fails with the place and what was expected; never throws, whatever the text.
 */
export function readSymbol(
  text: string,
  systems: readonly NamingSystem[] = ['letters'],
): Result<SymbolReading, SymbolError> {
  if (text.length > MAX_SYMBOL)
    return fail({ code: 'symbol_too_long', at: MAX_SYMBOL, text: piece(text.slice(MAX_SYMBOL)), most: MAX_SYMBOL })
  const lead = text.length - text.trimStart().length
  const trimmed = text.trim()
  if (trimmed === '') return fail(refusal('no_symbol', 0, ''))
  const naming = spokenIn(trimmed, systems)
  const roots = readNotes(trimmed, naming)
  if (roots.length === 0) return fail(refusal('no_root_note', lead, trimmed))
  let first: SymbolError | undefined
  for (const root of roots) {
    const read = readAfterRoot(root.name, trimmed.slice(root.length), lead + root.length, naming)
    if (read.ok) return read
    first ??= read.error
  }
  return fail(first as SymbolError)
}

function readAfterRoot(
  root: NoteName,
  rest: string,
  at: number,
  systems: readonly NamingSystem[],
): Result<SymbolReading, SymbolError> {
  const suffix = readSuffix(rest, at)
  if (!suffix.ok) return suffix
  const { formula, choices, length } = suffix.value
  const tail = rest.slice(length)
  let bass: NoteName | undefined
  if (tail.trim() !== '') {
    const written = tail.slice(1).trim()
    const bassAt = at + length + 1
    if (!tail.startsWith('/')) return fail(refusal('after_symbol', at + length, tail))
    bass = readNotes(written, systems).find((read) => read.length === written.length)?.name
    if (bass === undefined) return fail(refusal('no_bass_note', bassAt, written))
  }
  const spelled = respellRoot(root, formula)
  return ok({
    root: spelled,
    formula,
    choices,
    ...(bass === undefined ? {} : { bass }),
    ...(spelled === root ? {} : { respelledFrom: root }),
  })
}
