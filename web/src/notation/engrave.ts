/**
 * Staff and TAB, drawn as SVG.
 *   Score ─writtenBars→ bars of notes, chords and rests ─rows→ systems
 *     ─bar: staff, then TAB below what came out→ SVG, and every note's elements by its mark
 */
import type { WrittenBar } from '@nestling/core/time'
import { type Drawn, type DrawnStaff, drawStaff, drawTie } from './bar.ts'
import { type Context, loadVex, type Vex } from './load.ts'
import {
  type BarGroup,
  EDGE_PX,
  FEET_PX,
  groupsOf,
  headPx,
  inOneRow,
  LEAST_TO_TAB_PX,
  OVER_PX,
  type PlacedGroup,
  rowsOf,
  TO_TAB_PX,
  UNDER_PX,
} from './rows.ts'

export { scaleFor, smallerScale } from './rows.ts'

export interface EngraveOptions {
  /** How many the TAB has. */
  readonly strings: number
  /** In pixels of the drawing, before it is scaled. */
  readonly width: number
  /** Played again and again: the last barline says so. */
  readonly repeats: boolean
  /** All bars in one system, whatever room they have; and how wide each is, in pixels. */
  readonly oneSystem?: boolean | undefined
  readonly widths?: readonly number[] | undefined
  /** It is a piece of longer music: without its metre where that was told before, without a last line where it goes on. */
  readonly begins?: boolean | undefined
  readonly ends?: boolean | undefined
  /** The key's signature: sharps, or flats below zero. More than seven are written as accidentals instead. */
  readonly fifths?: number | undefined
  /** Left free above the first system, in pixels: for what stands there on the page. */
  readonly above?: number | undefined
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
  /** Of all of it, in pixels of the drawing. */
  readonly height: number
}

/** The name under which the browser's own timing tells how long an engraving took. */
const ENGRAVED = 'notation'
const HALF_HEAD_PX = 6
/** Draws into an element, in place of what was there. */
export async function engrave(
  into: HTMLDivElement,
  bars: readonly WrittenBar[],
  options: EngraveOptions,
): Promise<Engraving> {
  const mine = Symbol('engraving')
  newest.set(into, mine)
  const vex = await loadVex()
  return draw(vex, into, bars, options, () => newest.get(into) === mine)
}

/** The engraving that an element was last asked for: an older one stops. */
const newest = new WeakMap<Element, symbol>()

/** Lets the frame and the player go first, and goes on before other work: an engraving is drawn system by system. */
function breathe(): Promise<void> {
  const { scheduler } = globalThis as { scheduler?: { yield?: () => Promise<void> } }
  return scheduler?.yield?.() ?? new Promise((resolve) => setTimeout(resolve))
}

async function draw(
  vex: Vex,
  into: HTMLDivElement,
  bars: readonly WrittenBar[],
  options: EngraveOptions,
  isWanted: () => boolean,
): Promise<Engraving> {
  const began = performance.now()
  const { width, oneSystem, widths, above = 0 } = options
  const fifths = signed(options.fifths)
  const head = headPx(fifths)
  const room = width - head - EDGE_PX
  const rows = oneSystem ? [inOneRow(bars, room, widths, head)] : rowsOf(groupsOf(bars), room)
  const box = document.createElement('div')
  const renderer = new vex.Renderer(box, vex.Renderer.Backends.SVG)
  renderer.resize(width, 1)
  const context = renderer.getContext()
  const written: Drawn[] = []
  const spots: Spot[] = []
  let held: Drawn | undefined
  let metre: WrittenBar['metre'] | undefined
  let y = above
  for (const [index, row] of rows.entries()) {
    // The first one too: what the player did is drawn before it.
    await breathe()
    if (!isWanted()) break
    const tells = tellsMetre(row, index === 0 && options.begins !== false, metre)
    metre = row.at(-1)?.group[0].metre ?? metre
    const isLast = index === rows.length - 1
    const system = drawSystem(vex, context, row, { ...options, fifths, tells, isLast, held, y })
    held = system.held
    y = system.end
    // With the first system all that stands above it is in sight.
    const top = index === 0 ? 0 : system.top
    for (const one of system.drawn) {
      const { event, pair } = one
      written.push(one)
      if (event.mark !== undefined)
        spots[event.mark] ??= { x: pair[0].getAbsoluteX() + HALF_HEAD_PX, top, bottom: system.bottom }
    }
  }
  const height = Math.ceil(y + UNDER_PX)
  renderer.resize(width, height)
  box.querySelector('svg')?.setAttribute('aria-hidden', 'true')
  if (isWanted()) into.replaceChildren(...box.childNodes)
  performance.measure(ENGRAVED, { start: began })
  return { spots, height, elements: elementsByMark(written) }
}

const signed = (fifths = 0): number => (Math.abs(fifths) > 7 ? 0 : fifths)

/** Which bars of a system tell their metre: the first of the music, and where it changes. */
function tellsMetre(
  row: readonly PlacedGroup[],
  begins: boolean,
  before: WrittenBar['metre'] | undefined,
): readonly boolean[] {
  let last = before
  return row.map(({ group: [{ metre }] }) => {
    const tells = last === undefined ? begins : last.count !== metre.count || last.unit !== metre.unit
    last = metre
    return tells
  })
}

interface SystemPlace extends EngraveOptions {
  readonly tells: readonly boolean[]
  readonly isLast: boolean
  /** What is held over from the system above. */
  readonly held: Drawn | undefined
  /** Where the system begins, in pixels. */
  readonly y: number
}

interface DrawnSystem {
  readonly drawn: readonly Drawn[]
  readonly held: Drawn | undefined
  /** In pixels: where the system and its TAB end, and where the next begins. */
  readonly top: number
  readonly bottom: number
  readonly end: number
}

/** Drawn at the top of the page, then moved to where the system above leaves room for what came out. */
function drawSystem(vex: Vex, context: Context, row: readonly PlacedGroup[], place: SystemPlace): DrawnSystem {
  const { strings, repeats, ends = true, fifths = 0, tells, isLast, y } = place
  const group = context.openGroup('system') as SVGGElement
  let x = 4
  let { held } = place
  const bars = row.map(({ group: bar, width }, index): readonly [BarGroup, DrawnStaff] => {
    const first = index === 0
    const head = first ? (tells[0] ? 'clef and time' : 'clef') : tells[index] ? 'time' : 'none'
    const isEnd = isLast && index === row.length - 1
    const end = !isEnd || !ends ? 'plain' : repeats ? 'again' : 'last'
    const wide = width + (first ? headPx(fifths) : 0)
    const staff = drawStaff(vex, context, bar, { strings, x, width: wide, head, end, fifths })
    x += wide
    return [bar, staff]
  })
  const drawn = bars.flatMap(([, staff]) => staff.drawn)
  for (const [index, one] of drawn.entries()) {
    // Only what begins a system is held from the end of the one above.
    if (held && one.event.notes.length > 0) drawTie(vex, context, index === 0 ? undefined : held, one)
    held = one.event.tied ? one : undefined
  }
  const lowest = Math.max(...bars.map(([, { bottom }]) => bottom))
  // A TAB's box has four of its own spaces above its first line; a staff's four of its own.
  const firstLine = Math.max(lowest + TO_TAB_PX, STAFF_BOTTOM_PX + LEAST_TO_TAB_PX)
  const bottom = Math.max(...bars.map(([, { drawTab }]) => drawTab(firstLine - TAB_ABOVE_PX)))
  let top = Math.min(...bars.map(([, staff]) => staff.top))
  if (bars.some(([[{ over }]]) => over)) top = drawOver(context, bars, top)
  context.closeGroup()
  const by = y + OVER_PX - top
  group.setAttribute('transform', `translate(0 ${by})`)
  return { drawn, held, top: y, bottom: bottom + by, end: bottom + by + FEET_PX }
}
/** Of a staff whose box begins at 0: its lowest line. Of a TAB: from its box to its first line. */
const STAFF_BOTTOM_PX = 80
const TAB_ABOVE_PX = 52

const NAME_PX = 22
const MARK_PX = 20
/** The quarter note of a metronome's mark, in the notation's own font. */
const QUARTER = '\uECA5'

/** Names over the bars, part and tempo over the names. @returns The highest pixel. */
function drawOver(context: Context, bars: readonly (readonly [BarGroup, DrawnStaff])[], top: number): number {
  const hasNames = bars.some(([[{ over }]]) => (over?.names ?? []).length > 0)
  const hasMarks = bars.some(([[{ over }]]) => over?.part !== undefined || over?.tempoBpm !== undefined)
  const namesY = top - 6
  const marksY = namesY - (hasNames ? NAME_PX : 0)
  for (const [[{ over }], { xAt }] of bars) {
    context.setFont('Academico', 16)
    for (const { at, name } of over?.names ?? []) context.fillText(name, xAt(at), namesY)
    const tempo = over?.tempoBpm === undefined ? '' : `${QUARTER} = ${over.tempoBpm}`
    context.setFont('Academico, Bravura', 14, 'bold')
    if (over?.part !== undefined || tempo !== '')
      context.fillText([over?.part ?? '', tempo].filter((word) => word !== '').join('   '), xAt(0) - 10, marksY)
  }
  return top - (hasNames ? NAME_PX : 0) - (hasMarks ? MARK_PX : 0)
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
