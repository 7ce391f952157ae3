/** What a half-typed line of a run may go on with: what is practised, where, in which order of roots, how fast. */
import { CATALOGUE } from '../chord/index.ts'
import { readNotes } from '../pitch/index.ts'
import { linesGoingOn } from '../result/index.ts'
import { MANNER_NAMES } from '../taste/index.ts'
import { type RunLineLimits, readRunLine } from './runLine.ts'

const CYCLES = ['fourths', 'fifths', 'semitones', 'whole tones', 'minor thirds', 'major thirds', 'shuffle', 'down']
const GRIPS = ['drop 2', 'shells', 'rootless', 'no 5']
const FROM = ['from fret 5', 'nut', 'from C']
const SUFFIXES = CATALOGUE.map(({ suffix }) => suffix)

/** Lines that begin as `text` does and can be read; at most eight. */
export function completeRunLine(text: string, limits: RunLineLimits): readonly string[] {
  const typed = text.trimStart()
  if (typed === '') return []
  const { strings } = limits
  const isLine = (line: string) => readRunLine(line, limits).ok
  const root = /\s/.test(typed) ? undefined : readNotes(typed, limits.naming)[0]
  if (root) {
    const note = typed.slice(0, root.length)
    return linesGoingOn(typed, [SUFFIXES.map((suffix) => note + suffix)], isLine)
  }
  if (!/\s/.test(typed) && SUFFIXES.some((suffix) => suffix !== '' && suffix.startsWith(typed)))
    return linesGoingOn(typed, [SUFFIXES], isLine)
  const onRoots = strings < 6 ? [] : ['on 6', 'on 5', 'on 5 and 6', 'on 6 5 4', 'nearest']
  const set = Array.from({ length: Math.min(4, strings) }, (_, index) => Math.min(4, strings) - index).join('')
  return linesGoingOn(
    typed,
    [
      onRoots,
      CYCLES,
      [set, `drop2 ${set}`],
      GRIPS,
      MANNER_NAMES,
      ['arpeggio'],
      FROM,
      ['80', '100', 'two bars', 'one bar'],
    ],
    isLine,
  )
}
