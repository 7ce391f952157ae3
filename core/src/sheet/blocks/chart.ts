/** A tune on paper: bars in lines, each chord's neck in one window of frets for the whole tune, TAB or staff under it. */
import {
  type ChartBar,
  type HeldChord,
  inHand,
  patternOf,
  playedChart,
  readChart,
  type TuneInHand,
  tuneScore,
  writtenOnce,
  writtenOut,
  writtenTune,
} from '../../chart/index.ts'
import type { Chord } from '../../chord/index.ts'
import { handOn } from '../../hand/index.ts'
import { signatureOf } from '../../key/index.ts'
import { type Neck, readTuning } from '../../neck/index.ts'
import type { Degree } from '../../pitch/index.ts'
import { neckFor } from '../../shape/index.ts'
import {
  beatsInBar,
  type Metre,
  type StringEvent,
  stringEvents,
  type WrittenBar,
  writeMetre,
} from '../../time/index.ts'
import { readFrets, voicingOf } from '../../voicing/index.ts'
import { type BlockRoom, symbolIn } from '../context.ts'
import { fitted, line, type Mark, NAME, SMALL, text } from '../marks.ts'
import { EGG, labelOf, type NeckRoom, neckGrid, neckMarks, shapeMarks, type TonePlace } from '../neck.ts'
import type { Row } from '../row.ts'
import type { ChartBlock, TuneSource } from '../types.ts'
import { tabBar, tabDigits, tabHeight } from './tab.ts'
import { missing } from './words.ts'

/** Of a neck's strings, lying and upright; of a fret, upright. */
const PITCH = 3.4
const UPRIGHT_PITCH = 4.2
const FRET_HEIGHT = 5.2
/** The narrowest window: a hand's width and one fret. */
const FEWEST_FRETS = 5
/** From staff to TAB and what stands over them, at the scale that fits a page. */
const STAFF_HEIGHT = 46
const BETWEEN = 2.6

interface Found {
  readonly tune: TuneInHand
  readonly pattern: string
}

/** The tune that a block shows; `undefined` when it is no longer in the Book. */
export function tuneOf(source: TuneSource, { tunes }: Pick<BlockRoom, 'tunes'>): Found | undefined {
  if (source.kind === 'kept') {
    const found = tunes.find(({ id }) => id === source.tune)
    return found && { tune: found.tune, pattern: found.pattern }
  }
  const { chart } = readChart(source.chart)
  const tuning = readTuning(source.tuning)
  if (!tuning.ok) return undefined
  const held = source.frets.map((frets): HeldChord | undefined => {
    const read = frets === null ? undefined : readFrets(frets, tuning.value.strings.length)
    return read?.ok ? { frets: read.value } : undefined
  })
  return { tune: inHand(chart, tuning.value, held), pattern: patternOf(chart) }
}

interface BarOnPaper {
  readonly bar: ChartBar
  /** From 0, as written. */
  readonly index: number
  readonly metre: Metre
  readonly chords: readonly ChordOnPaper[]
  readonly events: readonly StringEvent[]
}
interface ChordOnPaper {
  readonly chord: Chord
  readonly frets: HeldChord['frets'] | undefined
  readonly tones: readonly TonePlace[]
  /** Its share of the bar, from 0 to 1. */
  readonly at: number
  readonly isRest: boolean
}

export function chartRows(block: ChartBlock, room: BlockRoom): readonly Row[] {
  const found = tuneOf(block.source, room)
  if (found === undefined) return missing(block.id, 'This tune is no longer in the Book.', room)
  const { tune } = found
  const all = barsOnPaper(found, block, room)
  const bars = all.slice((block.from ?? 1) - 1, block.to ?? all.length)
  if (bars.length === 0) return missing(block.id, 'There is no bar from here to there.', room)
  const window = windowOf(all)
  const strings = tune.tuning.strings.length
  const wanted = Math.max(1, room.sheet.barsALine)
  const staves = block.under === 'staff' ? writtenOf(found) : undefined
  const fifths = tune.chart.key && signatureOf(tune.chart.key).fifths
  const rows: Row[] = []
  for (let at = 0; at < bars.length; at += wanted) {
    const line = bars.slice(at, at + wanted)
    const isLast = at + wanted >= bars.length
    rows.push(
      lineRow(line, {
        block,
        room,
        window,
        strings,
        wanted,
        isLast,
        ends: line.at(-1)?.index === all.length - 1,
        staves,
        fifths,
      }),
    )
  }
  return rows
}

/** The frets that all shapes of the tune lie in, so that the hand's walk is seen from neck to neck. */
function windowOf(bars: readonly BarOnPaper[]): { readonly from: number; readonly to: number } {
  const pressed = bars.flatMap(({ chords }) =>
    chords.flatMap(({ frets }) => (frets ?? []).filter((fret): fret is number => fret !== null && fret > 0)),
  )
  if (pressed.length === 0) return { from: 1, to: FEWEST_FRETS }
  const [low, high] = [Math.min(...pressed), Math.max(...pressed)]
  // A neck that reaches to its beginning shows the nut.
  const from = low <= 3 ? 1 : low
  return { from, to: Math.max(high, from + FEWEST_FRETS - 1) }
}

function barsOnPaper({ tune, pattern }: Found, block: ChartBlock, room: BlockRoom): readonly BarOnPaper[] {
  const out = writtenOut(tune)
  const once = writtenOnce(out.chart)
  const played = playedChart(once)
  const neck = neckFor(tune)
  const shapes = played.chords.map(({ bar, slot }) => out.shapes[bar]?.[slot])
  const events = stringEvents(
    tuneScore(played, shapes, neck, {
      pattern,
      style: once.style,
      bass: undefined,
      drums: false,
      click: false,
      loop: false,
      countInBars: 0,
      tempo: 80,
    }),
  )
  const tonesFor = tonesIn(neck, block, room)
  let before: { readonly chord: Chord; readonly frets: HeldChord['frets'] } | undefined
  return played.bars.map((bar, index): BarOnPaper => {
    const slots = out.chart.bars[index]?.slots ?? []
    const chords = slots.flatMap((slot, place): readonly ChordOnPaper[] => {
      if (slot.kind === 'rest')
        return [{ chord: NO_CHORD, frets: undefined, tones: [], at: place / slots.length, isRest: true }]
      if (slot.kind !== 'chord') return []
      const held = out.shapes[index]?.[place]
      const tones = held ? tonesFor(slot.chord, held, before) : []
      if (held) before = { chord: slot.chord, frets: held.frets }
      return [{ chord: slot.chord, frets: held?.frets, tones, at: place / slots.length, isRest: false }]
    })
    return {
      bar: tune.chart.bars[index] ?? { slots },
      index,
      metre: bar.metre,
      chords,
      events: events
        .filter(({ at }) => at >= bar.at - 1e-9 && at < bar.at + bar.beats - 1e-9)
        .map((event) => ({ ...event, at: event.at - bar.at })),
    }
  })
}
const NO_CHORD: Chord = { root: 'C', formula: ['R', '5'] }

/** A shape's tones with what stands in them; where one tone alone has moved, the place that it left. */
function tonesIn(neck: Neck, { moves }: ChartBlock, { sheet, naming, player }: BlockRoom) {
  const hand = handOn(neck, player.hand, { thumb: player.thumb })
  return (
    chord: Chord,
    { frets, fingers }: HeldChord,
    before: { readonly chord: Chord; readonly frets: HeldChord['frets'] } | undefined,
  ): readonly TonePlace[] => {
    const voicing = voicingOf(chord, frets, neck)
    const held = sheet.labels === 'finger' ? (fingers ?? hand.bestFingering(frets)?.fingers) : undefined
    const changed = before ? frets.flatMap((fret, string) => (fret === before.frets[string] ? [] : [string])) : []
    const [only] = changed
    const isOne =
      moves && changed.length === 1 && only !== undefined && before?.frets[only] !== null && frets[only] !== null
    const sounding = frets.flatMap((fret, string): readonly TonePlace[] => {
      if (fret === null) return []
      const degree: Degree = voicing?.degrees[string] ?? '9'
      const label = labelOf(sheet.labels, { degree, note: voicing?.notes[string], finger: held?.[string] }, naming)
      return [{ string, fret, degree, label, ringed: isOne && string === only }]
    })
    if (!isOne || only === undefined || !before) return sounding
    const from = before.frets[only] as number
    const was = voicingOf(before.chord, before.frets, neck)?.degrees[only] ?? '9'
    return [...sounding, { string: only, fret: from, degree: was, look: 'ghost' }]
  }
}

/** The staff's bars, by written bar. */
function writtenOf({ tune, pattern }: Found): readonly WrittenBar[] {
  const out = writtenOut(tune)
  const played = playedChart(writtenOnce(out.chart))
  const shapes = played.chords.map(({ bar, slot }) => out.shapes[bar]?.[slot])
  return writtenTune(played, shapes, neckFor(tune), pattern).map((bar, index) => {
    const { opens, closes } = tune.chart.bars[index] ?? {}
    return { ...bar, over: { opens, closes } }
  })
}

interface LineFrame {
  readonly block: ChartBlock
  readonly room: BlockRoom
  readonly window: { readonly from: number; readonly to: number }
  readonly strings: number
  readonly wanted: number
  readonly isLast: boolean
  readonly ends: boolean
  readonly staves: readonly WrittenBar[] | undefined
  readonly fifths: number | undefined
}

/** One line of bars. A bar of two chords is twice as wide, so that no neck shrinks. */
function lineRow(bars: readonly BarOnPaper[], frame: LineFrame): Row {
  const { block, room, window, strings, wanted, isLast, staves } = frame
  const { sheet, width, facing, measure } = room
  const unitsOf = ({ chords }: BarOnPaper) => Math.max(1, chords.length)
  const units = bars.reduce((sum, bar) => sum + unitsOf(bar), 0)
  // A last line that is not full is not spread over the whole page.
  const unit = width / Math.max(units, isLast ? Math.min(wanted, units + (wanted - bars.length)) : units)
  const upright = sheet.necks === 'upright'
  const hasNecks = bars.some(({ chords }) => chords.some(({ frets }) => frets))
  const neckTop = NAME + 4.6
  const neckHeight = !hasNecks ? 0 : upright ? 4 + (window.to - window.from + 1) * FRET_HEIGHT : (strings - 1) * PITCH
  const neckBottom = neckTop + neckHeight
  const underTop = neckBottom + (hasNecks ? (upright ? 3.4 : 8.2) : 0)
  const underHeight = block.under === 'nothing' ? 0 : block.under === 'staff' ? STAFF_HEIGHT : tabHeight(strings)
  const marks: Mark[] = []
  let x = 0
  for (const [place, bar] of bars.entries()) {
    const barWidth = unit * unitsOf(bar)
    const number = String(bar.index + 1)
    marks.push(...barHead(bar, x, barWidth, room, place === 0))
    marks.push(text(x + barWidth - 3, NAME + 0.8, number, { size: 3, role: 'soft', anchor: 'end' }))
    if (block.under === 'nothing') marks.push(line(x, NAME - 1, x, neckBottom + (hasNecks ? 2 : 4), 'rule', 0.3))
    const each = barWidth / Math.max(1, bar.chords.length)
    for (const [index, chord] of bar.chords.entries()) {
      const left = x + index * each + (block.under === 'nothing' ? 1.6 : 0.8)
      const head = headWidth(bar, index, room)
      const name = chord.isRest ? 'N.C.' : symbolIn(room, chord.chord)
      marks.push(
        text(left + head, NAME + 0.8, fitted(name, each - head - 8, measure, 'serif', NAME), {
          face: 'serif',
          size: NAME,
        }),
      )
      if (!hasNecks || chord.frets === undefined) continue
      const neck: NeckRoom = upright
        ? {
            ...facing,
            x: left + 8,
            y: neckTop + 4,
            width: 0,
            strings,
            ...window,
            pitch: UPRIGHT_PITCH,
            upright,
            fretHeight: FRET_HEIGHT,
          }
        : { ...facing, x: left, y: neckTop, width: each - 5, strings, ...window, pitch: PITCH }
      const egg = Math.min(EGG, neckGrid(neck).each * 0.46)
      marks.push(...neckMarks(neck), ...moveArc(neck, chord.tones), ...shapeMarks(neck, chord.tones, { egg }))
    }
    if (block.under === 'tab') {
      const beats = beatsInBar(bar.metre)
      const tab = { x, y: underTop, width: barWidth, strings }
      const ends = frame.ends && place === bars.length - 1
      marks.push(
        ...tabBar(tab, { first: place === 0, opens: bar.bar.opens === true, closes: bar.bar.closes === true, ends }),
      )
      marks.push(...tabDigits(tab, bar.events, beats, bar.bar.opens ? 6 : 4))
    } else if (!staves && (bar.bar.opens || bar.bar.closes))
      marks.push(...repeatSigns(bar, x, barWidth, NAME - 1, neckBottom + 2))
    x += barWidth
  }
  if (staves) {
    const written = bars.flatMap(({ index }) => staves[index] ?? [])
    marks.push({
      kind: 'staff',
      x: 0,
      y: underTop,
      width: x,
      height: STAFF_HEIGHT,
      strings,
      bars: written,
      fifths: frame.fifths,
      widths: bars.map((bar) => unit * unitsOf(bar)),
      begins: bars[0]?.index === 0,
      ends: frame.ends,
    })
  }
  return { block: block.id, height: underTop + underHeight + BETWEEN, marks }
}

/** Part, ending, metre and tempo before a bar's first name. */
const headTexts = ({ bar }: BarOnPaper): readonly string[] => [
  ...(bar.part === undefined ? [] : [bar.part]),
  ...(bar.ending === undefined ? [] : [`${bar.ending}.`]),
  ...(bar.metre ? [writeMetre(bar.metre)] : []),
  ...(bar.tempoBpm === undefined ? [] : [`=${bar.tempoBpm}`]),
]
const headWidth = (bar: BarOnPaper, index: number, { measure }: BlockRoom): number =>
  index > 0 ? 0 : headTexts(bar).reduce((sum, words) => sum + measure(words, 'bold', SMALL) + 2.2, 0)

function barHead(bar: BarOnPaper, x: number, _width: number, { measure }: BlockRoom, _first: boolean): readonly Mark[] {
  let at = x + 0.8
  return headTexts(bar).map((words) => {
    const mark = text(at, NAME + 0.8, words, { face: 'bold', size: SMALL, role: 'soft' })
    at += measure(words, 'bold', SMALL) + 2.2
    return mark
  })
}

function repeatSigns({ bar }: BarOnPaper, x: number, width: number, top: number, bottom: number): readonly Mark[] {
  const middle = (top + bottom) / 2
  const dots = (at: number) => [-1.4, 1.4].map((by) => line(at - 0.01, middle + by, at + 0.01, middle + by, 'ink', 0.9))
  return [
    ...(bar.opens ? [line(x, top, x, bottom, 'ink', 0.8), ...dots(x + 1)] : []),
    ...(bar.closes ? [line(x + width - 0.4, top, x + width - 0.4, bottom, 'ink', 0.8), ...dots(x + width - 1.6)] : []),
  ]
}

/** From where the one moved tone was to where it is. */
function moveArc(neck: NeckRoom, tones: readonly TonePlace[]): readonly Mark[] {
  const ghost = tones.find(({ look }) => look === 'ghost')
  const to = ghost && tones.find(({ string, look }) => string === ghost.string && look !== 'ghost')
  if (!ghost || !to || neck.upright) return []
  const grid = neckGrid(neck)
  const [a, b] = [grid.at(ghost.string, ghost.fret), grid.at(to.string, to.fret)]
  return [{ kind: 'arc', x1: a.x, x2: b.x, y: a.y - EGG * 0.7, role: 'extension' }]
}
