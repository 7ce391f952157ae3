/**
 * Plain text TAB: the highest string above, a column for every slot of a bar, the chords' names over it. Made for reading
 * with the eye, and exact enough to be read back.
 */
import { type ChartBar, type HeldChord, writtenOut } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { writeKey } from '@nestling/core/key'
import { writeTuning } from '@nestling/core/neck'
import { writeMetre } from '@nestling/core/time'
import { barsOf, type FileTune, type WrittenBarOf } from '../tune/index.ts'

const MOST_COLUMNS = 96
const BARS_A_LINE = 4
const NARROWEST_CELL = 4

export function writeTab({ tune, remarks }: FileTune): string {
  const { chart, tuning } = tune
  const lines: string[] = [`title: ${chart.title}`]
  if (chart.key) lines.push(`key: ${writeKey(chart.key, { ascii: true })}`)
  lines.push(
    [writeMetre(chart.metre), chart.style === 'straight' ? '' : chart.style, tempoText(chart.tempoBpm)]
      .filter(Boolean)
      .join(' '),
    `tuning: ${writeTuning(tuning)}`,
    ...remarks.map((remark) => `# ${remark.replace(/^#\s*/, '')}`),
    '',
  )
  const heads = tuning.strings.map(({ name }) => name)
  const bars = barsOf(writtenOut(tune))
  let row: Drawn[] = []
  const end = () => {
    if (row.length > 0) lines.push(...systemText(row, heads), '')
    row = []
  }
  for (const [index, bar] of chart.bars.entries()) {
    const written = bars[index]
    if (!written) continue
    const changes = [bar.metre && writeMetre(bar.metre), tempoText(bar.tempoBpm)].filter(Boolean).join(' ')
    if (bar.part !== undefined || changes !== '') {
      end()
      if (changes !== '') lines.push(changes)
      if (bar.part !== undefined) lines.push(`[${bar.part}]`)
    }
    const drawn = drawBar(bar, written, heads.length)
    const width = row.reduce((sum, one) => sum + one.names.length, 4)
    if (row.length === BARS_A_LINE || (row.length > 0 && width + drawn.names.length > MOST_COLUMNS)) end()
    row.push(drawn)
  }
  end()
  return `${lines.join('\n').trimEnd()}\n`
}

const tempoText = (bpm: number | undefined): string => (bpm === undefined ? '' : `=${bpm}`)

/** A bar from its opening line to before the next: the names above, the strings from the highest down. */
interface Drawn {
  readonly names: string
  readonly strings: readonly string[]
  /** How its closing line is drawn. */
  readonly closes: boolean
}

function drawBar(bar: ChartBar, { slots, shapes }: WrittenBarOf, strings: number): Drawn {
  const names = slots.map((slot) =>
    slot.kind === 'chord'
      ? writeSymbol(slot.chord, { ascii: true })
      : slot.kind === 'hold'
        ? ''
        : slot.kind === 'rest'
          ? 'N.C.'
          : slot.text,
  )
  const cell = Math.max(NARROWEST_CELL, ...names.map((name) => name.length + 1), ...shapes.map(widest))
  const opening = bar.opens ? '|:-' : '|-'
  const closing = bar.closes ? ':' : ''
  const lead = (bar.ending === undefined ? '' : `${bar.ending}.`).padEnd(opening.length)
  return {
    names: `${lead}${names.map((name) => name.padEnd(cell)).join('')}${' '.repeat(closing.length)}`,
    strings: Array.from({ length: strings }, (_, row) => {
      const string = strings - 1 - row
      const cells = slots.map((_slot, place) => String(shapes[place]?.frets[string] ?? '').padEnd(cell, '-'))
      return `${opening}${cells.join('')}${closing}`
    }),
    closes: bar.closes === true,
  }
}

const widest = (held: HeldChord | undefined): number =>
  held === undefined ? 0 : Math.max(...held.frets.map((fret) => String(fret ?? '').length)) + 2

function systemText(row: readonly Drawn[], heads: readonly string[]): readonly string[] {
  const widestHead = Math.max(...heads.map((name) => name.length))
  const names = `${' '.repeat(widestHead)}${row.map((bar) => bar.names).join('')}`.trimEnd()
  const strings = heads
    .toReversed()
    .map((name, line) => `${name.padEnd(widestHead)}${row.map((bar) => bar.strings[line] ?? '').join('')}|`)
  return [names, ...strings]
}
