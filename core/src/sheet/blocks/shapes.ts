/** Shapes of one's own in rows, each in a window of its own or all in one where that is not wide. */
import { handOn } from '../../hand/index.ts'
import { neckFor, readShape, type Shape } from '../../shape/index.ts'
import { voicingOf } from '../../voicing/index.ts'
import { type BlockRoom, symbolIn } from '../context.ts'
import { fitted, type Mark, NAME, SMALL, text } from '../marks.ts'
import { EGG, labelOf, type NeckRoom, neckGrid, neckMarks, shapeMarks, type TonePlace } from '../neck.ts'
import type { Row } from '../row.ts'
import type { ShapesBlock } from '../types.ts'
import { heading, lines, missing } from './words.ts'

const PITCH = 3.4
const UPRIGHT_PITCH = 4.2
const FRET_HEIGHT = 5.2
const WIDTH = 48
const UPRIGHT_WIDTH = 34
/** As many frets at most share one window. */
const MOST_SHARED = 8
const MOST_NOTE_LINES = 2

interface Drawn {
  readonly name: string
  readonly note: string
  readonly shape: Shape
}

export function shapesRows(block: ShapesBlock, room: BlockRoom): readonly Row[] {
  const drawn = block.shapes.flatMap(({ name, note, ...texts }): readonly Drawn[] => {
    const read = readShape(texts)
    return read.ok ? [{ name, note, shape: read.value }] : []
  })
  const rows: Row[] = block.title === '' ? [] : [heading(block.id, block.title, room)]
  if (drawn.length === 0) return [...rows, ...missing(block.id, 'No shape has been put here yet.', room)]
  const upright = room.sheet.necks === 'upright'
  const count = Math.max(1, Math.floor(room.width / (upright ? UPRIGHT_WIDTH : WIDTH)))
  const each = room.width / count
  const shared = sharedWindow(drawn)
  for (let at = 0; at < drawn.length; at += count) {
    const line = drawn
      .slice(at, at + count)
      .map((one, index) => shapeCell(one, index * each, each, shared, upright, room))
    rows.push({
      block: block.id,
      height: Math.max(...line.map(({ height }) => height)) + 3,
      marks: line.flatMap(({ marks }) => marks),
    })
  }
  return rows
}

interface Window {
  readonly from: number
  readonly to: number
}
function windowAround(shapes: readonly Drawn[]): Window {
  const pressed = shapes.flatMap(({ shape }) => shape.frets.filter((fret): fret is number => fret !== null && fret > 0))
  if (pressed.length === 0) return { from: 1, to: 5 }
  const [low, high] = [Math.min(...pressed), Math.max(...pressed)]
  const from = low <= 3 && high <= 6 ? 1 : low
  return { from, to: Math.max(high, from + 4) }
}
const sharedWindow = (shapes: readonly Drawn[]): Window | undefined => {
  const all = windowAround(shapes)
  return all.to - all.from < MOST_SHARED ? all : undefined
}

function shapeCell(
  one: Drawn,
  x: number,
  width: number,
  shared: Window | undefined,
  upright: boolean,
  room: BlockRoom,
): { readonly height: number; readonly marks: readonly Mark[] } {
  const { measure, facing, sheet, naming, player } = room
  const { shape } = one
  const neck = neckFor(shape)
  const voicing = voicingOf(shape.chord, shape.frets, neck)
  const strings = shape.frets.length
  const window = shared ?? windowAround([one])
  const fingers =
    sheet.labels === 'finger'
      ? (shape.fingers ?? handOn(neck, player.hand, { thumb: player.thumb }).bestFingering(shape.frets)?.fingers)
      : undefined
  const tones = shape.frets.flatMap((fret, string): readonly TonePlace[] => {
    if (fret === null) return []
    const degree = voicing?.degrees[string] ?? '9'
    return [
      {
        string,
        fret,
        degree,
        label: labelOf(sheet.labels, { degree, note: voicing?.notes[string], finger: fingers?.[string] }, naming),
      },
    ]
  })
  const symbol = symbolIn(room, shape.chord)
  const own = measure(symbol, 'serif', NAME)
  const beside = one.name === '' || one.name === symbol ? '' : one.name
  const place: NeckRoom = upright
    ? {
        ...facing,
        x: x + 8,
        y: NAME + 8.6,
        width: 0,
        strings,
        ...window,
        pitch: UPRIGHT_PITCH,
        upright,
        fretHeight: FRET_HEIGHT,
      }
    : { ...facing, x, y: NAME + 4.6, width: width - 6, strings, ...window, pitch: PITCH }
  const grid = neckGrid(place)
  const noteTop = grid.bottom + (upright ? 3 : 8.2)
  const note = one.note === '' ? [] : lines(one.note, width - 6, measure, 'italic', SMALL)
  const told = note.slice(0, MOST_NOTE_LINES)
  return {
    height: noteTop + told.length * SMALL * 1.3,
    marks: [
      text(x, NAME + 0.8, fitted(symbol, width - 6, measure, 'serif', NAME), { face: 'serif', size: NAME }),
      ...(beside === '' || own + 8 > width - 6
        ? []
        : [text(x + own + 2, NAME + 0.8, fitted(beside, width - own - 8, measure, 'sans', SMALL), { role: 'soft' })]),
      ...neckMarks(place),
      ...shapeMarks(place, tones, { egg: Math.min(EGG, grid.each * 0.46) }),
      ...told.map((words, index) =>
        text(
          x,
          noteTop + SMALL + index * SMALL * 1.3,
          index === MOST_NOTE_LINES - 1 && note.length > MOST_NOTE_LINES ? `${words}…` : words,
          { face: 'italic', role: 'soft' },
        ),
      ),
    ],
  }
}
