/** ChordPro 6: metadata, a definition for every shape, the chart as grids. */
import { type Chart, type ChartBar, type ChartSlot, type HeldChord, writtenOut } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { writeKey } from '@nestling/core/key'
import { writeTuning } from '@nestling/core/neck'
import { writeMetre } from '@nestling/core/time'
import { barsOf, type FileTune } from '../tune/index.ts'

/** Directives of our own begin with `x_`, as the format asks of what it does not know. */
export const TUNING = 'x_nestling_tuning'
export const STYLE = 'x_nestling_style'
const BARS_A_LINE = 4

export function writeChordPro({ tune, remarks }: FileTune): string {
  const { chart, tuning } = tune
  const lines: string[] = []
  const say = (name: string, value: string) => lines.push(`{${name}: ${value}}`)
  if (chart.title !== '') say('title', plain(chart.title))
  if (chart.key) say('key', keyText(chart))
  say('time', writeMetre(chart.metre))
  if (chart.tempoBpm !== undefined) say('tempo', String(chart.tempoBpm))
  if (chart.style !== 'straight') say(STYLE, chart.style)
  say(TUNING, writeTuning(tuning))
  lines.push(...remarks)

  const defined = new Map<string, string>()
  let grid: ChartBar[] = []
  let label: string | undefined
  let open = false
  const endGrid = () => {
    if (grid.length > 0) lines.push(rowText(grid))
    grid = []
    if (open) lines.push('{end_of_grid}')
    open = false
  }
  const written = barsOf(writtenOut(tune))
  for (const [index, bar] of chart.bars.entries()) {
    const row = written[index]
    if (!row) continue
    const definitions = row.chords.flatMap(({ chord, held }): readonly string[] => {
      if (!held) return []
      const name = writeSymbol(chord, { ascii: true })
      const text = definitionOf(name, held)
      if (defined.get(name) === text) return []
      defined.set(name, text)
      return [text]
    })
    if (bar.part !== undefined || bar.metre || bar.tempoBpm !== undefined || definitions.length > 0) {
      endGrid()
      if (bar.metre) say('time', writeMetre(bar.metre))
      if (bar.tempoBpm !== undefined) say('tempo', String(bar.tempoBpm))
      label = bar.part
      // One chord with two shapes in a bar: the later definition would stand for both, so each is told where it begins.
      lines.push(...new Set(definitions))
    } else if (grid.length >= BARS_A_LINE) {
      lines.push(rowText(grid))
      grid = []
    }
    if (!open) {
      lines.push(label === undefined ? '{start_of_grid}' : `{start_of_grid: label="${plain(label)}"}`)
      open = true
      label = undefined
    }
    grid.push(bar)
  }
  endGrid()
  return `${lines.join('\n')}\n`
}

const plain = (text: string): string => text.replace(/[{}\n"]/g, ' ')

/** `Ab`, `F#m`; another scale as its name. */
const keyText = ({ key }: Chart): string => {
  const text = key ? writeKey(key, { ascii: true }) : ''
  return text.replace(/ major$/, '').replace(/ minor$/, 'm')
}

/** One row of a grid: `|: Fm9 | Bbm7 |1 Cm7 :|2 Cm7 |`; an ending's number stands at the line before it. */
function rowText(bars: readonly ChartBar[]): string {
  let text = ''
  for (const bar of bars) {
    const line = bar.opens ? '|:' : text === '' ? '|' : ''
    text = `${line === '|:' ? text.replace(/\|$/, '') : text}${line}`
    if (bar.ending !== undefined) text += bar.ending
    const slots = bar.slots.length === 0 ? '%' : bar.slots.map(slotText).join(' ')
    text += ` ${slots} ${bar.closes ? ':|' : '|'}`
  }
  return text
}

function slotText(slot: ChartSlot): string {
  switch (slot.kind) {
    case 'chord':
      return writeSymbol(slot.chord, { ascii: true })
    case 'hold':
      return '.'
    case 'rest':
      return 'N.C.'
    case 'wrong':
      return slot.text
  }
}

/** `{define: Fm9 base-fret 6 frets x 3 1 3 3 x fingers 0 3 1 3 4 0}`: frets from the base fret, 1 the base fret itself. */
export function definitionOf(name: string, { frets, fingers }: HeldChord): string {
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0)
  const lowest = pressed.length === 0 ? 1 : Math.min(...pressed)
  const base = Math.max(...pressed, 1) <= 4 ? 1 : lowest
  const places = frets.map((fret) => (fret === null ? 'x' : fret === 0 ? '0' : String(fret - base + 1)))
  const held = fingers ? ` fingers ${fingers.map((finger) => finger ?? '-').join(' ')}` : ''
  return `{define: ${name} base-fret ${base} frets ${places.join(' ')}${held}}`
}
