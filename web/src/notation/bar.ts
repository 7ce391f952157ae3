/** One bar: first its staff, as high and as low as it comes out; then its TAB, wherever that leaves room. */
import { stringNumber } from '@nestling/core/neck'
import { pulses, type WrittenBar, type WrittenEvent, type WrittenValue } from '@nestling/core/time'
import type { Context, Vex } from './load.ts'
import { type BarGroup, TAB_LINE_PX } from './rows.ts'

type Staff = InstanceType<Vex['StaveNote']>
type Tab = InstanceType<Vex['TabNote']> | InstanceType<Vex['GhostNote']>
/** What stands on the staff, and below it in the TAB. */
type Pair = readonly [Staff, Tab]
export interface Drawn {
  readonly event: WrittenEvent
  readonly pair: Pair
}

export interface BarPlace {
  /** In pixels; the staff's own box begins at the top of its system. */
  readonly x: number
  readonly width: number
  readonly strings: number
  readonly head: 'clef and time' | 'clef' | 'time' | 'none'
  readonly end: 'plain' | 'last' | 'again'
  /** The key's signature, −7 to 7. */
  readonly fifths: number
}

export interface DrawnStaff {
  readonly drawn: readonly Drawn[]
  /** The highest and the lowest pixel of the staff and of all that stands on it. */
  readonly top: number
  readonly bottom: number
  /** Where names stand: x of a place in the bar, in beats from its start. */
  readonly xAt: (beats: number) => number
  /** Draws the TAB with its box at this height. @returns Its lowest line. */
  readonly drawTab: (y: number) => number
}

/** Major keys from seven flats to seven sharps. */
const SIGNATURES = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#']
/** From the last note to a barline, and to the dots of a repeat. */
const AT_LINE_PX = 14
const AT_REPEAT_PX = 30

const DURATION: Readonly<Record<WrittenValue, string>> = {
  whole: 'w',
  half: 'h',
  quarter: 'q',
  eighth: '8',
  sixteenth: '16',
}
const durationOf = ({ value, dotted }: WrittenEvent): string => `${DURATION[value]}${dotted ? 'd' : ''}`
const isShort = ({ value }: WrittenEvent): boolean => value === 'eighth' || value === 'sixteenth'
const isRest = ({ notes }: WrittenEvent): boolean => notes.length === 0

export function drawStaff(vex: Vex, context: Context, group: BarGroup, place: BarPlace): DrawnStaff {
  const [bar] = group
  const { strings, x, width, head, end, fifths } = place
  const signature = SIGNATURES[fifths + 7] ?? 'C'
  const { metre, over } = bar
  const events = group.length > 1 ? [] : bar.events
  const staff = new vex.Stave(x, 0, width)
  const tab = new vex.TabStave(x, 0, width, { numLines: strings, spacingBetweenLinesPx: TAB_LINE_PX })
  const hasClef = head === 'clef and time' || head === 'clef'
  if (hasClef) {
    staff.addClef('treble', 'default', '8vb')
    if (fifths !== 0) staff.addKeySignature(signature)
    tab.addClef('tab')
  }
  if (head === 'clef and time' || head === 'time') staff.addTimeSignature(`${metre.count}/${metre.unit}`)
  const { REPEAT_BEGIN, REPEAT_END, END, SINGLE } = vex.BarlineType
  const closes = end === 'again' || group.at(-1)?.over?.closes === true
  for (const stave of [staff, tab]) {
    stave.setEndBarType(closes ? REPEAT_END : end === 'last' ? END : SINGLE)
    if (over?.opens) stave.setBegBarType(REPEAT_BEGIN)
  }
  // Notes, metre and the line of a repeat begin at one place in both.
  vex.Stave.formatBegModifiers([staff, tab])
  const start = staff.getNoteStartX()
  for (const stave of [staff, tab]) stave.setContext(context)
  staff.draw()

  const drawn = events.map((event): Drawn => ({ event, pair: pairOf(vex, event, bar, strings) }))
  // Beams and tuplets change how long and how wide notes are: they come before the formatting. A tuplet's number stands at its beam.
  const beams = beamsOf(vex, drawn, bar)
  const tuplets = tupletsOf(vex, drawn, bar)
  const voiceOf = (tickables: Parameters<InstanceType<Vex['Voice']>['addTickables']>[0]) =>
    new vex.Voice({ numBeats: metre.count, beatValue: metre.unit }).setMode(vex.VoiceMode.SOFT).addTickables(tickables)
  const upper = voiceOf(drawn.map(({ pair }) => pair[0]))
  const lower = voiceOf(drawn.map(({ pair }) => pair[1]))
  if (group.length > 1) drawCount(vex, context, group.length, staff)
  else {
    vex.Accidental.applyAccidentals([upper], signature)
    new vex.Formatter()
      .joinVoices([upper])
      .joinVoices([lower])
      .format([upper, lower], x + width - start - (closes ? AT_REPEAT_PX : AT_LINE_PX))
    // The library puts a rest behind a note on that note's line.
    for (const { event, pair } of drawn) if (isRest(event)) pair[0].setKeyLine(0, event.value === 'whole' ? 4 : 3)
    upper.draw(context, staff)
    for (const sign of [...beams, ...tuplets]) sign.setContext(context).draw()
  }

  return {
    drawn,
    ...reach(drawn, staff, tuplets, { hasClef, isCounted: group.length > 1 }),
    xAt: (beats) => {
      if (beats < 1e-6) return start
      const there = drawn.find(({ event }) => event.at - bar.at > beats - 1e-6)
      return there ? there.pair[0].getNoteHeadBeginX() : start + ((x + width - start) * beats) / (barBeats(bar) || 1)
    },
    drawTab: (y) => {
      tab.setY(y).draw()
      // One line at the beginning of a system says that both are the same music.
      if (hasClef) new vex.StaveConnector(staff, tab).setType('singleLeft').setContext(context).draw()
      for (const { event, pair } of drawn) if (!isRest(event)) underHead(pair, tab)
      if (group.length === 1) lower.draw(context, tab)
      return tab.getYForLine(strings - 1)
    },
  }
}

/** Bars of nothing, counted. */
function drawCount(vex: Vex, context: Context, bars: number, staff: InstanceType<Vex['Stave']>): void {
  new vex.MultiMeasureRest(bars, { numberOfMeasures: bars }).setStave(staff).setContext(context).draw()
}

const barBeats = ({ events }: WrittenBar): number => events.reduce((sum, { length }) => sum + length, 0)

/** Half a head, a flat above its note, an accent above its note, half a tuplet's number; what a clef reaches over the staff, and its 8 below. */
const HEAD = 6
const FLAT = 20
/** How many bars of nothing: above the staff. */
const COUNT = 28
const ACCENT = 16
const NUMBER = 8
const CLEF = { above: 14, below: 26 }

function reach(
  drawn: readonly Drawn[],
  staff: InstanceType<Vex['Stave']>,
  tuplets: readonly InstanceType<Vex['Tuplet']>[],
  { hasClef, isCounted }: { readonly hasClef: boolean; readonly isCounted: boolean },
): { readonly top: number; readonly bottom: number } {
  const tops = [staff.getYForLine(0) - Math.max(hasClef ? CLEF.above : 0, isCounted ? COUNT : 0)]
  const bottoms = [staff.getYForLine(4) + (hasClef ? CLEF.below : HEAD)]
  for (const { event, pair } of drawn) {
    if (isRest(event)) continue
    const [note] = pair
    const { topY, baseY } = note.hasStem() ? note.getStemExtents() : { topY: Number.NaN, baseY: Number.NaN }
    const ys = [...note.getYs(), topY, baseY].filter(Number.isFinite)
    // An accent stands over the staff, too.
    const top = Math.min(...ys) - (note.getModifiersByType('Accidental').length > 0 ? FLAT : HEAD)
    tops.push(event.accent ? Math.min(staff.getYForLine(0), top) - ACCENT : top)
    bottoms.push(Math.max(...ys) + HEAD)
  }
  for (const tuplet of tuplets) {
    const y = tuplet.getYPosition()
    tops.push(y - NUMBER)
    bottoms.push(y + NUMBER)
  }
  return { top: Math.min(...tops), bottom: Math.max(...bottoms) }
}

/** A note that is held over, from the note before or from the end of the system above. */
export function drawTie(vex: Vex, context: Context, from: Drawn | undefined, to: Drawn): void {
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

/** A TAB's digit stands with its middle under the middle of its head; the library shifts no digit by itself. */
function underHead([head, digit]: Pair, tab: InstanceType<Vex['TabStave']>): void {
  digit.setStave(tab)
  const middle = (head.getNoteHeadBeginX() + head.getNoteHeadEndX()) / 2
  digit.getAbsoluteX = () => middle
}

/** Rows of events that stand in one beat of the metre (triplets, in one quarter note) and pass the test, in order. */
function byBeat(
  drawn: readonly Drawn[],
  { at: start, metre }: WrittenBar,
  test: (event: WrittenEvent) => boolean,
): readonly (readonly Drawn[])[] {
  const beats = pulses(metre)
  const groups: Drawn[][] = []
  let before = ''
  for (const one of drawn) {
    const passes = test(one.event)
    const place = one.event.at - start + 1e-6
    const own = one.event.triplet ? `quarter ${Math.floor(place)}` : `${beats.findLastIndex((at) => at <= place)}`
    if (passes && own === before) groups.at(-1)?.push(one)
    else if (passes) groups.push([one])
    before = passes ? own : ''
  }
  return groups
}

/** One beam says what belongs together; without it a bracket does. */
const isBeamed = (group: readonly Drawn[]): boolean =>
  group.length > 1 && group.every(({ event }) => isShort(event) && !isRest(event))

/** Threes in the time of two; those of the TAB only share their length and are not drawn. */
function tupletsOf(vex: Vex, drawn: readonly Drawn[], bar: WrittenBar) {
  const triplet = { numNotes: 3, notesOccupied: 2 }
  return byBeat(drawn, bar, (event) => event.triplet).map((group) => {
    const isUp = group.find(({ event }) => !isRest(event))?.pair[0].getStemDirection() !== vex.Stem.DOWN
    new vex.Tuplet(
      group.map(({ pair }) => pair[1]),
      triplet,
    )
    return new vex.Tuplet(
      group.map(({ pair }) => pair[0]),
      {
        ...triplet,
        bracketed: !isBeamed(group),
        location: isUp ? vex.Tuplet.LOCATION_TOP : vex.Tuplet.LOCATION_BOTTOM,
      },
    )
  })
}

/** One beam a beat; a note that is left alone keeps its flag. */
function beamsOf(vex: Vex, drawn: readonly Drawn[], bar: WrittenBar) {
  const beams: InstanceType<Vex['Beam']>[] = []
  for (const group of byBeat(drawn, bar, (event) => isShort(event) && !isRest(event))) {
    const notes = group.map(({ pair }) => pair[0])
    if (notes.length > 1) beams.push(new vex.Beam(notes, true))
    else notes[0]?.autoStem()
  }
  return beams
}

function pairOf(vex: Vex, event: WrittenEvent, bar: WrittenBar, strings: number): Pair {
  const duration = durationOf(event)
  if (isRest(event)) {
    // A bar of nothing has its rest in its middle, hanging from the fourth line.
    const isBar = bar.events.length === 1
    const rest = new vex.StaveNote({
      keys: [event.value === 'whole' ? 'd/5' : 'b/4'],
      duration: `${duration}r`,
      ...(isBar ? { alignCenter: true } : {}),
    })
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
