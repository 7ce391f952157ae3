/** A chart as `readChart` reads it back. */
import { type SymbolSchool, writeSymbol } from '../chord/index.ts'
import { writeKey } from '../key/index.ts'
import type { NamingSystem } from '../pitch/index.ts'
import { writeMetre } from '../time/index.ts'
import type { Chart, ChartBar, ChartSlot } from './types.ts'

/** Letters with # and b, unless another way of naming is asked. */
export interface ChartStyle {
  readonly naming?: NamingSystem
  readonly school?: SymbolSchool
}

const BARS_IN_A_LINE = 4

export function writeChart({ title, key, metre, tempoBpm, style, bars }: Chart, how: ChartStyle = {}): string {
  const lines: string[] = []
  if (title !== '') lines.push(`title: ${title}`)
  if (key) lines.push(`key: ${writeKey(key, how.naming === undefined ? { ascii: true } : { naming: how.naming })}`)
  const usual = style === 'straight' ? '' : ` ${style}`
  lines.push(`${writeMetre(metre)}${usual}${tempoBpm === undefined ? '' : ` =${tempoBpm}`}`)
  let line: ChartBar[] = []
  const end = () => {
    if (line.length > 0) lines.push(lineOf(line, how))
    line = []
  }
  for (const bar of bars) {
    const settings = [
      bar.metre && writeMetre(bar.metre),
      bar.tempoBpm === undefined ? undefined : `=${bar.tempoBpm}`,
    ].filter(Boolean)
    if (line.length === BARS_IN_A_LINE || bar.part !== undefined || settings.length > 0) end()
    if (settings.length > 0) lines.push(settings.join(' '))
    line.push(bar)
  }
  end()
  return lines.join('\n')
}

function lineOf(bars: readonly ChartBar[], how: ChartStyle): string {
  let text = ''
  for (const bar of bars) {
    const part = bar.part === undefined ? '' : `[${bar.part}] `
    const ending = bar.ending === undefined ? '' : `${bar.ending}. `
    const slots = bar.slots.length === 0 ? '%' : bar.slots.map((slot) => writeSlot(slot, how)).join(' ')
    // A closing line that is there already is not drawn twice, unless a repeat begins.
    if (text === '' || bar.opens)
      text = `${text.replace(/ \|$/, '')}${text === '' ? '' : ' '}${part}${bar.opens ? '|:' : '|'}`
    text += ` ${text.endsWith('|:') || text.endsWith('|') ? '' : part}${ending}${slots} ${bar.closes ? ':|' : '|'}`
  }
  return text
}

function writeSlot(slot: ChartSlot, { naming, school }: ChartStyle): string {
  switch (slot.kind) {
    case 'chord':
      return writeSymbol(
        slot.chord,
        naming === undefined && school === undefined
          ? { ascii: true }
          : { ...(naming ? { naming } : {}), ...(school ? { school } : {}) },
      )
    case 'hold':
      return '.'
    case 'rest':
      return 'N.C.'
    case 'wrong':
      return slot.text
  }
}
