/** A chord one tone after another on paper: where its tones lie under one hand, and the line as TAB or staff. */
import { type ArpeggioNote, arpeggioOf, highestPosition, lowestPosition } from '../../arpeggio/index.ts'
import { readSymbol } from '../../chord/index.ts'
import { neckOf } from '../../neck/index.ts'
import { pitchAt } from '../../pitch/index.ts'
import { FOUR_FOUR, type StringEvent, writtenBars } from '../../time/index.ts'
import { type BlockRoom, symbolIn } from '../context.ts'
import type { Mark } from '../marks.ts'
import { labelOf, type NeckRoom, neckGrid, neckMarks, shapeMarks } from '../neck.ts'
import type { Row } from '../row.ts'
import type { ArpeggioBlock } from '../types.ts'
import { tabBar, tabDigits, tabHeight } from './tab.ts'
import { heading, missing } from './words.ts'

const PITCH = 3.6
const STAFF_HEIGHT = 46
/** Eighths. */
const EACH = 0.5

export function arpeggioRows(block: ArpeggioBlock, room: BlockRoom): readonly Row[] {
  const { player, width, facing, sheet, naming } = room
  const chord = readSymbol(block.chord)
  if (!chord.ok) return missing(block.id, `${block.chord} is no chord.`, room)
  const neck = neckOf(player.instrument)
  const at = Math.min(highestPosition(neck), Math.max(lowestPosition(neck), block.at))
  const { notes } = arpeggioOf(chord.value, neck, player.hand, { kind: 'position', at })
  const title = heading(block.id, `${symbolIn(room, chord.value)}, one tone after another`, room, `hand at fret ${at}`)
  if (notes.length === 0) return [title, ...missing(block.id, 'None of its tones lie here.', room)]
  const strings = neck.open.length
  const pressed = notes.map(({ fret }) => fret).filter((fret) => fret > 0)
  const from = Math.max(1, Math.min(...pressed) - 1)
  const lane: NeckRoom = {
    ...facing,
    x: 0,
    y: 2.4,
    width: Math.min(width, 150),
    strings,
    from,
    to: Math.max(from + 4, ...pressed) + 1,
    pitch: PITCH,
  }
  const marks: Mark[] = [
    ...neckMarks(lane),
    ...shapeMarks(
      lane,
      notes.map((note) => ({
        ...note,
        label: labelOf(sheet.labels === 'none' ? 'finger' : sheet.labels, note, naming),
      })),
      { thread: false },
    ),
  ]
  const rows: Row[] = [
    title,
    { block: block.id, height: neckGrid(lane).bottom + 8, marks, staysWithNext: block.under !== 'nothing' },
  ]
  if (block.under === 'nothing') return rows
  const events = lineEvents(notes)
  const beats = Math.max(4, Math.ceil((events.length * EACH) / 4) * 4)
  if (block.under === 'tab') {
    const tab = { x: 0, y: 1, width, strings }
    rows.push({
      block: block.id,
      height: tabHeight(strings) + 6,
      marks: [
        ...tabBar(tab, { first: true, opens: false, closes: false, ends: true }),
        ...tabDigits(tab, events, beats, 4),
      ],
    })
  } else
    rows.push({
      block: block.id,
      height: STAFF_HEIGHT + 2,
      marks: [
        {
          kind: 'staff',
          x: 0,
          y: 0,
          width,
          height: STAFF_HEIGHT,
          strings,
          bars: writtenBars({ metre: FOUR_FOUR, countIn: 0, loop: false, beats, events }),
          begins: true,
          ends: true,
        },
      ],
    })
  return rows
}

/** Up the line and back, in eighths. */
function lineEvents(notes: readonly ArpeggioNote[]): readonly StringEvent[] {
  const order = [...notes, ...notes.slice(0, -1).toReversed()]
  return order.map(({ midi, note, string, fret, finger }, index) => ({
    part: 'strings',
    at: index * EACH,
    length: EACH,
    loud: 0.8,
    midi,
    pitch: pitchAt(note, midi),
    string,
    fret,
    finger,
    mark: index,
  }))
}
