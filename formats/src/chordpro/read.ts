/**
 * ChordPro: metadata, definitions, grids; of songs in lines of words the chords are taken, a bar each. What is not known is
 * kept as it stands, and what can't be read is told with its line.
 */
import {
  type Chart,
  type ChartBar,
  type ChartSlot,
  type HeldChord,
  MOST_BARS,
  STYLES,
  type Style,
} from '@nestling/core/chart'
import { type Chord, readSymbol, writeSymbol } from '@nestling/core/chord'
import { readKey } from '@nestling/core/key'
import { MOST_STRINGS, readTuning, STANDARD_TUNING, type Tuning } from '@nestling/core/neck'
import { fail, ok, requireAt } from '@nestling/core/result'
import { FOUR_FOUR, type Metre, readMetre } from '@nestling/core/time'
import { type FileProblem, MOST_FILE_CHORDS, problem } from '../file/index.ts'
import type { FileReading } from '../tune/index.ts'
import { STYLE, TUNING } from './write.ts'

/** Meaningless for a chart, and not worth keeping: they tell a printer how to lay words out. */
const DROPPED = /^(new_page|np|new_physical_page|npp|column_break|colb|columns|col|pagetype|titles)$/

interface Draft {
  title: string
  key: Chart['key']
  metre: Metre
  tempoBpm: number | undefined
  style: Style
  tuning: Tuning
  bars: ChartBar[]
  shapes: (HeldChord | undefined)[][]
}

export function readChordPro(text: string): FileReading {
  const draft: Draft = {
    title: '',
    key: undefined,
    metre: FOUR_FOUR,
    tempoBpm: undefined,
    style: 'straight',
    tuning: STANDARD_TUNING,
    bars: [],
    shapes: [],
  }
  const left: FileProblem[] = []
  const remarks: string[] = []
  const definitions = new Map<string, Definition>()
  let chords = 0
  let inGrid = false
  let part: string | undefined
  let metre: Metre | undefined
  let tempo: number | undefined
  let words = 0
  const rows = text.split(/\r\n|\r|\n/)
  const tuningLine = rows.map((row) => directive(row)).find((found) => found?.name === TUNING)
  if (tuningLine) {
    const read = readTuning(tuningLine.value)
    if (read.ok) draft.tuning = read.value
  }
  const strings = draft.tuning.strings.length

  const addBar = (slots: readonly ChartSlot[], marks: Partial<ChartBar>) => {
    draft.shapes.push(
      slots.map((slot) => (slot.kind === 'chord' ? definitions.get(nameKey(slot.chord))?.held : undefined)),
    )
    draft.bars.push({
      slots,
      ...(part === undefined ? {} : { part }),
      ...(metre === undefined ? {} : { metre }),
      ...(tempo === undefined ? {} : { tempoBpm: tempo }),
      ...marks,
    })
    part = undefined
    metre = undefined
    tempo = undefined
  }

  for (const [index, row] of rows.entries()) {
    const line = index + 1
    const found = directive(row)
    if (found) {
      const { name, value } = found
      switch (name) {
        case 'title':
        case 't':
          draft.title = value.slice(0, 60)
          break
        case 'key': {
          const key = readKey(value)
          if (key.ok) draft.key = key.value
          else left.push(problem('not_a_key', line, value))
          break
        }
        case 'time': {
          const read = readMetre(value)
          if (!read.ok) left.push(problem('not_a_metre', line, value))
          else if (draft.bars.length === 0) draft.metre = read.value
          else metre = read.value
          break
        }
        case 'tempo': {
          const bpm = Math.round(Number(value))
          if (!(bpm >= 20 && bpm <= 300)) left.push(problem('not_a_tempo', line, value))
          else if (draft.bars.length === 0) draft.tempoBpm = bpm
          else tempo = bpm
          break
        }
        case STYLE:
          draft.style = STYLES.find((style) => style === value) ?? 'straight'
          break
        case TUNING:
          if (!readTuning(value).ok) left.push(problem('not_a_tuning', line, value))
          break
        case 'define':
        case 'chord': {
          const read = readDefinition(value, strings)
          if (read === undefined) left.push(problem('not_a_definition', line, value))
          else definitions.set(nameKey(read.chord), read)
          break
        }
        case 'start_of_grid':
        case 'sog':
          inGrid = true
          part = labelOf(value) ?? part
          break
        case 'end_of_grid':
        case 'eog':
          inGrid = false
          break
        case 'start_of_verse':
        case 'start_of_chorus':
        case 'start_of_bridge':
        case 'sov':
        case 'soc':
        case 'sob':
          part = labelOf(value) ?? PARTS[name.slice(-1)] ?? PARTS[name.slice(9, 10)]
          break
        default:
          if (!DROPPED.test(name) && !/^(end_of_|eo[vcb]$)/.test(name)) remarks.push(row.trim())
      }
    } else if (row.trim() === '') {
      // Nothing stands there.
    } else if (row.startsWith('#')) remarks.push(row.trim())
    else if (inGrid) {
      const bars = gridBars(row)
      if (bars === undefined) {
        left.push(problem('words_left', line, row.trim()))
        continue
      }
      for (const { tokens, marks } of bars) {
        const slots = tokens.flatMap((token): readonly ChartSlot[] => {
          const slot = slotOf(token)
          if (slot.kind === 'wrong') left.push(problem('not_a_chord', line, token))
          if (slot.kind === 'chord') chords++
          return slot.kind === 'wrong' ? [{ kind: 'hold' }] : [slot]
        })
        addBar(tokens.length === 1 && tokens[0] === '%' ? [] : evenly(slots, metre ?? metreNow(draft)), marks)
      }
    } else {
      words++
      for (const { 1: token = '' } of row.matchAll(/\[([^\]]*)\]/g)) {
        if (token.startsWith('*')) continue
        const slot = slotOf(token)
        if (slot.kind === 'wrong') left.push(problem('not_a_chord', line, token))
        else {
          chords++
          addBar([slot], {})
        }
      }
    }
    if (chords > MOST_FILE_CHORDS) return fail(problem('too_many_chords', line, String(MOST_FILE_CHORDS)))
    if (draft.bars.length > MOST_BARS) return fail(problem('too_many_chords', line, `${MOST_BARS} bars`))
  }
  const shapes = [...definitions].length > 0 && chords === 0
  if (chords === 0 && !shapes) return fail(problem('no_chords'))
  if (words > 0) left.push(problem('words_left', 0, String(words)))
  if (words > 0 && chords > 0) left.push(problem('no_bars'))
  const { title, key, style, tempoBpm, bars, tuning } = draft
  return ok({
    tunes:
      chords === 0
        ? []
        : [
            {
              tune: {
                chart: {
                  title,
                  metre: draft.metre,
                  style,
                  bars,
                  ...(key ? { key } : {}),
                  ...(tempoBpm === undefined ? {} : { tempoBpm }),
                },
                tuning,
                shapes: draft.shapes,
              },
              remarks,
            },
          ],
    shapes: shapes
      ? [...definitions.values()].map(({ chord, held }) => ({
          name: writeSymbol(chord, { ascii: true }),
          note: '',
          shape: { chord, tuning, ...held },
        }))
      : [],
    left,
  })
}

const PARTS: Readonly<Record<string, string>> = { v: 'verse', c: 'chorus', b: 'bridge' }
const metreNow = ({ bars, metre }: Draft): Metre => bars.findLast((bar) => bar.metre)?.metre ?? metre

function directive(row: string): { readonly name: string; readonly value: string } | undefined {
  const found = /^\s*\{\s*([A-Za-z_]\w*(?:-\w+)?)\s*(?::|\s|(?=\}))\s*(.*?)\s*\}\s*$/.exec(row)
  return found ? { name: (found[1] ?? '').toLowerCase(), value: found[2] ?? '' } : undefined
}
const labelOf = (value: string): string | undefined => {
  const text = /label\s*=\s*"([^"]*)"/.exec(value)?.[1] ?? (/^[\w ]+$/.test(value) ? value : undefined)
  return text === undefined || text.trim() === '' || /^\d/.test(text) ? undefined : text.trim().slice(0, 20)
}

const nameKey = (chord: Chord): string =>
  `${chord.root} ${chord.formula.join(' ')}${chord.bass ? `/${chord.bass}` : ''}`

function slotOf(token: string): ChartSlot {
  if (token === '.' || token === '/') return { kind: 'hold' }
  if (/^(n\.?c\.?|-)$/i.test(token)) return { kind: 'rest' }
  const read = readSymbol(token)
  if (!read.ok) return { kind: 'wrong', text: token }
  const { root, formula, bass } = read.value
  return { kind: 'chord', chord: bass === undefined ? { root, formula } : { root, formula, bass } }
}

/** Dots that only fill up what is even anyway fall away; a bar of dots and chords has a slot for every beat. */
function evenly(slots: readonly ChartSlot[], { count }: Metre): readonly ChartSlot[] {
  const starts = slots.flatMap(({ kind }, index) => (kind === 'hold' ? [] : [index]))
  if (starts.length === 0 || starts.length === slots.length) return starts.length === 0 ? slots.slice(0, 1) : slots
  const each = slots.length / starts.length
  if (starts.every((start, index) => start === index * each)) return starts.map((start) => requireAt(slots, start))
  if (slots.length === count) return slots
  // So many cells that they are no beats: each chord goes to the nearest beat.
  const spread: ChartSlot[] = Array.from({ length: count }, () => ({ kind: 'hold' }))
  for (const start of starts) spread[Math.round((start * count) / slots.length) % count] = requireAt(slots, start)
  return spread
}

/** `|: Fm9 . | C7 :|2 F |` as bars; `undefined` for a row without lines. */
function gridBars(
  row: string,
): readonly { readonly tokens: readonly string[]; readonly marks: Partial<ChartBar> }[] | undefined {
  if (!row.includes('|')) return undefined
  const pieces = row.split(/(:?\|{1,2}[:.]?:?\d?)/)
  const bars: { tokens: readonly string[]; marks: Partial<ChartBar> }[] = []
  let opens = false
  let ending: number | undefined
  for (const [index, piece] of pieces.entries()) {
    if (index % 2 === 1) {
      const last = bars.at(-1)
      if (piece.startsWith(':') && last) last.marks = { ...last.marks, closes: true }
      opens = /\|:|:\|:/.test(piece)
      ending = /\d$/.test(piece) ? Number(piece.slice(-1)) : undefined
      continue
    }
    const tokens = piece.split(/\s+/).filter(Boolean)
    // Before the first line stands a label, behind the last one a remark.
    if (tokens.length === 0 || index === 0 || index === pieces.length - 1) continue
    bars.push({ tokens, marks: { ...(opens ? { opens } : {}), ...(ending === undefined ? {} : { ending }) } })
    opens = false
    ending = undefined
  }
  return bars
}

interface Definition {
  readonly chord: Chord
  readonly held: HeldChord
}

/** `Fm9 base-fret 6 frets x 3 1 3 3 x fingers - 3 1 3 4 -`. */
function readDefinition(text: string, strings: number): Definition | undefined {
  const [name = '', ...words] = text.split(/\s+/)
  const read = readSymbol(name)
  if (!read.ok) return undefined
  const after = (word: string): readonly string[] => {
    const at = words.findIndex((one) => one.toLowerCase() === word)
    if (at < 0) return []
    const end = words.slice(at + 1).findIndex((one) => /^[a-z]+-?[a-z]*$/i.test(one) && one.length > 1)
    return words.slice(at + 1, end < 0 ? undefined : at + 1 + end)
  }
  const base = Number(after('base-fret')[0] ?? '1')
  const places = after('frets')
  if (!Number.isInteger(base) || base < 1 || base > 30 || places.length !== strings || strings > MOST_STRINGS)
    return undefined
  const frets = places.map((place) => {
    if (/^[xXnN-]$|^-1$/.test(place)) return null
    const fret = Number(place)
    return Number.isInteger(fret) && fret >= 0 && fret <= 30 ? (fret === 0 ? 0 : fret + base - 1) : undefined
  })
  if (frets.some((fret) => fret === undefined || (fret ?? 0) > 36) || frets.every((fret) => fret === null))
    return undefined
  const { root, formula, bass } = read.value
  const chord: Chord = bass === undefined ? { root, formula } : { root, formula, bass }
  const fingers = after('fingers').map((finger) =>
    finger === 'T' ? ('T' as const) : /^[1-4]$/.test(finger) ? (Number(finger) as 1 | 2 | 3 | 4) : null,
  )
  const whole = frets as readonly (number | null)[]
  // A finger belongs to a pressed string.
  const fit =
    fingers.length === strings && fingers.every((finger, string) => finger === null || (whole[string] ?? 0) > 0)
  return { chord, held: { frets: whole, ...(fit && fingers.some((finger) => finger !== null) ? { fingers } : {}) } }
}
