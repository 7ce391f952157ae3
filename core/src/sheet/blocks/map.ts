/** A chord's whole territory on paper: a lane a string set, all on one ruler of frets. */
import { type MapPlace, mapOf } from '../../map/index.ts'
import { neckOf, stringNumber } from '../../neck/index.ts'
import { readQuestion } from '../../request/index.ts'
import { type BlockRoom, symbolIn } from '../context.ts'
import { text } from '../marks.ts'
import { labelOf, type NeckRoom, neckGrid, neckMarks, shapeMarks, type TonePlace } from '../neck.ts'
import type { Row } from '../row.ts'
import type { MapBlock } from '../types.ts'
import { heading, missing } from './words.ts'

const PITCH = 3.1
const LEFT = 18

export function mapRows(block: MapBlock, room: BlockRoom): readonly Row[] {
  const { player, width, facing, sheet, naming } = room
  const question = readQuestion({ chord: block.chord, arrangement: block.arrangement || 'any' }, player)
  if (!question.ok) return missing(block.id, `${block.chord} ${block.arrangement}: nothing to draw.`, room)
  const map = mapOf(question.value, player)
  const neck = neckOf(player.instrument)
  const strings = neck.open.length
  const filled = map.rows
    .map(({ strings: set, cells }) => ({
      set,
      cells: cells.filter((cell): cell is MapPlace => cell.kind === 'place' && cell.hold !== 'beyond'),
    }))
    .filter(({ cells }) => cells.length > 0)
  const highest = Math.max(
    5,
    ...filled.flatMap(({ cells }) => cells.flatMap(({ frets }) => frets.map((fret) => fret ?? 0))),
  )
  const how =
    block.arrangement === '' || block.arrangement === 'any' ? '' : ` as ${block.arrangement.replaceAll('-', ' ')}`
  const rows: Row[] = [heading(block.id, `${symbolIn(room, map.chord)}${how} on all string sets`, room)]
  if (filled.length === 0) return [...rows, ...missing(block.id, 'No shape of it lies within this hand’s reach.', room)]
  for (const [index, { set, cells }] of filled.entries()) {
    const isLast = index === filled.length - 1
    const low = set[0] ?? 0
    const lane: NeckRoom = {
      ...facing,
      x: LEFT,
      y: 2.6,
      width: width - LEFT,
      strings: (set.at(-1) ?? 0) - low + 1,
      from: 1,
      to: highest,
      pitch: PITCH,
    }
    const marks = [
      text(
        0,
        2.6 + ((lane.strings - 1) * PITCH) / 2 + 1.2,
        set.map((string) => stringNumber(string, strings)).join(strings > 9 ? '.' : ' '),
        { face: 'bold' },
      ),
      ...neckMarks(lane, isLast ? 'all' : 'none'),
    ]
    for (const { frets, degrees } of cells) {
      const tones = frets.flatMap((fret, string): readonly TonePlace[] => {
        const degree = degrees[string]
        return fret === null || !degree
          ? []
          : [{ string: string - low, fret, degree, label: labelOf(sheet.labels, { degree }, naming) }]
      })
      marks.push(...shapeMarks(lane, tones, { hand: false, egg: 2 }))
    }
    rows.push({ block: block.id, height: neckGrid(lane).bottom + (isLast ? 8 : 3), marks })
  }
  return rows
}
