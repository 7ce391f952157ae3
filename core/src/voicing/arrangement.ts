/**
 * What a stack of tones is called. A close voicing has all its tones inside one octave; drop n lowers the n-th
 * voice from the top of a close voicing by an octave. So every voicing is told by how many octaves each voice lies
 * below its place in the close voicing under the same top tone.
 */
import { type Formula, shellOf } from '../chord/index.ts'
import { type Degree, type Midi, parseDegree, stepOf } from '../pitch/index.ts'
import { fail, ok, piece, type Result, requireAt } from '../result/index.ts'
import type { ArrangementError } from './errors.ts'
import type { Arrangement, NamedArrangement } from './types.ts'

export const ARRANGEMENT_NAMES: readonly NamedArrangement[] = [
  'close',
  'drop-2',
  'drop-3',
  'drop-2-4',
  'drop-2-3',
  'spread',
  'shell',
]

/** What a search may ask for: anything, a named arrangement, or the very degrees from the lowest pitch up. */
export type ArrangementChoice =
  | { readonly kind: 'any' }
  | { readonly kind: 'named'; readonly name: NamedArrangement }
  | { readonly kind: 'list'; readonly degrees: readonly Degree[] }

export const NO_DROP = -1

/**
 * The drop pattern of pitches in rising order: bit n−2 is set when the n-th voice from the top lies an octave
 * below its close place. 0 is close; `NO_DROP` when a voice lies two octaves down or two voices share a tone.
 */
export function dropPattern(midis: ArrayLike<Midi>, voices: number): number {
  const top = midis[voices - 1] as number
  let pattern = 0
  let seen = 0
  for (let voice = 0; voice < voices; voice++) {
    const below = top - (midis[voice] as number)
    const within = below % 12
    if ((seen >> within) & 1) return NO_DROP
    seen |= 1 << within
    const octaves = (below - within) / 12
    if (octaves === 0) continue
    if (octaves > 1) return NO_DROP
    // Its rank in the close voicing: one more than the voices that lie nearer to the top there.
    let rank = 1
    for (let other = 0; other < voices; other++) if ((top - (midis[other] as number)) % 12 < within) rank++
    pattern |= 1 << (rank - 2)
  }
  return pattern
}

const DROP_NAMES: ReadonlyMap<number, NamedArrangement> = new Map([
  [0b000, 'close'],
  [0b001, 'drop-2'],
  [0b010, 'drop-3'],
  [0b101, 'drop-2-4'],
  [0b011, 'drop-2-3'],
])

/** Root lowest, then third and seventh in either order, then at most one extension on top. */
function isShell(degrees: readonly Degree[], formula: Formula): boolean {
  const shell = shellOf(formula)
  if (shell.length !== 3 || degrees[0] !== 'R' || degrees.length < 3 || degrees.length > 4) return false
  const [, second, third] = degrees
  if (second === 'R' || third === 'R' || second === third) return false
  if (!shell.includes(second as Degree) || !shell.includes(third as Degree)) return false
  return degrees.length === 3 || stepOf(requireAt(degrees, 3)) > 7
}

/** Wider than an octave, with no tone doubled. */
function isWide(midis: readonly Midi[]): boolean {
  const classes = new Set(midis.map((midi) => midi % 12))
  return classes.size === midis.length && (midis.at(-1) as number) - (midis[0] as number) > 12
}

/**
 * Names a stack. `midis` and `degrees` in rising order of pitch. For triads the spread voicing is the middle voice
 * moved by an octave; for larger chords spread is what is wider than an octave and no drop of a close voicing.
 */
export function arrangementOf(midis: readonly Midi[], degrees: readonly Degree[], formula: Formula): Arrangement {
  if (degrees.length === 3 && formula.length > 3 && isShell(degrees, formula)) return { name: 'shell', degrees }
  const pattern = midis.length < 3 ? NO_DROP : dropPattern(midis, midis.length)
  // Three voices are close or spread; with other octaves between they have no name.
  if (midis.length === 3 && pattern === 0b001) return { name: 'spread', degrees }
  const drop = midis.length === 3 && pattern !== 0 ? undefined : DROP_NAMES.get(pattern)
  if (drop !== undefined) return { name: drop, degrees }
  if (isShell(degrees, formula)) return { name: 'shell', degrees }
  return { name: midis.length > 3 && isWide(midis) ? 'spread' : 'list', degrees }
}

/** Whether a stack is what a search asked for. One stack may answer to several names: a close `R 3 7` is also a shell. */
export function answersTo(
  choice: ArrangementChoice,
  midis: readonly Midi[],
  degrees: readonly Degree[],
  formula: Formula,
): boolean {
  if (choice.kind === 'any') return true
  if (choice.kind === 'list')
    return (
      choice.degrees.length === degrees.length && choice.degrees.every((degree, voice) => degree === degrees[voice])
    )
  if (choice.name === 'shell') return isShell(degrees, formula)
  const pattern = midis.length < 3 ? NO_DROP : dropPattern(midis, midis.length)
  if (choice.name === 'spread' && midis.length < 3) return false
  if ((choice.name === 'drop-3' || choice.name === 'drop-2-3') && midis.length < 4) return false
  if (choice.name === 'spread')
    return midis.length === 3 ? pattern === 0b001 : !DROP_NAMES.has(pattern) && isWide(midis)
  return DROP_NAMES.get(pattern) === choice.name
}

/** Which inversion a bass tone makes: the third 1, the fifth 2, sixth or seventh 3, ninth 4 and on. */
export function inversionOf(bass: Degree, formula: Formula): number | null {
  if (!formula.includes(bass)) return null
  const step = stepOf(bass)
  if (step === 1) return 0
  if (step <= 4) return 1
  if (step === 5) return 2
  return step <= 7 ? 3 : (step - 1) / 2
}

/** Reads `drop-2`, `drop 2&4`, `any`, or a list of degrees `R-7-3-5`. */
export function readArrangement(text: string): Result<ArrangementChoice, ArrangementError> {
  const plain = text.trim().toLowerCase()
  if (plain === 'any') return ok({ kind: 'any' })
  const named = plain.replace(
    /^drop\s*-?\s*(\d)(?:\s*[&+-]\s*(\d))?$/,
    (_, first, second) => `drop-${first}${second ? `-${second}` : ''}`,
  )
  const name = ARRANGEMENT_NAMES.find((known) => known === named)
  if (name !== undefined) return ok({ kind: 'named', name })
  const degrees: Degree[] = []
  for (const word of text.matchAll(/[^\s,–-]+/gu)) {
    const degree = parseDegree(word[0])
    if (degree === undefined) return fail({ code: 'not_an_arrangement', at: word.index, text: piece(word[0]) })
    degrees.push(degree)
  }
  if (degrees.length < 2) return fail({ code: 'too_few_tones', at: 0, text: piece(text) })
  return ok({ kind: 'list', degrees })
}

export function writeArrangement(choice: ArrangementChoice): string {
  switch (choice.kind) {
    case 'any':
      return 'any'
    case 'named':
      return choice.name
    case 'list':
      return choice.degrees.join('-')
  }
}
