/** A typed line that one view can't read, and the views that can: nothing is refused that another view understands. */
import { readChart } from '@nestling/core/chart'
import { readKeyLine } from '@nestling/core/lane'
import { namesOf } from '@nestling/core/name'
import { neckOf } from '@nestling/core/neck'
import { readRunLine } from '@nestling/core/practice'
import { type Player, readTypedLine } from '@nestling/core/request'
import type { Frets } from '@nestling/core/voicing'
import { FASTEST, SLOWEST } from '../contracts/limits.ts'

export type LineView = 'Build' | 'Map' | 'Arpeggio' | 'Key' | 'Path' | 'Practice'

export interface Reading {
  readonly view: LineView
  /** Where the line is typed as it stands. */
  readonly href: string
}

/** Chords that make a tune rather than a chord and its bass. */
const LEAST_CHORDS = 2

const READS: readonly { readonly view: LineView; readonly reads: (line: string, player: Player) => boolean }[] = [
  { view: 'Build', reads: (line, player) => readTypedLine(line, player).ok },
  {
    view: 'Path',
    reads: (line, { naming }) => {
      const { chart, errors } = readChart(line, naming)
      return errors.length === 0 && chart.bars.flatMap(({ slots }) => slots).length >= LEAST_CHORDS
    },
  },
  {
    view: 'Key',
    reads: (line, { instrument, naming }) => readKeyLine(line, neckOf(instrument).open.length, naming).ok,
  },
  {
    view: 'Practice',
    reads: (line, { instrument, naming }) => {
      const neck = neckOf(instrument)
      const nameOf = (frets: Frets) => namesOf(frets, neck)[0]?.chord
      return readRunLine(line, { strings: neck.open.length, slowest: SLOWEST, fastest: FASTEST, naming, nameOf }).ok
    },
  },
]

/** At most two, the likeliest first. */
export function readingsElsewhere(line: string, here: LineView, player: Player): readonly Reading[] {
  const text = line.trim()
  if (text === '') return []
  return READS.filter(({ view, reads }) => view !== here && reads(text, player))
    .slice(0, 2)
    .map(({ view }) => ({ view, href: hrefOf(view, text) }))
}

const hrefOf = (view: LineView, line: string): string =>
  view === 'Path'
    ? `/path?${new URLSearchParams({ chart: line })}`
    : `${view === 'Build' ? '/' : `/${view.toLowerCase()}`}?${new URLSearchParams({ line })}`
