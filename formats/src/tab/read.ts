/**
 * Plain text TAB: blocks of lines of dashes and numbers, a string a line. Numbers under one another are struck together;
 * names over them are taken as the chords, and a shape without a name is named by its tones, which is told as a guess.
 */
import { type ChartBar, type HeldChord, MOST_BARS, readChart } from '@nestling/core/chart'
import { type Chord, readSymbol } from '@nestling/core/chord'
import { namesOf } from '@nestling/core/name'
import { COMMON_TUNINGS, MOST_STRINGS, readTuning, STANDARD_TUNING, type Tuning } from '@nestling/core/neck'
import { fail, ok, requireAt } from '@nestling/core/result'
import { neckFor } from '@nestling/core/shape'
import { beatsInBar, type Metre } from '@nestling/core/time'
import type { Frets } from '@nestling/core/voicing'
import { type FileProblem, MOST_FILE_CHORDS, problem } from '../file/index.ts'
import { type FileReading, filledBar, type Onset } from '../tune/index.ts'

const STRING_LINE = /^\s*([A-Ga-g][#b♯♭]?\d?)?\s*(?=[|:\-\d])[|:\-\dxXhpbrst/\\~().^<>= *]{4,}$/
const FEWEST_STRINGS = 3
const HEAD = /^\s*(title|key|tempo)\s*:|^\s*\d{1,2}\/[248]\b|^\s*=\d+\s*$/i
const PART = /^\s*\[([^\]]{1,20})\]\s*$/

const isStringLine = (line: string): boolean => STRING_LINE.test(line) && (line.match(/-/g)?.length ?? 0) >= 3

export function readTab(text: string): FileReading {
  const rows = text.split(/\r\n|\r|\n/).map((row) => row.replaceAll('\t', '    '))
  const left: FileProblem[] = []
  const remarks: string[] = []
  const blocks = blocksOf(rows)
  if (blocks.length === 0) return fail(problem('unknown_format', 0, 'TAB'))
  const first = requireAt(blocks, 0)
  const head = readChart(
    `${rows
      .slice(0, first.from)
      .filter((row) => HEAD.test(row))
      .join('\n')}\n| N.C. |`,
  ).chart
  const tuning = tuningOf(rows, first, left)
  if (tuning === undefined) return fail(problem('not_a_tuning', first.from + 1, String(first.to - first.from)))
  const neck = neckFor({ tuning })
  const strings = tuning.strings.length
  const bars: ChartBar[] = []
  const shapes: (readonly (HeldChord | undefined)[])[] = []
  let chords = 0
  let sounding: Frets | undefined
  let metre: Metre = head.metre
  let single = 0
  let words = 0
  let before = 0
  for (const block of blocks) {
    let marks: Partial<ChartBar> = {}
    for (const [offset, row] of rows.slice(before, block.from).entries()) {
      const part = PART.exec(row)?.[1]
      const isHead = HEAD.test(row)
      if (part !== undefined) marks = { ...marks, part: part.trim() }
      else if (/^\s*#/.test(row)) remarks.push(row.trim().replace(/^#\s*/, ''))
      else if (isHead && before > 0) {
        const bar = readChart(`| N.C. |\n${row}\n| N.C. |`).chart.bars[1]
        if (bar?.metre) {
          metre = bar.metre
          marks = { ...marks, metre }
        }
        if (bar?.tempoBpm !== undefined) marks = { ...marks, tempoBpm: bar.tempoBpm }
      } else if (!isHead && row.trim() !== '' && before + offset !== block.names && !/^\s*tuning\s*:/i.test(row))
        words++
    }
    before = block.to
    if (block.to - block.from !== strings) {
      left.push(problem('part_left', block.from + 1, String(block.to - block.from)))
      continue
    }
    for (const bar of barsIn(rows, block)) {
      const onsets: Onset[] = []
      const beats = beatsInBar(metre)
      const at = (column: number) => (Math.max(0, column - bar.from) / Math.max(1, bar.to - bar.from)) * beats
      const named = bar.names.map(({ column, text }) => ({ column, text, used: false }))
      for (const { column, frets } of bar.struck) {
        const name = named.find((one) => !one.used && Math.abs(one.column - column) <= 2)
        if (name) name.used = true
        const stated = name && readSymbol(name.text)
        if (name && stated && !stated.ok) left.push(problem('not_a_chord', block.from, name.text))
        const many = frets.filter((fret) => fret !== null).length > 1
        const again = sounding && frets.every((fret, string) => fret === sounding?.[string])
        if (!stated?.ok && again) continue
        if (!stated?.ok && !many) {
          single++
          continue
        }
        const chord = stated?.ok ? plain(stated.value) : namesOf(frets, neck)[0]?.chord
        if (chord === undefined) {
          single++
          continue
        }
        if (!stated?.ok) left.push(problem('guessed_chord', block.from + 1, textOf(frets)))
        onsets.push({ at: at(column), chord, held: { frets } })
        sounding = frets
        chords++
      }
      for (const name of named.filter(({ used }) => !used)) {
        const isRest = /^n\.?c\.?$/i.test(name.text)
        const stated = isRest ? undefined : readSymbol(name.text)
        if (stated && !stated.ok) {
          left.push(problem('not_a_chord', block.from, name.text))
          continue
        }
        onsets.push({ at: at(name.column), chord: stated?.ok ? plain(stated.value) : undefined })
        sounding = undefined
        if (stated) chords++
      }
      const isGoing = bars.length > 0 && soundsAtEnd(bars)
      const filled = filledBar(onsets, metre, isGoing)
      if (filled.moved) left.push(problem('moved', block.from + 1, String(bars.length + 1)))
      bars.push({ slots: filled.slots, ...marks, ...bar.marks })
      shapes.push(filled.shapes)
      marks = {}
      if (chords > MOST_FILE_CHORDS || bars.length > MOST_BARS)
        return fail(problem('too_many_chords', block.from + 1, String(MOST_FILE_CHORDS)))
    }
  }
  if (chords === 0) return fail(problem('no_chords'))
  if (single > 0) left.push(problem('notes_left', 0, String(single)))
  if (words > 0) left.push(problem('words_left', 0, String(words)))
  return ok({ tunes: [{ tune: { chart: { ...head, bars }, tuning, shapes }, remarks }], shapes: [], left })
}

const plain = ({ root, formula, bass }: Chord): Chord =>
  bass === undefined ? { root, formula } : { root, formula, bass }
const textOf = (frets: Frets): string => frets.map((fret) => fret ?? 'x').join(' ')
const soundsAtEnd = (bars: readonly ChartBar[]): boolean =>
  bars.findLast(({ slots }) => slots.some(({ kind }) => kind !== 'hold'))?.slots.findLast(({ kind }) => kind !== 'hold')
    ?.kind === 'chord'

interface Block {
  /** Lines from 0, up to but not with `to`. */
  readonly from: number
  readonly to: number
  /** The line of names over it, or −1. */
  readonly names: number
}

function blocksOf(rows: readonly string[]): readonly Block[] {
  const blocks: Block[] = []
  for (let at = 0; at < rows.length; at++) {
    if (!isStringLine(rows[at] ?? '')) continue
    let to = at
    while (to < rows.length && isStringLine(rows[to] ?? '')) to++
    const above = rows[at - 1] ?? ''
    const hasNames = above.trim() !== '' && !PART.test(above) && !HEAD.test(above) && !/^\s*(#|tuning\s*:)/i.test(above)
    if (to - at >= FEWEST_STRINGS && to - at <= MOST_STRINGS)
      blocks.push({ from: at, to, names: hasNames ? at - 1 : -1 })
    at = to
  }
  return blocks
}

function tuningOf(rows: readonly string[], { from, to }: Block, left: FileProblem[]): Tuning | undefined {
  const strings = to - from
  for (const [index, row] of rows.slice(0, from).entries()) {
    const stated = /^\s*tuning\s*:\s*(.+)$/i.exec(row)?.[1]
    if (stated === undefined) continue
    const read = readTuning(stated.trim())
    if (read.ok && read.value.strings.length === strings) return read.value
    left.push(problem('not_a_tuning', index + 1, stated))
  }
  const letters = rows
    .slice(from, to)
    .toReversed()
    .map((row) => (/^\s*([A-Ga-g][#b]?)/.exec(row)?.[1] ?? '').toUpperCase())
  const alike = (tuning: Tuning) =>
    tuning.strings.length === strings &&
    tuning.strings.every(({ name }, index) => name.toUpperCase() === letters[index])
  const sized = [STANDARD_TUNING, ...COMMON_TUNINGS].filter((tuning) => tuning.strings.length === strings)
  return sized.find(alike) ?? sized[0]
}

interface BarInBlock {
  /** The columns that its beats take. */
  readonly from: number
  readonly to: number
  readonly struck: readonly { readonly column: number; readonly frets: Frets }[]
  readonly names: readonly { readonly column: number; readonly text: string }[]
  readonly marks: Partial<ChartBar>
}

function barsIn(rows: readonly string[], { from, to, names }: Block): readonly BarInBlock[] {
  const lines = rows.slice(from, to)
  const width = Math.max(...lines.map(({ length }) => length))
  const isLine = (column: number) => lines.filter((line) => line[column] === '|').length * 2 > lines.length
  const edges = Array.from({ length: width }, (_, column) => column).filter(isLine)
  const first = Math.max(...lines.map((line) => /^\s*([A-Ga-g][#b♯♭]?\d?)?\s*/.exec(line)?.[0].length ?? 0))
  const starts = edges[0] === undefined || edges[0] > first ? [first - 1, ...edges] : edges
  const ends = (edges.at(-1) ?? -1) < width - 1 ? [...starts, width] : starts
  const nameRow = names < 0 ? '' : (rows[names] ?? '')
  const found: BarInBlock[] = []
  for (let index = 1; index < ends.length; index++) {
    const [open, close] = [ends[index - 1] as number, ends[index] as number]
    if (close - open < 3) continue
    const opens = lines.some((line) => line[open + 1] === ':')
    const closes = lines.some((line) => line[close - 1] === ':')
    // One dash stands between the line and the first beat.
    const begin = open + (opens ? 3 : 2)
    const struck = new Map<number, (number | null)[]>()
    for (const [row, line] of lines.entries())
      for (const match of line.slice(open + 1, close).matchAll(/\d{1,2}/g)) {
        const column = open + 1 + match.index
        const there = [column, column - 1, column + 1].find((one) => struck.has(one)) ?? column
        const frets = struck.get(there) ?? lines.map(() => null)
        frets[lines.length - 1 - row] = Number(match[0])
        struck.set(there, frets)
      }
    const words = [...nameRow.slice(open, close).matchAll(/(\d)\.\s*(?=\S|$)|[^\s|]+/g)]
    const ending = words.find((word) => word[1] !== undefined)?.[1]
    found.push({
      from: begin,
      to: close - (closes ? 1 : 0),
      struck: [...struck].map(([column, frets]) => ({ column, frets })).sort((a, b) => a.column - b.column),
      names: words
        .filter((word) => word[1] === undefined)
        .map((word) => ({ column: open + word.index, text: word[0] })),
      marks: {
        ...(opens ? { opens } : {}),
        ...(closes ? { closes } : {}),
        ...(ending === undefined ? {} : { ending: Number(ending) }),
      },
    })
  }
  return found
}
