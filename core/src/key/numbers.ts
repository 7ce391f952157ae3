/** Chords as numbers in a key, by three schools; progressions of numbers read and written. */
import { type Chord, formulaKey, readSymbol, symbolSuffix } from '../chord/index.ts'
import { alterationOf, letterIndexOf, type NoteName, noteNameOf, spellDegree } from '../pitch/index.ts'
import { fail, ok, piece, type Result, requireAt, type TextErrorOf } from '../result/index.ts'
import { chordScale, type Depth } from './chordScale.ts'
import { type Key, keyOf, MAJOR } from './key.ts'
import { requireScale } from './scale.ts'

/** `roman`: capitals for chords with a major third, small letters for the others. `capitals`: I II III. `plain`: 1 2– 3–. */
export const NUMBER_SCHOOLS = ['roman', 'capitals', 'plain'] as const
export type NumberSchool = (typeof NUMBER_SCHOOLS)[number]

export type NumbersError = TextErrorOf<{
  not_a_chord_number: object
  /** What stands behind the number is no chord. */
  not_a_suffix: object
  /** A root that would need three accidentals. */
  number_unspellable: object
}>

const ROMAN = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'] as const
const HARMONIC_MINOR = requireScale('harmonic minor')

const SIGNS: Readonly<Record<string, string>> = { bb: '𝄫', b: '♭', '': '', '#': '♯', '##': '𝄪' }

/** What follows the number for a triad's kind, where the school shows it. */
function kindSign(chord: Chord, school: NumberSchool): string {
  const has = (degree: string) => (chord.formula as readonly string[]).includes(degree)
  if (has('b3') && has('b5')) return '°'
  if (has('3') && has('#5')) return '+'
  return school === 'plain' && has('b3') ? '–' : ''
}

/** The number of a step as such, without what stands behind it: `ii`, `vii°`, `III`, `6–`. */
export function writeStep(chord: Chord, key: Key, school: NumberSchool): string {
  const { step, accidental } = placeOf(chord.root, key)
  const roman = requireAt(ROMAN, step - 1)
  const minor = (chord.formula as readonly string[]).includes('b3')
  const number = school === 'plain' ? String(step) : school === 'roman' && minor ? roman.toLowerCase() : roman
  const sign = school === 'capitals' ? '' : kindSign(chord, school)
  return `${SIGNS[accidental]}${number}${sign}`
}

/** The step whose letter a root has, and by how much it is altered there. */
function placeOf(root: NoteName, { notes }: Key): { readonly step: number; readonly accidental: string } {
  const index = notes.findIndex((note) => letterIndexOf(note) === letterIndexOf(root))
  const by = alterationOf(root) - alterationOf(requireAt(notes, index))
  return { step: index + 1, accidental: by < 0 ? 'b'.repeat(-by) : '#'.repeat(by) }
}

/**
 * A chord as a number that `readNumbers` reads back at the same depth: what the key gives there as its bare number, the
 * dominant of a step as `V/ii`, anything else with what it is.
 */
export function writeNumber(chord: Chord, key: Key, depth: Depth, school: NumberSchool): string {
  const steps = chordScale(key, depth)
  const own = steps.find((step) => step.chord.root === chord.root)
  const bass = chord.bass === undefined ? '' : `:${chord.bass}`
  const isDominant = formulaKey(chord.formula) === formulaKey(dominantFormula(depth))
  const isFifth = own?.step === 5 && isMinorScale(key.scale)
  // In minor a bare V is the dominant, whatever the scale gives there; a small v is its own.
  if (isFifth && isDominant) return `${school === 'plain' ? '5' : 'V'}${bass}`
  if (own && formulaKey(own.chord.formula) === formulaKey(chord.formula) && !(isFifth && school !== 'roman'))
    return `${writeStep(chord, key, school)}${bass}`
  const target = steps.find(({ chord: { root } }) => spellDegree(root, '5') === chord.root)
  const five = school === 'plain' ? '5' : 'V'
  if (target && target.step !== 1 && isDominant) return `${five}/${writeStep(target.chord, key, school)}${bass}`
  const { step, accidental } = placeOf(chord.root, key)
  const number = school === 'plain' ? String(step) : requireAt(ROMAN, step - 1)
  // With a bar between, so that the number and what stands behind it are never one: `♭7|7`.
  return `${SIGNS[accidental]}${number}|${symbolSuffix(chord.formula)}${bass}`
}

const dominantFormula = (depth: Depth): Chord['formula'] =>
  depth === 'triads' ? ['R', '3', '5'] : ['R', '3', '5', 'b7']

interface Token {
  readonly text: string
  readonly at: number
}

const NUMBER = /^(bb|b|##|#|)(VII|III|VI|IV|II|I|V|vii|iii|vi|iv|ii|i|v|[1-7])(.*)$/

/** @returns The chords of `6 2 5 1`, `ii V I`, `V/V 5/5`, `b7`, `ii7 V9`, in a key and at a depth. */
export function readNumbers(text: string, key: Key, depth: Depth): Result<readonly Chord[], NumbersError> {
  const chords: Chord[] = []
  const tokens = tokensOf(text)
  // Where small letters stand among them, capitals are major.
  const isCased = tokens.some((token) => /^[b#♭♯]*[iv]/.test(token.text))
  for (const token of tokens) {
    const read = readToken(token, key, depth, isCased)
    if (!read.ok) return read
    chords.push(read.value)
  }
  if (chords.length === 0) return fail({ code: 'not_a_chord_number', at: 0, text: piece(text) })
  return ok(chords)
}

function tokensOf(text: string): readonly Token[] {
  // What stands in brackets is one with its number, whatever is in it.
  return [...text.matchAll(/(?:\[[^\]]*\]|\([^)]*\)|[^\s,–—])+–?/g)].map((match) => ({
    text: match[0],
    at: match.index,
  }))
}

const inAscii = (text: string): string =>
  text.replaceAll('♭', 'b').replaceAll('♯', '#').replaceAll('𝄫', 'bb').replaceAll('𝄪', '##')

function readToken(token: Token, key: Key, depth: Depth, isCased: boolean): Result<Chord, NumbersError> {
  const refuse = (code: NumbersError['code'], shift = 0): Result<Chord, NumbersError> =>
    fail({ code, at: token.at + shift, text: piece(token.text.slice(shift)) })
  const [whole = '', bassText] = token.text.split(':')
  const slash = whole.indexOf('/', whole.includes('6/9') ? whole.indexOf('6/9') + 3 : 0)
  let chord: Chord
  if (slash > 0) {
    const target = readToken({ text: whole.slice(slash + 1), at: token.at + slash + 1 }, key, depth, isCased)
    if (!target.ok) return target
    const { root, formula } = target.value
    // The key of a chord: minor where its third is, with the leading tone that its dominant has.
    const home = keyOf(root, formula.includes('b3') ? HARMONIC_MINOR : MAJOR)
    if (!home) return refuse('number_unspellable', slash + 1)
    const head = whole.slice(0, slash)
    const read = readToken({ text: head, at: token.at }, home, depth, isCased)
    if (!read.ok) return read
    // The fifth of any chord is its dominant, plain.
    chord = /^(5|V)$/.test(head) ? { root: read.value.root, formula: dominantFormula(depth) } : read.value
  } else {
    const found = NUMBER.exec(inAscii(whole))
    if (!found) return refuse('not_a_chord_number')
    const [, sign = '', number = '', rest = ''] = found
    const step = /\d/.test(number) ? Number(number) : ROMAN.indexOf(number.toUpperCase() as 'I') + 1
    const own = chordScale(key, depth)[step - 1]
    if (!own) return refuse('not_a_chord_number')
    const accidental = namesOwn(key, step, sign) ? '' : sign
    const root = shifted(own.chord.root, accidental)
    if (!root) return refuse('number_unspellable')
    const suffix = rest.replace(/^\|/, '')
    const isBare = rest === '' || /^[°+–-]$/.test(rest)
    const isFifth = step === 5 && accidental === '' && isMinorScale(key.scale) && /^[V5]$/.test(number)
    if (isBare && rest === '' && isFifth) chord = { root, formula: dominantFormula(depth) }
    else if (isBare && accidental === '' && fitsCase(number, rest, own.chord, isCased)) chord = own.chord
    else if (isBare) {
      const formula = kindOf(number, rest, depth, accidental !== '')
      chord = { root, formula }
    } else {
      const minor = /^[iv]+$/.test(number) && !/^(m|dim|°|ø|o)/.test(suffix)
      const read = readSymbol(`C${minor ? 'm' : ''}${suffix}`)
      if (!read.ok) return refuse('not_a_suffix', whole.length - rest.length)
      chord = { root, formula: read.value.formula }
    }
  }
  if (bassText === undefined) return ok(chord)
  return /^[A-G](bb|b|##|#)?$/.test(bassText)
    ? ok({ ...chord, bass: bassText as NoteName })
    : refuse('not_a_suffix', whole.length)
}

function shifted(note: NoteName, accidental: string): NoteName | undefined {
  const by = accidental.startsWith('b') ? -accidental.length : accidental.length
  return noteNameOf(letterIndexOf(note), alterationOf(note) + by)
}

/** In a minor key `bIII`, `bVI` and `bVII` name what its scale has already: nothing is lowered again. */
function namesOwn({ scale }: Key, step: number, sign: string): boolean {
  const degree = scale.degrees[step - 1]
  return sign === 'b' && step !== 2 && isMinorScale(scale) && degree?.startsWith('b') === true
}
const isMinorScale = ({ degrees }: Key['scale']): boolean => degrees.includes('b3')

/** Digits mean what the key gives, and capitals where no small letters stand beside; these and signs must agree with it. */
function fitsCase(number: string, sign: string, { formula }: Chord, isCased: boolean): boolean {
  const has = (degree: string) => (formula as readonly string[]).includes(degree)
  if (sign === '°') return has('b3') && has('b5')
  if (sign === '+') return has('#5')
  if (sign === '–' || sign === '-' || /^[iv]+$/.test(number)) return has('b3')
  return !isCased || /\d/.test(number) || has('3')
}

/** A chord that the key does not give, from its letters and sign alone. */
function kindOf(number: string, sign: string, depth: Depth, altered: boolean): Chord['formula'] {
  const minor = sign === '–' || sign === '-' || /^[iv]+$/.test(number)
  const deep = depth !== 'triads'
  if (sign === '°') return deep ? ['R', 'b3', 'b5', 'bb7'] : ['R', 'b3', 'b5']
  if (sign === '+') return deep ? ['R', '3', '#5', 'b7'] : ['R', '3', '#5']
  if (minor) return deep ? ['R', 'b3', '5', 'b7'] : ['R', 'b3', '5']
  return deep ? ['R', '3', '5', altered ? '7' : 'b7'] : ['R', '3', '5']
}
