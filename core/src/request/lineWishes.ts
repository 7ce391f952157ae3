/** The wishes of a typed line, in any order: arrangement, strings, bass, top, what is left out, where on the neck, tuning. */
import { type Chord, type Formula, sortedFormula } from '../chord/index.ts'
import { readKnownTuning, type Tuning, writeTuning } from '../neck/index.ts'
import { type Degree, stepOf } from '../pitch/index.ts'
import { fail, ok, piece, type Result, requireAt } from '../result/index.ts'
import { type Manner, mannerNamed, openStringsIn } from '../taste/index.ts'
import { inversionOf, type OpenStrings, readArrangement } from '../voicing/index.ts'
import {
  bare,
  degreeRunAt,
  inChord,
  isFiller,
  ordinalNumber,
  type Piece,
  roleAfter,
  stepNamed,
  toneNamed,
} from './lineWords.ts'
import type { FieldError, Player, Question } from './types.ts'

/** What names strings; they are read at the end, when the tuning is known. */
export type StringsNamed = { readonly text: string; readonly at: number } | 'any'

/** What the words name; what they don't name isn't there. */
export interface Wishes {
  readonly formula?: Formula
  readonly arrangement?: Question['arrangement']
  readonly strings?: StringsNamed
  readonly bass?: Degree | undefined
  readonly top?: Degree | undefined
  readonly omit?: readonly Degree[]
  readonly doubling?: boolean
  readonly open?: OpenStrings
  /** Named, it frees strings, arrangement and frets that were there before. */
  readonly manner?: Manner
  readonly fretMin?: number
  readonly fretMax?: number
  /** The own tuning is named by `undefined`. */
  readonly tuning?: Tuning | undefined
  /** Said as such: on few strings more than the root goes. */
  readonly rootless?: boolean
  /** Two numbers that the frets were given by, for an error's place. */
  readonly fretsAt?: number
}

interface Taken {
  readonly wishes: Wishes
  /** Words taken. */
  readonly count: number
}
type Reader = (words: readonly Piece[], at: number, chord: Chord, player: Player) => Read
type Read = Result<Taken, FieldError> | undefined

const taken = (wishes: Wishes, count: number): Read => ok({ wishes, count })

/** A tuning named over the words from `from` on: `dadgad`, `D A D G A D`, `all fourths`; the longest that is one. */
function tuningAt(words: readonly Piece[], from: number): { tuning: Tuning; count: number } | undefined {
  for (let count = Math.min(10, words.length - from); count > 0; count--) {
    const text = words
      .slice(from, from + count)
      .map((word) => word.text)
      .join(' ')
    const known = readKnownTuning(text)
    if (known.ok) return { tuning: known.value, count }
  }
  return undefined
}

const tuning: Reader = (words, at, _, player) => {
  if (bare(words[at]) !== 'in') return undefined
  const found = tuningAt(words, at + 1)
  if (!found) return undefined
  const own = writeTuning(found.tuning) === writeTuning(player.instrument.tuning)
  return taken({ tuning: own ? undefined : found.tuning }, found.count + 1)
}

const anything: Reader = (words, at) => {
  const word = bare(words[at])
  if (word !== 'any' && word !== 'all') return undefined
  const next = bare(words[at + 1])
  if (/^strings?$/.test(next)) return taken({ strings: 'any' }, 2)
  if (/^(tone|bass)$/.test(next)) return taken({ bass: undefined }, bare(words[at + 2]) === 'bass' ? 3 : 2)
  if (next === 'top') return taken({ top: undefined }, 2)
  return word === 'any' ? taken({ arrangement: { kind: 'any' } }, 1) : undefined
}

const arrangement: Reader = (words, at) => {
  const word = bare(words[at])
  const next = bare(words[at + 1])
  const drop = word === 'drop' && /^\d([&+-]\d)?$/.test(next) ? `drop-${next}` : undefined
  if (drop === undefined && !/^(closed?|spread|shells?|drop-?\d([&+-]\d)?)$/.test(word)) return undefined
  const read = readArrangement(drop ?? word.replace('closed', 'close').replace('shells', 'shell'))
  if (!read.ok) return fail({ ...read.error, at: requireAt(words, at).at, field: 'arrangement' })
  return taken({ arrangement: read.value }, drop === undefined ? 1 : 2)
}

/** `5432`, `5 4 3 2`. */
const strings: Reader = (words, at) => {
  const word = requireAt(words, at)
  const first = bare(word)
  if (/^\d{2,10}$/.test(first)) return taken({ strings: { text: first, at: word.at } }, 1)
  if (!/^\d$/.test(first)) return undefined
  const isNamed = /^(on|strings?)$/.test(bare(words[at - 1]))
  if (!/^\d$/.test(bare(words[at + 1])))
    return /^strings?$/.test(bare(words[at - 1]))
      ? fail({ code: 'one_string', field: 'strings', at: word.at, text: first })
      : undefined
  let count = 0
  let text = ''
  while (/^\d$/.test(bare(words[at + count]))) text += bare(words[at + count++])
  // `1 4 5` is a progression, which belongs elsewhere; strings fall, or are called so.
  if (!isNamed && [...text].some((digit, index) => index > 0 && digit >= (text[index - 1] as string))) return undefined
  return taken({ strings: { text, at: word.at } }, count)
}

/** `3 7 R 5`: the voices from the lowest up; what the chord lacks joins it. */
const order: Reader = (words, at, chord) => {
  const run = degreeRunAt(words, at)
  if (!run) return undefined
  const { order: degrees, formula } = inChord(run.degrees, chord)
  const digits = words.slice(at, at + run.count).every((word) => /^\d+$/.test(bare(word)))
  if (digits && formula.length > chord.formula.length) return undefined
  const silent = formula.filter((degree) => !degrees.includes(degree))
  return taken(
    {
      formula,
      arrangement: { kind: 'list', degrees },
      bass: undefined,
      ...(silent.length > 0 ? { omit: silent } : {}),
      ...(new Set(degrees).size < degrees.length ? { doubling: true } : {}),
    },
    run.count,
  )
}

/** `2nd inversion`, `root position`. */
const inversion: Reader = (words, at, { formula }) => {
  const next = bare(words[at + 1])
  const word = bare(words[at])
  if (word === 'root' && next === 'position') return taken({ bass: 'R' }, 2)
  const number = ordinalNumber(word)
  if (number === undefined || !/^inv(ersion|\.)?$/.test(next)) return undefined
  const bass = formula.find((degree) => inversionOf(degree, formula) === number)
  return bass === undefined ? notOfChord(requireAt(words, at), formula) : taken({ bass }, 2)
}

/** `triad`, `power chord`: fewer tones of the chord. */
const fewer: Reader = (words, at, { formula }) => {
  const word = bare(words[at])
  if (/^triads?$/.test(word)) return taken({ formula: formula.filter((degree) => stepOf(degree) <= 5) }, 1)
  if (word === 'power') return taken({ formula: ['R', '5'] }, bare(words[at + 1]) === 'chord' ? 2 : 1)
  return undefined
}

const openStrings: Reader = (words, at) => {
  const [word, next, after] = [bare(words[at]), bare(words[at + 1]), bare(words[at + 2])]
  if (/^(no|without)$/.test(word) && next === 'open') return taken({ open: 'never' }, /^strings?$/.test(after) ? 3 : 2)
  if (word !== 'open') return undefined
  if (next === 'position') return taken({ open: 'allow', fretMin: 1, fretMax: OPEN_POSITION }, 2)
  if (/^strings?$/.test(next)) return taken({ open: 'allow' }, 2)
  return taken({ open: 'allow', manner: 'open' }, /^chords?$/.test(next) ? 2 : 1)
}

const manner: Reader = (words, at) => {
  const named = mannerNamed(bare(words[at]))
  if (named === undefined) return undefined
  const count = /^(chords?|guitar)$/.test(bare(words[at + 1])) ? 2 : 1
  return taken({ manner: named, open: openStringsIn(named) }, count)
}

/** Frets that the hand reaches beside open strings, and from the fret of a position on. */
const OPEN_POSITION = 4
const POSITION_FRETS = 4

/** `fret 5`, `5th fret`, `position 5`, `frets 3-7`, `above fret 7`, `up to fret 12`. */
const place: Reader = (words, at, _, { instrument }) => {
  if (bare(words[at]) === 'nut') return taken({ open: 'allow', fretMin: 1, fretMax: OPEN_POSITION }, 1)
  const highest = Math.min(instrument.frets, instrument.lastReachableFret)
  let from = at
  while (/^(above|below|from|up|to|under|over|at)$/.test(bare(words[from]))) from++
  const direction = words
    .slice(at, from)
    .map(bare)
    .find((word) => word !== 'at')
  const named = /^(frets?|positions?|pos)$/.test(bare(words[from]))
  const ordinal = /^(\d{1,2})(st|nd|rd|th)$/.exec(bare(words[from]))
  // "from 1": a direction says that a fret follows.
  const isBare = !named && /^(from|above|below|up)$/.test(direction ?? '') && /^\d{1,2}$/.test(bare(words[from]))
  const fretAt = isBare ? from : from + 1
  const span = named || isBare ? /^(\d{1,2})(?:[-–](\d{1,2}))?$/.exec(bare(words[fretAt])) : null
  const behind = ordinal && /^(fret|position|pos)$/.test(bare(words[from + 1])) ? ordinal : null
  const numbers = span ?? behind
  if (!numbers) return undefined
  const fretsAt = requireAt(words, span ? fretAt : from).at
  const low = Number(numbers[1])
  const joined = span && bare(words[fretAt + 1]) === 'to' ? /^\d{1,2}$/.exec(bare(words[fretAt + 2])) : null
  const high = Number(joined?.[0] ?? span?.[2] ?? low + POSITION_FRETS)
  const count = (span ? fretAt : from + 1) - at + 1 + (joined ? 2 : 0)
  const isUp = direction === 'up' || direction === 'below' || direction === 'under' || direction === 'to'
  const [fretMin, fretMax] = isUp
    ? [1, low]
    : direction === undefined
      ? [Math.max(1, low), Math.min(high, highest)]
      : [low, highest]
  // What was named is not cut short in silence.
  const past = [low, ...(span?.[2] !== undefined || joined ? [high] : [])].find((fret) => fret > highest)
  if (past !== undefined)
    return fail({ code: 'past_the_hand', field: 'line', at: fretsAt, text: String(past), most: highest })
  if (fretMin < 1 || fretMin > fretMax || fretMax > highest)
    return fail({ code: 'not_a_number', field: 'line', at: fretsAt, text: numbers[0], least: 1, most: highest })
  return taken({ fretMin, fretMax, fretsAt }, count)
}

const notOfChord = (word: Piece, formula: Formula): Read =>
  fail({ code: 'not_a_chord_tone', field: 'line', at: word.at, text: piece(word.text, 16), formula, none: false })

/** `3rd bass`, `third in the bass`, `bass 3`, `top 7`. */
const outer: Reader = (words, at, chord) => {
  const word = requireAt(words, at)
  const role = bare(word)
  if (role === 'bass' || role === 'top') {
    const tone = toneNamed(bare(words[at + 1]), chord)
    return tone === undefined ? undefined : taken({ [role]: tone }, 2)
  }
  const after = roleAfter(words, at)
  if (!after) return undefined
  const tone = toneNamed(role, chord)
  if (tone !== undefined) return taken({ [after.role]: tone }, after.count)
  return stepNamed(role) === undefined ? undefined : notOfChord(word, chord.formula)
}

/** `no 5`, `no3`, `leaving out nothing`, `rootless`; a tone with a role behind it is not left out. */
const omission: Reader = (words, at, chord) => {
  const word = bare(words[at])
  if (word === 'rootless') return taken({ omit: ['R'], rootless: true }, 1)
  const glued = /^(?:no|omit)(\w+)$/.exec(word)
  const tone = glued && toneNamed(requireAt(glued, 1), chord)
  if (tone) return taken({ omit: [tone] }, 1)
  if (!/^(no|omit|without|leaving)$/.test(word)) return undefined
  const omit: Degree[] = []
  let next = at + 1
  for (; next < words.length; next++) {
    const following = bare(words[next])
    if (/^(out|the|and|nothing|none)$/.test(following)) continue
    const left = toneNamed(following, chord)
    if (left === undefined || (omit.length > 0 && roleAfter(words, next))) break
    omit.push(left)
  }
  const plain = /^(nothing|none)$/.test(bare(words[next - 1]))
  if (omit.length > 0 || plain) return taken({ omit }, next - at)
  const missing = words[next]
  return missing === undefined ? fail(notAWish(requireAt(words, at))) : notOfChord(missing, chord.formula)
}

const doubling: Reader = (words, at) =>
  /^doubl(ed|ing)$/.test(bare(words[at])) ? taken({ doubling: true }, 1) : undefined

const filler: Reader = (words, at) => (isFiller(requireAt(words, at).text) ? taken({}, 1) : undefined)

const notAWish = (word: Piece): FieldError => ({
  code: 'not_a_wish',
  field: 'line',
  at: word.at,
  text: piece(word.text, 16),
})

/** In the order in which they are tried: the longer readings of a word before the shorter. */
const READERS: readonly Reader[] = [
  tuning,
  anything,
  openStrings,
  manner,
  place,
  inversion,
  outer,
  order,
  strings,
  arrangement,
  fewer,
  omission,
  doubling,
  filler,
]

/** Reads all words as wishes about a chord. Tones that are left out add up; of anything else the last word counts. */
export function readWishes(words: readonly Piece[], chord: Chord, player: Player): Result<Wishes, FieldError> {
  let wishes: Wishes = {}
  for (let at = 0; at < words.length; ) {
    const about: Chord = { ...chord, formula: wishes.formula ?? chord.formula }
    const read = READERS.reduce<Read>((found, reader) => found ?? reader(words, at, about, player), undefined)
    if (read === undefined) return fail(notAWish(requireAt(words, at)))
    if (!read.ok) return read
    const { omit } = read.value.wishes
    wishes = {
      ...wishes,
      ...read.value.wishes,
      ...(omit && wishes.omit ? { omit: sortedFormula([...wishes.omit, ...omit]) } : {}),
    }
    at += read.value.count
  }
  return ok(wishes)
}
