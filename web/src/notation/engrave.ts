/**
 * Staff and TAB, drawn as SVG. The notation library and its fonts are loaded at the first drawing; the fonts are this
 * application's own files.
 *   Score ─writtenBars→ bars of notes, chords and rests ─one system after another→ SVG, and every note's elements by its mark
 */
import '@vexflow-fonts/academico/index.css'
import '@vexflow-fonts/bravura/index.css'
import { stringNumber } from '@nestling/core/neck'
import { letterIndexOf, type Pitch } from '@nestling/core/pitch'
import { pulses, type WrittenBar, type WrittenEvent, type WrittenValue } from '@nestling/core/time'

type Vex = typeof import('vexflow/core')

export interface EngraveOptions {
  /** How many the TAB has. */
  readonly strings: number
  /** In pixels of the drawing, before it is scaled. */
  readonly width: number
  /** Played again and again: the last barline says so. */
  readonly repeats: boolean
  /** All bars in one system, whatever room they have. */
  readonly oneSystem?: boolean | undefined
  /** It is a piece of longer music: without its metre where that was told before, without a last line where it goes on. */
  readonly begins?: boolean | undefined
  readonly ends?: boolean | undefined
}

/** Where a note stands, in pixels from the drawing's corner. */
export interface Spot {
  readonly x: number
  /** The top of its system. */
  readonly top: number
  /** The lowest line of its TAB. */
  readonly bottom: number
}

export interface Engraving {
  /** By the mark of a note: its staff note and its TAB numbers, all parts of it when it is held over. */
  readonly elements: readonly (readonly Element[])[]
  /** By mark: where the note stands; a note that is held over, its first part. */
  readonly spots: readonly Spot[]
  readonly systemPx: number
}

/** The name under which the browser's own timing tells how long an engraving took. */
const ENGRAVED = 'notation'

let loading: Promise<Vex> | undefined

async function load(): Promise<Vex> {
  const vex = await import('vexflow/core')
  await Promise.all(['30px Bravura', '12px Academico', 'bold 12px Academico'].map((font) => document.fonts.load(font)))
  vex.VexFlow.setFonts('Bravura', 'Academico')
  copyQuickly(vex)
  return vex
}

/**
 * Every element asks for a copy of its small flat tables, and the library makes it the slow way; this is a quarter of its
 * time for a long line.
 */
function copyQuickly({ Metrics }: Vex): void {
  for (const name of ['getFontInfo', 'getStyle'] as const) {
    const slow = Metrics[name].bind(Metrics) as (key: string) => object
    const tables = new Map<string, object>()
    const quick = (key: string) => {
      const table = tables.get(key) ?? slow(key)
      tables.set(key, table)
      return { ...table }
    }
    Object.assign(Metrics, { [name]: quick })
  }
}

const DURATION: Readonly<Record<WrittenValue, string>> = {
  whole: 'w',
  half: 'h',
  quarter: 'q',
  eighth: '8',
  sixteenth: '16',
}
const durationOf = ({ value, dotted }: WrittenEvent): string => `${DURATION[value]}${dotted ? 'd' : ''}`
const isShort = ({ value }: WrittenEvent): boolean => value === 'eighth' || value === 'sixteenth'
/** Room for clef and time before the first note, and for one note. */
const HEAD_PX = 92
const NOTE_PX: Readonly<Record<WrittenValue, number>> = { whole: 60, half: 52, quarter: 46, eighth: 33, sixteenth: 27 }
const LEAST_BAR_PX = 110
/** From the top of the staff's box to the TAB's, where no note lies lower than the guitar's own. */
const STAFF_PX = 72
const TAB_LINE_PX = 13
const GAP_PX = 26
const HALF_HEAD_PX = 6
/** A line that fills no system is not spread over the whole page. */
const MOST_SPREAD = 1.25

/** Draws into an element, in place of what was there. */
export async function engrave(
  into: HTMLDivElement,
  bars: readonly WrittenBar[],
  options: EngraveOptions,
): Promise<Engraving> {
  loading ??= load()
  loading.catch(() => {
    loading = undefined
  })
  const vex = await loading
  const mine = Symbol('engraving')
  newest.set(into, mine)
  return draw(vex, into, bars, options, () => newest.get(into) === mine)
}

/** The engraving that an element was last asked for: an older one stops. */
const newest = new WeakMap<Element, symbol>()

/** Lets the frame and the player go first, and goes on before other work: an engraving is drawn system by system. */
function breathe(): Promise<void> {
  const { scheduler } = globalThis as { scheduler?: { yield?: () => Promise<void> } }
  return scheduler?.yield?.() ?? new Promise((resolve) => setTimeout(resolve))
}

const barWidth = ({ events }: WrittenBar): number =>
  Math.max(
    LEAST_BAR_PX,
    events.reduce((sum, event) => sum + NOTE_PX[event.value], 0),
  )

interface PlacedBar {
  readonly bar: number
  readonly width: number
}

/** Bars into systems, as many as fit; of each system the bars share its room by what they hold. */
function rowsOf(widths: readonly number[], room: number): readonly (readonly PlacedBar[])[] {
  const rows: number[][] = []
  let used = Number.POSITIVE_INFINITY
  for (const [bar, width] of widths.entries()) {
    if (used + width > room) {
      rows.push([])
      used = 0
    }
    rows.at(-1)?.push(bar)
    used += width
  }
  const widthOf = (bar: number) => widths[bar] as number
  return rows.map((row, index) => {
    const natural = row.reduce((sum, bar) => sum + widthOf(bar), 0)
    const spread = room / natural
    // A last system is spread like the others, as far as that looks well.
    const by = index === rows.length - 1 ? Math.min(spread, MOST_SPREAD) : spread
    return row.map((bar) => ({ bar, width: widthOf(bar) * by }))
  })
}

function inOneRow(widths: readonly number[], room: number): readonly PlacedBar[] {
  const natural = widths.reduce((sum, width) => sum + width, 0)
  return widths.map((width, bar) => ({ bar, width: (width * room) / natural }))
}

/** Below the last system. */
const UNDER_PX = 12

/** Heights that every system has, in pixels. */
function systemOf(bars: readonly WrittenBar[], strings: number) {
  const headPx = headroom(bars)
  const staffPx = STAFF_PX + legroom(bars)
  return { headPx, staffPx, systemPx: headPx + staffPx + (strings - 1) * TAB_LINE_PX + GAP_PX + 28 }
}

/** Smaller than this the numbers can't be read from a music stand. */
const SCALES = [1, 0.95, 0.9, 0.85, 0.8, 0.75] as const

/** The largest scale at which all of it is in sight in a box of so many pixels; 1 where none will do, and it scrolls. */
export function scaleFor(
  bars: readonly WrittenBar[],
  { strings, width }: Pick<EngraveOptions, 'strings' | 'width'>,
  height: number,
): number {
  const widths = bars.map(barWidth)
  const { systemPx } = systemOf(bars, strings)
  const fits = (scale: number) =>
    (rowsOf(widths, width / scale - HEAD_PX - 8).length * systemPx + UNDER_PX) * scale <= height
  return SCALES.find(fits) ?? 1
}

async function draw(
  vex: Vex,
  into: HTMLDivElement,
  bars: readonly WrittenBar[],
  options: EngraveOptions,
  isWanted: () => boolean,
): Promise<Engraving> {
  const began = performance.now()
  const { strings, width, repeats, begins = true, ends = true } = options
  const rows = options.oneSystem
    ? [inOneRow(bars.map(barWidth), width - HEAD_PX - 8)]
    : rowsOf(bars.map(barWidth), width - HEAD_PX - 8)
  const systems = rows.length
  const { headPx, staffPx, systemPx } = systemOf(bars, strings)

  const box = document.createElement('div')
  const renderer = new vex.Renderer(box, vex.Renderer.Backends.SVG)
  renderer.resize(width, systems * systemPx + UNDER_PX)
  const context = renderer.getContext()
  const written: Drawn[] = []
  const spots: Spot[] = []
  let held: Drawn | undefined
  for (const [system, row] of rows.entries()) {
    if (system > 0) await breathe()
    if (!isWanted()) break
    let x = 4
    for (const [index, { bar: number, width: barPx }] of row.entries()) {
      const bar = bars[number] as WrittenBar
      const first = index === 0
      const place = { x, top: system * systemPx + headPx, staffPx, width: barPx + (first ? HEAD_PX : 0) }
      x += place.width
      const head = first ? (system === 0 && begins ? 'clef and time' : 'clef') : 'none'
      const end = number < bars.length - 1 || !ends ? 'plain' : repeats ? 'again' : 'last'
      const { drawn, bottom } = drawBar(vex, context, bar, { strings, ...place, head, end })
      for (const one of drawn) {
        const { event, pair } = one
        // Only what begins a system is held from the end of the one above.
        if (held && event.notes.length > 0) tie(vex, context, first && one === drawn[0] ? undefined : held, one)
        held = event.tied ? one : undefined
        written.push(one)
        if (event.mark !== undefined)
          spots[event.mark] ??= { x: pair[0].getAbsoluteX() + HALF_HEAD_PX, top: system * systemPx, bottom }
      }
    }
  }
  box.querySelector('svg')?.setAttribute('aria-hidden', 'true')
  if (isWanted()) into.replaceChildren(...box.childNodes)
  performance.measure(ENGRAVED, { start: began })
  return { spots, systemPx, elements: elementsByMark(written) }
}

/** The library finds what it drew in the document only: this is asked when the drawing stands there. */
function elementsByMark(written: readonly Drawn[]): Engraving['elements'] {
  const elements: Element[][] = []
  for (const { event, pair } of written) {
    if (event.mark === undefined || event.notes.length === 0) continue
    const svg = pair.flatMap((note) => note.getSVGElement() ?? [])
    elements[event.mark] = [...(elements[event.mark] ?? []), ...svg]
  }
  return Array.from(elements, (one) => one ?? [])
}

type Staff = InstanceType<Vex['StaveNote']>
type Tab = InstanceType<Vex['TabNote']> | InstanceType<Vex['GhostNote']>
/** What stands on the staff, and below it in the TAB. */
type Pair = readonly [Staff, Tab]
interface Drawn {
  readonly event: WrittenEvent
  readonly pair: Pair
}
type Context = ReturnType<InstanceType<Vex['Renderer']>['getContext']>

interface BarPlace extends Pick<EngraveOptions, 'strings'> {
  /** In pixels; `top` is that of the staff's own box. */
  readonly x: number
  readonly top: number
  readonly staffPx: number
  readonly width: number
  readonly head: 'clef and time' | 'clef' | 'none'
  readonly end: 'plain' | 'last' | 'again'
}

/** A note that is held over, from the note before or from the end of the system above. */
function tie(vex: Vex, context: Context, from: Drawn | undefined, to: Drawn): void {
  const indexes = to.event.notes.map((_, index) => index)
  new vex.StaveTie({
    firstNote: from?.pair[0] ?? null,
    lastNote: to.pair[0],
    firstIndexes: indexes,
    lastIndexes: indexes,
  })
    .setContext(context)
    .draw()
}

function drawBar(
  vex: Vex,
  context: Context,
  bar: WrittenBar,
  place: BarPlace,
): { readonly drawn: readonly Drawn[]; readonly bottom: number } {
  const { strings, x, top, staffPx, width, head, end } = place
  const { metre, events } = bar
  const staff = new vex.Stave(x, top, width)
  const tab = new vex.TabStave(x, top + staffPx, width, { numLines: strings, spacingBetweenLinesPx: TAB_LINE_PX })
  if (head !== 'none') {
    staff.addClef('treble', 'default', '8vb')
    tab.addClef('tab')
  }
  if (head === 'clef and time') staff.addTimeSignature(`${metre.count}/${metre.unit}`)
  const { REPEAT_END, END, SINGLE } = vex.BarlineType
  for (const stave of [staff, tab]) stave.setEndBarType(end === 'again' ? REPEAT_END : end === 'last' ? END : SINGLE)
  const start = Math.max(staff.getNoteStartX(), tab.getNoteStartX())
  for (const stave of [staff, tab]) stave.setNoteStartX(start).setContext(context).draw()
  // One line at the beginning of a system says that both are the same music.
  if (head !== 'none') new vex.StaveConnector(staff, tab).setType('singleLeft').setContext(context).draw()

  const drawn = events.map((event): Drawn => ({ event, pair: pairOf(vex, event, strings) }))
  const above = drawn.map(({ pair }) => pair[0])
  const below = drawn.map(({ pair }) => pair[1])
  // Beams and tuplets change how long and how wide notes are: they come before the formatting. A tuplet's number stands at its beam.
  const beams = beamsOf(vex, drawn, bar)
  const tuplets = tupletsOf(vex, drawn, bar)
  const voiceOf = (tickables: Parameters<InstanceType<Vex['Voice']>['addTickables']>[0]) =>
    new vex.Voice({ numBeats: metre.count, beatValue: metre.unit }).setMode(vex.VoiceMode.SOFT).addTickables(tickables)
  const upper = voiceOf(above)
  const lower = voiceOf(below)
  vex.Accidental.applyAccidentals([upper], 'C')
  new vex.Formatter()
    .joinVoices([upper])
    .joinVoices([lower])
    .format([upper, lower], x + width - start - 14)
  upper.draw(context, staff)
  for (const { event, pair } of drawn) if (event.notes.length > 0) underHead(pair, tab)
  lower.draw(context, tab)
  for (const sign of [...beams, ...tuplets]) sign.setContext(context).draw()
  return { drawn, bottom: tab.getYForLine(strings - 1) }
}

/** A TAB's digit stands with its middle under the middle of its head; the library shifts no digit by itself. */
function underHead([head, digit]: Pair, tab: InstanceType<Vex['TabStave']>): void {
  digit.setStave(tab)
  const middle = (head.getNoteHeadBeginX() + head.getNoteHeadEndX()) / 2
  digit.getAbsoluteX = () => middle
}

/** Rows of events that stand in one beat of the metre and pass the test, in order. */
function byBeat(
  drawn: readonly Drawn[],
  { at: start, metre }: WrittenBar,
  test: (event: WrittenEvent) => boolean,
): readonly (readonly Drawn[])[] {
  const beats = pulses(metre)
  const groups: Drawn[][] = []
  let beat = Number.NaN
  for (const one of drawn) {
    const passes = test(one.event)
    const own = beats.findLastIndex((at) => at <= one.event.at - start + 1e-6)
    if (passes && own === beat) groups.at(-1)?.push(one)
    else if (passes) groups.push([one])
    beat = passes ? own : Number.NaN
  }
  return groups
}

/** Threes in the time of two; those of the TAB only share their length and are not drawn. */
function tupletsOf(vex: Vex, drawn: readonly Drawn[], bar: WrittenBar) {
  const triplet = { numNotes: 3, notesOccupied: 2 }
  return byBeat(drawn, bar, (event) => event.triplet).map((group) => {
    const isUp = group.find(({ event }) => event.notes.length > 0)?.pair[0].getStemDirection() !== vex.Stem.DOWN
    new vex.Tuplet(
      group.map(({ pair }) => pair[1]),
      triplet,
    )
    return new vex.Tuplet(
      group.map(({ pair }) => pair[0]),
      { ...triplet, bracketed: false, location: isUp ? vex.Tuplet.LOCATION_TOP : vex.Tuplet.LOCATION_BOTTOM },
    )
  })
}

/** Steps of the staff above its top line, and what an accent and a tuplet's number need. */
const STEP_PX = 5
const NUMBER_PX = 12
const ABOVE_STAFF_PX = 40
const STEM_AND_ACCENT_PX = 46
function headroom(bars: readonly WrittenBar[]): number {
  const events = bars.flatMap((bar) => bar.events)
  const steps = events.flatMap(({ notes }) => notes.map(({ pitch }) => stepOnStaff(pitch)))
  const above = Math.max(0, ...steps.map((step) => step - TOP_LINE))
  const triplets = events.some(({ triplet }) => triplet)
  const needed = above * STEP_PX + STEM_AND_ACCENT_PX + (triplets ? 22 : 0)
  return Math.max(0, needed - ABOVE_STAFF_PX)
}

/** What notes below the guitar's low E, and a triplet's number under its beam, need between staff and TAB. */
function legroom(bars: readonly WrittenBar[]): number {
  const steps = bars.flatMap(({ events }) =>
    events.flatMap(({ notes }) => notes.map(({ pitch }) => stepOnStaff(pitch))),
  )
  const triplets = bars.some(({ events }) => events.some(({ triplet }) => triplet))
  return Math.max(0, LOW_E - Math.min(LOW_E, ...steps)) * STEP_PX + (triplets ? NUMBER_PX : 0)
}

/** Letters above C0; the guitar is written an octave higher than it sounds. */
const stepOnStaff = ({ name, octave }: Pitch): number => 7 * (octave + 1) + letterIndexOf(name)
const TOP_LINE = 7 * 5 + 3
const LOW_E = 7 * 3 + 2

/** One beam a beat; a note that is left alone keeps its flag. */
function beamsOf(vex: Vex, drawn: readonly Drawn[], bar: WrittenBar) {
  const beams: InstanceType<Vex['Beam']>[] = []
  for (const group of byBeat(drawn, bar, (event) => isShort(event) && event.notes.length > 0)) {
    const notes = group.map(({ pair }) => pair[0])
    if (notes.length > 1) beams.push(new vex.Beam(notes, true))
    else notes[0]?.autoStem()
  }
  return beams
}

function pairOf(vex: Vex, event: WrittenEvent, strings: number): Pair {
  const duration = durationOf(event)
  if (event.notes.length === 0) {
    const rest = new vex.StaveNote({ keys: ['b/4'], duration: `${duration}r` })
    if (event.dotted) vex.Dot.buildAndAttach([rest])
    return [rest, new vex.GhostNote(duration)]
  }
  const keys = event.notes.map(({ pitch }) => `${pitch.name.toLowerCase()}/${pitch.octave + 1}`)
  const note = new vex.StaveNote({ keys, duration, autoStem: !isShort(event) })
  if (event.dotted) vex.Dot.buildAndAttach([note], { all: true })
  if (event.accent) {
    const sign = new vex.Articulation('a>').setPosition(vex.ModifierPosition.ABOVE)
    // Above the staff: between its lines it would meet the beam.
    sign.setBetweenLines(false)
    note.addModifier(sign)
  }
  const positions = event.notes.map(({ string, fret }) => ({ str: stringNumber(string, strings), fret }))
  return [note, new vex.TabNote({ positions, duration })]
}
