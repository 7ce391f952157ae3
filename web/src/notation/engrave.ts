/**
 * Staff and TAB, drawn as SVG. The notation library and its fonts are loaded at the first drawing; the fonts are this
 * application's own files.
 *   notes + bars ─one system after another→ SVG, and for every note its elements, for the cursor
 */
import '@vexflow-fonts/academico/index.css'
import '@vexflow-fonts/bravura/index.css'
import type { Pitch } from '@nestling/core/pitch'
import { type Bar, barsOf, NOTES_A_BEAT, type NoteValue } from './rhythm.ts'

type Vex = typeof import('vexflow/core')

export interface WrittenNote {
  /** As it sounds; the guitar is written an octave higher. */
  readonly pitch: Pitch
  /** 1 for the highest string. */
  readonly stringNumber: number
  readonly fret: number
  readonly accent: boolean
}

export interface EngraveOptions {
  readonly value: NoteValue
  readonly beatsPerBar: number
  readonly strings: number
  /** In pixels. */
  readonly width: number
}

export interface Engraving {
  /** The staff note and the TAB number of each note. */
  readonly elements: readonly (readonly Element[])[]
  /** Where each note's system begins, in pixels from the top of the drawing. */
  readonly tops: readonly number[]
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

const DURATION: Readonly<Record<NoteValue, string>> = { quarter: 'q', eighth: '8', triplet: '8', sixteenth: '16' }
/** Room for clef and time before the first note, and for one note. */
const HEAD_PX = 92
const NOTE_PX: Readonly<Record<NoteValue, number>> = { quarter: 46, eighth: 33, triplet: 30, sixteenth: 27 }
const LEAST_BAR_PX = 110
const STAFF_PX = 92
const TAB_LINE_PX = 13
const GAP_PX = 26

/** Draws into an element, in place of what was there. */
export async function engrave(
  into: HTMLDivElement,
  notes: readonly WrittenNote[],
  options: EngraveOptions,
): Promise<Engraving> {
  loading ??= load()
  loading.catch(() => {
    loading = undefined
  })
  const vex = await loading
  const mine = Symbol('engraving')
  newest.set(into, mine)
  return draw(vex, into, notes, options, () => newest.get(into) === mine)
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
  notes: readonly WrittenNote[],
  options: EngraveOptions,
  isWanted: () => boolean,
): Promise<Engraving> {
  const began = performance.now()
  const { value, beatsPerBar, strings, width } = options
  const bars = barsOf(notes.length, value, beatsPerBar)
  const barPx = Math.max(LEAST_BAR_PX, NOTES_A_BEAT[value] * beatsPerBar * NOTE_PX[value])
  const room = width - HEAD_PX - 8
  const perSystem = Math.max(1, Math.floor(room / barPx))
  const systems = Math.ceil(bars.length / perSystem)
  // A line that fills no system is not spread over the whole page.
  const each = systems > 1 || bars.length === perSystem ? room / perSystem : Math.min(barPx * 1.25, room / bars.length)
  const headPx = headroom(notes, value)
  const systemPx = headPx + STAFF_PX + (strings - 1) * TAB_LINE_PX + GAP_PX + 28

  const box = document.createElement('div')
  const renderer = new vex.Renderer(box, vex.Renderer.Backends.SVG)
  renderer.resize(width, systems * systemPx + 12)
  const context = renderer.getContext()
  const drawn: Pair[] = []
  const tops: number[] = []
  for (let system = 0; system < systems; system++) {
    if (system > 0) await breathe()
    if (!isWanted()) break
    const row = bars.slice(system * perSystem, (system + 1) * perSystem)
    for (const [index, bar] of row.entries()) {
      const first = index === 0
      const x = 4 + index * each + (first ? 0 : HEAD_PX)
      const place = { x, top: system * systemPx + headPx, width: each + (first ? HEAD_PX : 0) }
      const head = first ? (system === 0 ? 'clef and time' : 'clef') : 'none'
      drawn.push(...drawBar(vex, context, bar, notes, { ...options, ...place, head }))
      tops.push(...bar.notes.map(() => system * systemPx))
    }
  }
  box.querySelector('svg')?.setAttribute('aria-hidden', 'true')
  if (isWanted()) into.replaceChildren(...box.childNodes)
  performance.measure(ENGRAVED, { start: began })
  return {
    tops,
    systemPx,
    elements: drawn.map((pair) => pair.flatMap((note) => note.getSVGElement() ?? [])),
  }
}

/** A note on the staff, and its number in the TAB. */
type Pair = readonly [InstanceType<Vex['StaveNote']>, InstanceType<Vex['TabNote']>]
type Context = ReturnType<InstanceType<Vex['Renderer']>['getContext']>

interface BarPlace extends Omit<EngraveOptions, 'width'> {
  /** In pixels; `top` is that of the staff's own box. */
  readonly x: number
  readonly top: number
  readonly width: number
  readonly head: 'clef and time' | 'clef' | 'none'
}

function drawBar(vex: Vex, context: Context, bar: Bar, notes: readonly WrittenNote[], place: BarPlace): Pair[] {
  const { value, beatsPerBar, strings, x, top, width, head } = place
  const staff = new vex.Stave(x, top, width)
  const tab = new vex.TabStave(x, top + STAFF_PX, width, { numLines: strings, spacingBetweenLinesPx: TAB_LINE_PX })
  if (head !== 'none') {
    staff.addClef('treble', 'default', '8vb')
    tab.addClef('tab')
  }
  if (head === 'clef and time') staff.addTimeSignature(`${beatsPerBar}/4`)
  const start = Math.max(staff.getNoteStartX(), tab.getNoteStartX())
  for (const stave of [staff, tab]) stave.setNoteStartX(start).setContext(context).draw()

  const made = bar.notes.map((note) => pairOf(vex, notes[note] as WrittenNote, value))
  const rests = [
    ...Array.from({ length: bar.shortRests }, () => DURATION[value]),
    ...Array.from({ length: bar.restBeats }, () => 'q'),
  ].map(
    (duration) =>
      [new vex.StaveNote({ keys: ['b/4'], duration: `${duration}r` }), new vex.GhostNote(duration)] as const,
  )
  const above = [...made, ...rests].map(([note]) => note)
  const below = [...made, ...rests].map(([, number]) => number)
  // Beams and tuplets change how long and how wide notes are: they come before the formatting.
  const tuplets = value === 'triplet' ? tupletsOf(vex, above, below, made.length + bar.shortRests) : []
  const beams = value === 'quarter' ? [] : beamsOf(vex, above.slice(0, made.length), NOTES_A_BEAT[value])
  const voiceOf = (tickables: Parameters<InstanceType<Vex['Voice']>['addTickables']>[0]) =>
    new vex.Voice({ numBeats: beatsPerBar, beatValue: 4 }).setMode(vex.VoiceMode.SOFT).addTickables(tickables)
  const upper = voiceOf(above)
  const lower = voiceOf(below)
  vex.Accidental.applyAccidentals([upper], 'C')
  new vex.Formatter()
    .joinVoices([upper])
    .joinVoices([lower])
    .format([upper, lower], x + width - start - 14)
  upper.draw(context, staff)
  lower.draw(context, tab)
  for (const sign of [...beams, ...tuplets]) sign.setContext(context).draw()
  return made
}

type Tickables = ConstructorParameters<Vex['Tuplet']>[0]

/** Threes over the first `short` tickables; those of the TAB only share their length and are not drawn. */
function tupletsOf(vex: Vex, above: Tickables, below: Tickables, short: number) {
  const triplet = { numNotes: 3, notesOccupied: 2 }
  return Array.from({ length: Math.floor(short / 3) }, (_, index) => {
    const [from, to] = [index * 3, index * 3 + 3]
    new vex.Tuplet(below.slice(from, to), triplet)
    return new vex.Tuplet(above.slice(from, to), {
      ...triplet,
      bracketed: false,
      location: vex.Tuplet.LOCATION_TOP,
    })
  })
}

/** Steps of the staff above its top line, and what an accent and a tuplet's number need. */
const STEP_PX = 5
const ABOVE_STAFF_PX = 40
const STEM_AND_ACCENT_PX = 46
function headroom(notes: readonly WrittenNote[], value: NoteValue): number {
  const steps = notes.map(({ pitch }) => 7 * (pitch.octave + 1) + 'CDEFGAB'.indexOf(pitch.name[0] ?? 'C'))
  const above = Math.max(0, ...steps.map((step) => step - (7 * 5 + 3)))
  const needed = above * STEP_PX + STEM_AND_ACCENT_PX + (value === 'triplet' ? 22 : 0)
  return Math.max(0, needed - ABOVE_STAFF_PX)
}

/** One beam a beat; a note that is left alone keeps its flag. */
function beamsOf(vex: Vex, notes: readonly InstanceType<Vex['StaveNote']>[], aBeat: number) {
  const beams: InstanceType<Vex['Beam']>[] = []
  for (let at = 0; at < notes.length; at += aBeat) {
    const group = notes.slice(at, at + aBeat)
    if (group.length > 1) beams.push(new vex.Beam([...group], true))
    else group[0]?.autoStem()
  }
  return beams
}

function pairOf(vex: Vex, { pitch, stringNumber, fret, accent }: WrittenNote, value: NoteValue): Pair {
  const key = `${pitch.name.toLowerCase()}/${pitch.octave + 1}`
  const note = new vex.StaveNote({ keys: [key], duration: DURATION[value], autoStem: value === 'quarter' })
  if (accent) {
    const sign = new vex.Articulation('a>').setPosition(vex.ModifierPosition.ABOVE)
    // Above the staff: between its lines it would meet the beam.
    sign.setBetweenLines(false)
    note.addModifier(sign)
  }
  const tab = new vex.TabNote({ positions: [{ str: stringNumber, fret }], duration: DURATION[value] })
  return [note, tab]
}
