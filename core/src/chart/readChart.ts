/**
 * Reads a chart; what is wrong is told with its place, and the rest stands.
 *   `title: …`, `key: Ab`, `tempo: 112`   a line each
 *   `3/4 bossa =112`                       metre, style and tempo; between bars, from there on
 *   `[A] |: Fm9 | Bbm7 . C7 . | % | 1. N.C. :|`
 * A line without bar lines is a bar for every chord.
 */
import { readSymbol } from '../chord/index.ts'
import { type Key, readKey, readNumbers } from '../key/index.ts'
import type { NamingSystem } from '../pitch/index.ts'
import { piece, requireAt } from '../result/index.ts'
import { FOUR_FOUR, type Metre, readMetre } from '../time/index.ts'
import {
  type Chart,
  type ChartBar,
  type ChartError,
  type ChartPlace,
  type ChartReading,
  type ChartSlot,
  STYLES,
  type Style,
} from './types.ts'

export const MOST_CHART_TEXT = 20_000
export const MOST_BARS = 512
/** Slower and faster than anybody plays. */
const TEMPI = { least: 20, most: 400 } as const

/** What a line of bars is made of. */
const TOKENS = /\|:|:\|:?|\||(?:\[[^\]|]*\]|(?!:\|)[^\s|[])+|\[/g

interface Drafted {
  slots: ChartSlot[]
  places: ChartPlace[]
  marks: Omit<ChartBar, 'slots'>
  /** `%` stands in it. */
  same: boolean
}

/** What stands before a chart's bars. */
export type ChartHead = Omit<Chart, 'bars'>

/** Title, metre, style, key and tempo as `readChart` reads them; the bars are only looked for. For lists of many tunes. */
export function readChartHead(text: string, systems: readonly NamingSystem[] = ['letters']): ChartHead {
  const { bars: _bars, ...head } = readLines(text, systems, 'head').chart
  return head
}

export const readChart = (text: string, systems: readonly NamingSystem[] = ['letters']): ChartReading =>
  readLines(text, systems, 'whole')

function readLines(text: string, systems: readonly NamingSystem[], what: 'whole' | 'head'): ChartReading {
  const errors: ChartError[] = []
  const bars: ChartBar[] = []
  const places: (readonly ChartPlace[])[] = []
  let head: Omit<Chart, 'bars'> = { title: '', metre: FOUR_FOUR, style: 'straight' }
  let metre: Metre = FOUR_FOUR
  let marks: Omit<ChartBar, 'slots'> = {}
  const empty: ChartReading = { chart: { ...head, bars }, errors, places }
  if (text.length > MOST_CHART_TEXT)
    return {
      ...empty,
      errors: [
        {
          code: 'chart_too_long',
          at: MOST_CHART_TEXT,
          text: piece(text.slice(MOST_CHART_TEXT)),
          most: MOST_CHART_TEXT,
        },
      ],
    }

  const lines = [...text.matchAll(/[^\n]+/g)].map((match) => ({ line: match[0], at: match.index }))
  const key = keyIn(lines, systems, errors)
  if (key) head = { ...head, key }
  const setting = (next: Settings) => {
    const { metre: newMetre, tempoBpm, style } = next
    if (newMetre) metre = newMetre
    if (style) head = { ...head, style }
    const isFirst = bars.length === 0
    if (newMetre && isFirst) head = { ...head, metre: newMetre }
    else if (newMetre) marks = { ...marks, metre: newMetre }
    if (tempoBpm !== undefined && isFirst) head = { ...head, tempoBpm }
    else if (tempoBpm !== undefined) marks = { ...marks, tempoBpm }
  }
  const finish = (draft: Drafted) => {
    if (bars.length === MOST_BARS) {
      const at = draft.places[0]?.from ?? text.length
      if (!errors.some(({ code }) => code === 'chart_too_long'))
        errors.push({ code: 'chart_too_long', at, text: piece(text.slice(at)), most: MOST_BARS })
      return
    }
    const { slots } = draft
    const hasDots = slots.some(({ kind }) => kind === 'hold') && slots.some(({ kind }) => kind !== 'hold')
    if (hasDots && slots.length !== metre.count) {
      const at = draft.places[0]?.from ?? 0
      errors.push({ code: 'bar_beats', at, text: piece(text.slice(at)), slots: slots.length, beats: metre.count })
    }
    bars.push({ ...marks, ...draft.marks, slots })
    places.push(draft.places)
    marks = {}
  }

  for (const { line, at } of lines) {
    const named = /^\s*(title|key|tempo)\s*:\s*(.*?)\s*$/i.exec(line)
    if (named) {
      const [, name = '', value = ''] = named
      if (name.toLowerCase() === 'title') head = { ...head, title: value }
      if (name.toLowerCase() === 'tempo') {
        const tempoBpm = tempoOf(value)
        if (tempoBpm === undefined)
          errors.push({ code: 'not_a_tempo', at: at + line.indexOf(value, line.indexOf(':')), text: piece(value) })
        else setting({ tempoBpm })
      }
      continue
    }
    const settings = settingsIn(line, at, errors)
    if (settings) {
      setting(settings)
      continue
    }
    if (what === 'whole') readBars(line, at)
    else if (bars.length === 0 && hasBar(line)) bars.push({ slots: [] })
  }

  function readBars(line: string, lineAt: number) {
    const hasLines = line.includes('|')
    let draft: Drafted = { slots: [], places: [], marks: {}, same: false }
    const isEmpty = () => draft.slots.length === 0 && !draft.same
    const end = () => {
      if (!isEmpty()) finish(draft)
      else marks = { ...marks, ...draft.marks }
      draft = { slots: [], places: [], marks: {}, same: false }
    }
    for (const { 0: token, index } of line.matchAll(TOKENS)) {
      const at = lineAt + index
      const wrong = (error: ChartError) => {
        errors.push(error)
        draft.slots.push({ kind: 'wrong', text: token })
        draft.places.push({ from: at, to: at + token.length })
      }
      const put = (slot: ChartSlot) => {
        if (draft.same) {
          errors.push({ code: 'not_in_a_chart', at, text: piece(token) })
          return
        }
        draft.slots.push(slot)
        draft.places.push({ from: at, to: at + token.length })
        if (!hasLines) end()
      }
      const part = /^\[([^\]]*)\]$/.exec(token)
      const ending = /^([1-9])\.$/.exec(token)
      if (token === '|') end()
      else if (token === '|:') {
        end()
        draft.marks = { ...draft.marks, opens: true }
      } else if (token === ':|' || token === ':|:') {
        if (!isEmpty()) {
          draft.marks = { ...draft.marks, closes: true }
          end()
        } else if (bars.length > 0) bars.push({ ...(bars.pop() as ChartBar), closes: true })
        else errors.push({ code: 'nothing_to_repeat', at, text: token })
        if (token === ':|:') draft.marks = { ...draft.marks, opens: true }
      } else if (part) {
        if (isEmpty()) draft.marks = { ...draft.marks, part: requireAt(part, 1).trim() }
        else errors.push({ code: 'part_in_bar', at, text: piece(token) })
      } else if (ending && isEmpty()) draft.marks = { ...draft.marks, ending: Number(ending[1]) }
      else if (token === '%') {
        if (bars.length === 0) errors.push({ code: 'nothing_to_repeat', at, text: token })
        else if (!isEmpty()) wrong({ code: 'not_in_a_chart', at, text: token })
        else {
          draft.same = true
          if (!hasLines) end()
        }
      } else if (token === '.') put({ kind: 'hold' })
      else if (/^n\.?c\.?$/i.test(token)) put({ kind: 'rest' })
      else {
        const read = readChord(token, at, key, systems)
        if ('kind' in read) put(read)
        else {
          wrong(read)
          if (!hasLines) end()
        }
      }
    }
    end()
  }

  return { chart: { ...head, bars }, errors, places }
}

/** Whether anything in it is more than a bar line, a part's name, an ending or a repeat of nothing. */
const hasBar = (line: string): boolean =>
  [...line.matchAll(TOKENS)].some(([token]) => !/^(?:\|:?|:\|:?|%|\[[^\]]*\]|[1-9]\.)$/.test(token))

/** Numbers mean something in a key, so the key is read first, wherever it stands. */
function keyIn(
  lines: readonly { readonly line: string; readonly at: number }[],
  systems: readonly NamingSystem[],
  errors: ChartError[],
): Key | undefined {
  for (const { line, at } of lines) {
    const found = /^\s*key\s*:\s*(.*?)\s*$/i.exec(line)
    if (!found) continue
    const value = requireAt(found, 1)
    if (value === '') return undefined
    const read = readKey(value, systems)
    if (read.ok) return read.value
    errors.push({ ...read.error, at: at + line.indexOf(value, line.indexOf(':')) + read.error.at })
    return undefined
  }
  return undefined
}

interface Settings {
  readonly metre?: Metre
  readonly tempoBpm?: number
  readonly style?: Style
}

function tempoOf(text: string): number | undefined {
  const tempo = Number(text)
  return /^\d{2,3}$/.test(text) && tempo >= TEMPI.least && tempo <= TEMPI.most ? tempo : undefined
}

/** A line of nothing but metre, style and tempo; a metre or tempo that can't be is told. */
function settingsIn(line: string, lineAt: number, errors: ChartError[]): Settings | undefined {
  const isSetting = (token: string) =>
    /^\d+\/\d+$/.test(token) || /^[=♩]/.test(token) || STYLES.includes(token.toLowerCase() as Style)
  const [first] = /\S+/.exec(line) ?? []
  if (first === undefined || !isSetting(first)) return undefined
  const tokens = [...line.matchAll(/\S+/g)]
  if (!tokens.every(({ 0: token }) => isSetting(token))) return undefined
  let settings: Settings = {}
  for (const { 0: token, index } of tokens) {
    const at = lineAt + index
    const style = STYLES.find((one) => one === token.toLowerCase())
    if (style) settings = { ...settings, style }
    else if (token.includes('/')) {
      const metre = readMetre(token)
      if (metre.ok) settings = { ...settings, metre: metre.value }
      else errors.push({ ...metre.error, at })
    } else {
      const tempoBpm = tempoOf(token.replace(/^[♩=]+/, ''))
      if (tempoBpm === undefined) errors.push({ code: 'not_a_tempo', at, text: piece(token) })
      else settings = { ...settings, tempoBpm }
    }
  }
  return settings
}

const NUMBER_LIKE = /^(?:[b#♭♯]*[1-7]|[b#♭♯]*(?:VII|III|VI|IV|II|I|V|vii|iii|vi|iv|ii|i|v))(?![a-z]*\d*\/\d)/

function readChord(
  token: string,
  at: number,
  key: Key | undefined,
  systems: readonly NamingSystem[],
): ChartSlot | ChartError {
  const isNumber = NUMBER_LIKE.test(token) && !/^b[b#♭♯]?[1-7]/.test(key ? '' : token)
  if (key && NUMBER_LIKE.test(token)) {
    const numbers = readNumbers(token, key, 'sevenths')
    if (numbers.ok && numbers.value.length === 1)
      return { kind: 'chord', chord: numbers.value[0] as NonNullable<(typeof numbers.value)[0]> }
  }
  const read = readSymbol(token, systems)
  if (read.ok) {
    const { root, formula, bass } = read.value
    return { kind: 'chord', chord: bass === undefined ? { root, formula } : { root, formula, bass } }
  }
  if (isNumber && !key) return { code: 'number_without_key', at, text: piece(token) }
  return { ...read.error, at: at + read.error.at }
}
