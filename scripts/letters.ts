/**
 * Writes the outlines of the few letters that stand in eggs and small drawings, from the bold face that
 * sheets use: `npm run letters`. A text is laid out by the browser one by one, an outline is a path among others.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import opentype, { type Font } from 'opentype.js'

const LETTERS = 'R0123456789♭♯'
/** Fine enough: 0.06 px of a letter of 15 px. */
const UNITS_PER_EM = 250
const neck = join(import.meta.dirname, '..', 'web', 'src', 'neck')

const fontOf = (name: string): Font => {
  const { buffer, byteOffset, byteLength } = readFileSync(join(neck, '..', 'fonts', name))
  return opentype.parse(buffer.slice(byteOffset, byteOffset + byteLength) as ArrayBuffer)
}

/** `advance;x,y,d;x,y,d …`: how wide it stands, then each contour: where it begins and its relative commands. */
function outlineOf(font: Font, letter: string): string {
  const glyph = font.charToGlyph(letter)
  if (glyph.index === 0) throw new Error(`The face has no ${letter}.`)
  const { commands } = font.getPath(letter, 0, 0, UNITS_PER_EM)
  const contours: string[] = []
  let [x, y, d, startX, startY] = [0, 0, '', 0, 0]
  const by = (toX: number, toY: number): string => `${numbers(Math.round(toX) - x, Math.round(toY) - y)}`
  const to = (toX: number, toY: number) => ([x, y] = [Math.round(toX), Math.round(toY)])
  const line = ({ x: toX, y: toY }: { x: number; y: number }) => {
    const command =
      Math.round(toX) === x
        ? `v${Math.round(toY) - y}`
        : Math.round(toY) === y
          ? `h${Math.round(toX) - x}`
          : `l${by(toX, toY)}`
    if (command !== 'v0') d += command
    to(toX, toY)
  }
  const close = () => d !== '' && contours.push(`${startX},${startY},${d}z`)
  for (const command of commands) {
    if (command.type === 'M') {
      close()
      to(command.x, command.y)
      ;[startX, startY, d] = [x, y, '']
    } else if (command.type === 'L') line(command)
    else if (command.type === 'Q') {
      d += `q${by(command.x1, command.y1)}${joined(by(command.x, command.y))}`
      to(command.x, command.y)
    } else if (command.type !== 'Z') throw new Error(`${letter}: a face of TrueType outlines has no ${command.type}.`)
  }
  close()
  return [Math.round((glyph.advanceWidth ?? 0) * (UNITS_PER_EM / font.unitsPerEm)), ...contours].join(';')
}

/** A minus parts numbers as well as a space does. */
const joined = (text: string): string => (text.startsWith('-') ? text : ` ${text}`)
const numbers = (a: number, b: number): string => `${a}${joined(String(b))}`

const font = fontOf('nest-sans-bold.ttf')
const lines = [...LETTERS].map(
  (letter) => `  ${/\d|R/.test(letter) ? letter : `'${letter}'`}: '${outlineOf(font, letter)}',`,
)
writeFileSync(
  join(neck, 'letters', 'outlines.ts'),
  `/** Written by \`npm run letters\`. A letter: \`width;x,y,d;x,y,d …\`, a contour each with a relative path; y grows downwards. */
export const UNITS_PER_EM = ${UNITS_PER_EM}
export const OUTLINES: Readonly<Record<string, string>> = {
${lines.join('\n')}
} // biome-ignore format: a table
`,
)
