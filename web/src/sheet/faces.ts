/** The faces of sheets: what they are called, where their files are, and how wide their letters are. */
import './fonts.css'
import type { Face, Measure } from '@nestling/core/sheet'
import notes from '../fonts/nest-notes.ttf?url'
import sans from '../fonts/nest-sans.ttf?url'
import bold from '../fonts/nest-sans-bold.ttf?url'
import italic from '../fonts/nest-sans-italic.ttf?url'
import serif from '../fonts/nest-serif.ttf?url'

export const FAMILIES: Readonly<Record<Face, string>> = {
  sans: 'Nest Sans',
  bold: 'Nest Sans Bold',
  italic: 'Nest Sans Italic',
  serif: 'Nest Serif',
}

export const FONT_FILES: readonly { readonly family: string; readonly url: string }[] = [
  { family: FAMILIES.sans, url: sans },
  { family: FAMILIES.bold, url: bold },
  { family: FAMILIES.italic, url: italic },
  { family: FAMILIES.serif, url: serif },
]
/** The engraver's glyphs, under the name by which its drawings call them. */
export const NOTES_FILE = { family: 'Bravura', url: notes }

let ready: Promise<unknown> | undefined

/** Widths are right only once the faces are there. Those that did not come are asked for again the next time. */
export const facesReady = (): Promise<unknown> => {
  ready ??= Promise.all(Object.values(FAMILIES).map((family) => document.fonts.load(`20px "${family}"`)))
  ready.catch(() => {
    ready = undefined
  })
  return ready
}

const MEASURED_PX = 100
let context: CanvasRenderingContext2D | undefined
const widths = new Map<string, number>()

/** In mm, without kerning: a PDF sets its letters one by one. */
export const measure: Measure = (text, face, size) => {
  const key = `${face} ${text}`
  const known = widths.get(key)
  if (known !== undefined) return known * size
  context ??= document.createElement('canvas').getContext('2d') ?? undefined
  if (context === undefined) return text.length * size * 0.5
  context.font = `${MEASURED_PX}px "${FAMILIES[face]}"`
  context.fontKerning = 'none'
  const width = context.measureText(text).width / MEASURED_PX
  widths.set(key, width)
  return width * size
}
