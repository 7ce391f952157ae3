/** Formula to symbol, in three schools. Whatever is written here, `readSymbol` reads back as the same formula. */
import { type Degree, type NamingSystem, type NoteName, stepOf, withSigns, writeNote } from '../pitch/index.ts'
import { formulaKey } from './formula.ts'
import { readSuffix } from './symbolRead.ts'
import type { Chord, Formula, SymbolSchool } from './types.ts'

export interface SymbolStyle {
  readonly school?: SymbolSchool
  readonly naming?: NamingSystem
  /** ASCII accidentals and letters, for addresses, JSON and files. */
  readonly ascii?: boolean
}

const WORDS = { minor: 'm', major: 'maj', dim: 'dim', aug: 'aug', half: undefined } as const
const SIGNS = { minor: 'm', major: 'Δ', dim: '°', aug: '+', half: 'ø' } as const
const DASHES = { minor: '–', major: 'MA', dim: '°', aug: '+', half: undefined } as const
const SCHOOLS = { words: WORDS, signs: SIGNS, dashes: DASHES } as const

const LEVELS = [9, 11, 13] as const

/** The number that the symbol ends on: 7, or the highest natural extension with the levels below it present. */
function stackNumber(formula: Formula): 7 | 9 | 11 | 13 {
  const covered = (level: number) =>
    formula.some((degree) => stepOf(degree) === level) ||
    (level === 9 && formula.includes('2')) ||
    (level === 11 && formula.includes('4'))
  let number: 7 | 9 | 11 | 13 = 7
  if (!formula.some((degree) => stepOf(degree) === 7)) return number
  for (const level of LEVELS) {
    if (formula.includes(`${level}` as Degree)) number = level
    // A thirteenth skips the eleventh, unless its third is minor.
    if (!covered(level) && (level !== 11 || formula.includes('b3'))) break
  }
  return number
}

function suffixOf(formula: Formula, school: SymbolSchool): string {
  const has = (degree: Degree) => formula.includes(degree)
  const words = SCHOOLS[school]
  const number = stackNumber(formula)
  const minor = has('b3')
  const thirdless = !minor && !has('3')
  const suspension = thirdless ? (has('2') && has('4') ? 'sus24' : has('4') ? 'sus4' : has('2') ? 'sus2' : '') : ''
  const seventh = formula.find((degree) => stepOf(degree) === 7)
  const stacked = seventh !== undefined || has('6')
  const told = new Set<Degree>(['R', '2', 'b3', '3', '4', '5', '6', 'bb7', 'b7', '7'])
  if (number > 7)
    for (const level of LEVELS)
      if (level <= number && (level !== 11 || number === 11 || minor)) told.add(`${level}` as Degree)

  let head: string
  const sixNine = has('6') && has('9')
  if (sixNine) told.add('9')
  const six = sixNine ? '6/9' : has('6') ? '6' : ''
  if (minor && has('b5') && (seventh === 'bb7' || seventh === '7' || (seventh === undefined && !has('6')))) {
    told.add('b5')
    head =
      seventh === 'bb7'
        ? `${words.dim}${number}`
        : seventh === '7'
          ? `${words.dim}(${words.major}${number})`
          : words.dim
  } else if (minor && has('b5') && seventh === 'b7' && words.half !== undefined) {
    told.add('b5')
    head = `${words.half}${number}`
  } else if (minor) {
    head = words.minor
    if (seventh === '7') head += school === 'words' ? `(${words.major}${number})` : `${words.major}${number}`
    else head += seventh === 'b7' ? `${number}` : six
  } else if (has('3') && has('#5') && !stacked) {
    told.add('#5')
    head = words.aug
  } else {
    head = seventh === '7' ? `${words.major}${number}` : seventh === 'b7' ? `${number}` : six
    if (thirdless && suspension === '' && !stacked) head = '5'
  }

  let tail = suspension
  for (const degree of ['b5', '#5'] as const)
    if (has(degree) && !told.has(degree)) tail += stacked ? degree : `(${degree})`
  for (const degree of formula)
    if (stepOf(degree) > 7 && !told.has(degree)) {
      const altered = degree.startsWith('b') || degree.startsWith('#')
      tail += altered && stacked ? degree : `add${degree}`
    }
  if (thirdless && suspension === '' && stacked) tail += 'no3'
  if (!has('5') && !has('b5') && !has('#5')) tail += 'no5'
  return head + tail
}

const cache = new Map<string, string>()

/** The part of a symbol after its root, in ASCII accidentals. A formula no symbol tells is written `[R b9 5]`. */
export function symbolSuffix(formula: Formula, school: SymbolSchool = 'words'): string {
  const key = `${school}|${formulaKey(formula)}`
  const known = cache.get(key)
  if (known !== undefined) return known
  const written = suffixOf(formula, school)
  const back = readSuffix(written)
  const suffix = back.ok && formulaKey(back.value.formula) === formulaKey(formula) ? written : `[${formula.join(' ')}]`
  cache.set(key, suffix)
  return suffix
}

/** Writes a chord's symbol: `E♭maj7`, `E♭Δ7`, `E♭MA7`; with its own bass note after a slash. */
export function writeSymbol(chord: Chord, style: SymbolStyle = {}): string {
  const { school = 'words', naming = 'letters', ascii = false } = style
  const suffix = symbolSuffix(chord.formula, school)
  const note = (name: NoteName) => (ascii ? name : writeNote(name, naming))
  const bass = chord.bass === undefined ? '' : `/${note(chord.bass)}`
  return note(chord.root) + (ascii ? suffix : suffixWithSigns(suffix)) + bass
}

/** `m7b5` → `m7♭5`. A bare accidental stands only before a number in a suffix. */
const suffixWithSigns = (suffix: string): string => suffix.replace(/(bb|b|##|#)\d+/g, withSigns)
