/**
 * Pages as files: PDF (vector, the faces inside), SVG (the faces inside), PNG. The libraries are loaded when they are asked
 * for; a stop is heeded between pages.
 */
import type { PageSize } from '@nestling/core/sheet'
import { FAMILIES, FONT_FILES, facesReady, NOTES_FILE } from './faces.ts'

export interface Saving {
  readonly pages: readonly SVGSVGElement[]
  readonly size: PageSize
  readonly title: string
  /** Told from 0 to 1. */
  readonly progress: (done: number) => void
  readonly signal: AbortSignal
}

/** A sheet without staves needs no notes, and a PDF none of their glyphs. */
const hasStaff = (pages: readonly SVGSVGElement[]): boolean => pages.some((page) => page.querySelector('[data-staff]'))

async function base64(url: string, signal: AbortSignal): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(url, { signal })).arrayBuffer())
  let text = ''
  for (let at = 0; at < bytes.length; at += 0x8000) text += String.fromCharCode(...bytes.subarray(at, at + 0x8000))
  return btoa(text)
}

/** Lets the page draw its progress. */
const breathe = () => new Promise((resolve) => setTimeout(resolve))
const stopped = (signal: AbortSignal) => {
  if (signal.aborted) throw new DOMException('stopped', 'AbortError')
}

export async function savePdf({ pages, size, title, progress, signal }: Saving): Promise<Blob> {
  const [{ jsPDF }, { svg2pdf }] = await Promise.all([import('jspdf'), import('svg2pdf.js')])
  stopped(signal)
  const format = [size.width, size.height]
  const orientation = size.width > size.height ? 'landscape' : 'portrait'
  const paper = new jsPDF({ unit: 'mm', format, orientation, compress: true, putOnlyUsedFonts: true })
  paper.setProperties({ title, creator: 'Nestling' })
  const files = hasStaff(pages) ? [...FONT_FILES, NOTES_FILE] : FONT_FILES
  for (const { family, url } of files) {
    const name = `${family.replaceAll(' ', '-')}.ttf`
    paper.addFileToVFS(name, await base64(url, signal))
    paper.addFont(name, family, 'normal')
  }
  progress(0.2)
  for (const [index, page] of pages.entries()) {
    stopped(signal)
    await breathe()
    if (index > 0) paper.addPage(format, orientation)
    await svg2pdf(forPaper(page), paper, { x: 0, y: 0, width: size.width, height: size.height })
    progress(0.2 + (0.8 * (index + 1)) / pages.length)
  }
  return paper.output('blob')
}

/** Glyphs of notation have places of their own among the characters. */
const MUSIC = /[\ue000-\uf8ff]/
/** The engraver tells sizes in points. */
const inPx = (size: string | null): string => {
  const [, number = '10', unit] = /^([\d.]+)(pt)?/.exec(size ?? '') ?? []
  return String(unit === 'pt' ? (Number(number) * 4) / 3 : Number(number))
}

/** Faces are told without weights: each is a family of its own. The engraver's list of families becomes one. */
function forPaper(page: SVGSVGElement): SVGSVGElement {
  const copy = page.cloneNode(true) as SVGSVGElement
  for (const element of copy.querySelectorAll<SVGElement>('[style]')) element.removeAttribute('style')
  for (const shared of copy.querySelectorAll('[data-staff] [font-family]')) {
    for (const name of ['font-family', 'font-size', 'font-weight', 'font-style']) shared.removeAttribute(name)
  }
  for (const glyph of copy.querySelectorAll('[data-staff] text')) {
    glyph.setAttribute('font-family', MUSIC.test(glyph.textContent ?? '') ? NOTES_FILE.family : FAMILIES.bold)
    glyph.setAttribute('font-size', inPx(glyph.getAttribute('font-size')))
  }
  return copy
}

/** One page as a file of its own, with the faces in it. */
export async function saveSvg({ pages, size, signal }: Saving, index: number): Promise<Blob> {
  const page = pages[index]
  if (!page) throw new Error(`there is no page ${index + 1}`)
  const copy = page.cloneNode(true) as SVGSVGElement
  copy.setAttribute('width', `${size.width}mm`)
  copy.setAttribute('height', `${size.height}mm`)
  copy.removeAttribute('class')
  const files = hasStaff([page]) ? [...FONT_FILES, NOTES_FILE] : FONT_FILES
  const faces = await Promise.all(
    files.map(
      async ({ family, url }) =>
        `@font-face{font-family:"${family}";src:url(data:font/ttf;base64,${await base64(url, signal)})}`,
    ),
  )
  const style = document.createElementNS('http://www.w3.org/2000/svg', 'style')
  style.textContent = faces.join('')
  copy.prepend(style)
  return new Blob([`<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}`], {
    type: 'image/svg+xml',
  })
}

/** Dots in an inch: sharp on paper. */
const PNG_DPI = 200
const MM_AN_INCH = 25.4

export async function savePng(saving: Saving, index: number): Promise<Blob> {
  const { size, signal } = saving
  await facesReady()
  const url = URL.createObjectURL(await saveSvg(saving, index))
  try {
    const image = new Image()
    await new Promise((resolve, reject) => {
      image.onload = resolve
      image.onerror = () => reject(new Error('the page could not be drawn as a picture'))
      image.src = url
    })
    stopped(signal)
    const canvas = document.createElement('canvas')
    canvas.width = Math.round((size.width / MM_AN_INCH) * PNG_DPI)
    canvas.height = Math.round((size.height / MM_AN_INCH) * PNG_DPI)
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
    if (!blob) throw new Error('the picture is too large for this browser')
    return blob
  } finally {
    URL.revokeObjectURL(url)
  }
}
