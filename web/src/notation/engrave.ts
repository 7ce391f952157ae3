/**
 * Staff and TAB, drawn as SVG. The notation library and its fonts are loaded at the first drawing; the fonts are this
 * application's own files.
 *   notes + bars ─one system after another→ SVG, and for every note its elements, for the cursor
 */
import '@vexflow-fonts/academico/index.css'
import '@vexflow-fonts/bravura/index.css'
import type { Pitch } from '@nestling/core/pitch'
import { barsOf, NOTES_A_BEAT, type NoteValue } from './rhythm.ts'

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
  readonly height: number
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
  const perSystem = Math.max(1, Math.floor((width - HEAD_PX - 8) / barPx))
  const systems = Math.ceil(bars.length / perSystem)
  const headPx = headroom(notes, value)
  const systemPx = headPx + STAFF_PX + (strings - 1) * TAB_LINE_PX + GAP_PX + 28
  const box = document.createElement('div')
  const renderer = new vex.Renderer(box, vex.Renderer.Backends.SVG)
  renderer.resize(width, systems * systemPx + 12)
  const context = renderer.getContext()
  const drawn: [InstanceType<Vex['StaveNote']>, InstanceType<Vex['TabNote']>][] = []

  for (let system = 0; system < systems; system++) {
    if (system > 0) await breathe()
    if (!isWanted()) break
    const row = bars.slice(system * perSystem, (system + 1) * perSystem)
    const top = system * systemPx + headPx
    const each =
      row.length === perSystem || systems > 1
        ? (width - HEAD_PX - 8) / perSystem
        : Math.min(barPx * 1.25, (width - HEAD_PX - 8) / row.length)
    let x = 4
    for (const [index, bar] of row.entries()) {
      const first = index === 0
      const barWidth = each + (first ? HEAD_PX : 0)
      const staff = new vex.Stave(x, top, barWidth)
      const tab = new vex.TabStave(x, top + STAFF_PX, barWidth, {
        numLines: strings,
        spacingBetweenLinesPx: TAB_LINE_PX,
      })
      if (first) {
        staff.addClef('treble', 'default', '8vb')
        tab.addClef('tab')
        if (system === 0) staff.addTimeSignature(`${beatsPerBar}/4`)
      }
      const start = Math.max(staff.getNoteStartX(), tab.getNoteStartX())
      staff.setNoteStartX(start)
      tab.setNoteStartX(start)
      staff.setContext(context).draw()
      tab.setContext(context).draw()
      const made = bar.notes.map((note) => pairOf(vex, notes[note] as WrittenNote, value))
      drawn.push(...made)
      const rests = [
        ...Array.from({ length: bar.shortRests }, () => DURATION[value]),
        ...Array.from({ length: bar.restBeats }, () => 'q'),
      ].map(
        (duration) =>
          [new vex.StaveNote({ keys: ['b/4'], duration: `${duration}r` }), new vex.GhostNote(duration)] as const,
      )
      const above = [...made.map(([note]) => note), ...rests.map(([rest]) => rest)]
      const below = [...made.map(([, tabNote]) => tabNote), ...rests.map(([, ghost]) => ghost)]
      const tuplets: InstanceType<Vex['Tuplet']>[] = []
      if (value === 'triplet') {
        const short = made.length + bar.shortRests
        for (let at = 0; at + 3 <= short; at += 3) {
          tuplets.push(
            new vex.Tuplet(above.slice(at, at + 3), {
              numNotes: 3,
              notesOccupied: 2,
              bracketed: false,
              location: vex.Tuplet.LOCATION_TOP,
            }),
          )
          new vex.Tuplet(below.slice(at, at + 3), { numNotes: 3, notesOccupied: 2 })
        }
      }
      const beams =
        value === 'quarter'
          ? []
          : beamsOf(
              vex,
              made.map(([note]) => note),
              NOTES_A_BEAT[value],
            )
      const voices = [above, below].map((tickables) => {
        const voice = new vex.Voice({ numBeats: beatsPerBar, beatValue: 4 }).setMode(vex.VoiceMode.SOFT)
        return voice.addTickables([...tickables])
      })
      const [upper, lower] = voices as [InstanceType<Vex['Voice']>, InstanceType<Vex['Voice']>]
      vex.Accidental.applyAccidentals([upper], 'C')
      new vex.Formatter()
        .joinVoices([upper])
        .joinVoices([lower])
        .format([upper, lower], x + barWidth - start - 14)
      upper.draw(context, staff)
      lower.draw(context, tab)
      for (const beam of beams) beam.setContext(context).draw()
      for (const tuplet of tuplets) tuplet.setContext(context).draw()
      x += barWidth
    }
  }
  const svg = box.querySelector('svg')
  svg?.setAttribute('aria-hidden', 'true')
  if (isWanted()) into.replaceChildren(...box.childNodes)
  performance.measure(ENGRAVED, { start: began })
  return {
    height: systems * systemPx + 12,
    elements: drawn.map((pair) => pair.flatMap((note) => note.getSVGElement() ?? [])),
  }
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

function pairOf(vex: Vex, { pitch, stringNumber, fret, accent }: WrittenNote, value: NoteValue) {
  const key = `${pitch.name.toLowerCase()}/${pitch.octave + 1}`
  const note = new vex.StaveNote({ keys: [key], duration: DURATION[value], autoStem: value === 'quarter' })
  if (accent) note.addModifier(new vex.Articulation('a>').setPosition(vex.ModifierPosition.ABOVE))
  const tab = new vex.TabNote({ positions: [{ str: stringNumber, fret }], duration: DURATION[value] })
  return [note, tab] satisfies [unknown, unknown]
}
