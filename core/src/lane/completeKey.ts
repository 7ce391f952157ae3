/** What a half-typed line of a key may go on with: a mode, a depth, strings, a way of holding, a fret to begin at. */
import { SCALES } from '../key/index.ts'
import { type NamingSystem, readNotes } from '../pitch/index.ts'
import { linesGoingOn } from '../result/index.ts'
import { MANNER_NAMES } from '../taste/index.ts'
import { type KeyBefore, readKeyLine } from './keyLine.ts'

const MODES = [
  'major',
  'minor',
  ...SCALES.filter(({ degrees }) => degrees.length === 7)
    .map(({ name }) => name.toLowerCase().replace(/ \(.*\)$/, ''))
    .filter((name) => name !== 'major' && name !== 'natural minor'),
]
const DEPTHS = ['triads', 'sevenths', 'ninths', 'elevenths', 'thirteenths']
const GRIPS = ['shells', 'rootless', 'no 5', 'drop 2', 'drop 3', 'spread']
const FROM = ['nut', 'from 3', 'from 5', 'from 7']

/** Close sets of three and four strings, the highest first: `321`, `432`. */
const closeSets = (strings: number, size: number): readonly string[] =>
  Array.from({ length: Math.max(0, strings - size + 1) }, (_, low) => {
    const numbers = Array.from({ length: size }, (_, index) => low + size - index)
    return numbers.join((numbers[0] ?? 0) > 9 ? ',' : '')
  })

/** Lines that begin as `text` does and can be read; at most eight. */
export function completeKeyLine(
  text: string,
  strings: number,
  systems: readonly NamingSystem[],
  before?: KeyBefore,
): readonly string[] {
  const typed = text.trimStart()
  if (typed === '') return []
  const isLine = (line: string) => readKeyLine(line, strings, systems, before).ok
  const now = readKeyLine(typed, strings, systems, before)
  // Steps of a progression are not strings.
  if (now.ok && now.value.written) return []
  const roots = Array.from({ length: Math.min(3, strings) }, (_, index) => String(strings - index))
  const kinds = [
    MODES,
    DEPTHS,
    [...closeSets(strings, 3), ...closeSets(strings, 4)],
    [roots.slice(0, 2).join(' '), ...roots],
    GRIPS,
    MANNER_NAMES,
    FROM,
  ]
  // A tonic alone: what it may be followed by.
  const isTonic = readNotes(typed, systems).some(({ length }) => length === typed.length)
  return linesGoingOn(isTonic ? `${typed} ` : typed, kinds, isLine)
}
