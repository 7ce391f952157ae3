/** What is done with places: into the tray, a lane or a row of roots as well; heard, before and after; kept. */
import { type Chord, writeSymbol } from '@nestling/core/chord'
import { type MapPlace, placesOf } from '@nestling/core/map'
import { instrumentFor } from '@nestling/core/request'
import type { Shape } from '@nestling/core/shape'
import { soundedNotes } from '@nestling/core/time'
import { type Frets, writeArrangement } from '@nestling/core/voicing'
import { keepAs } from '../../state/book.ts'
import { tell } from '../../state/notices.ts'
import { hearChords, soundingOf } from '../../state/playback.ts'
import { toSheet } from '../../state/toSheet.ts'
import { addToTray } from '../../state/tray.ts'
import { counted } from '../../words/shapes.ts'
import type { FoundMap, ShownMap } from './useMap.ts'

type Where = Pick<FoundMap, 'question' | 'player' | 'map' | 'neck'>

export const shapeOf = (frets: Frets, { question, player, map }: Where, chord: Chord = map.chord): Shape => ({
  chord,
  frets,
  tuning: instrumentFor(question, player).tuning,
})

const OWNER = 'map'
const BETWEEN_S = 0.9

export const hear = (frets: Frets, { neck, map }: Where, chord: Chord = map.chord): void =>
  hearChords([soundingOf(chord, soundedNotes(frets, neck, chord))], 'strum', OWNER)

/** The shape before the change; `undefined` where nothing has changed, or not every tone has its old place. */
export function before({ frets, from }: MapPlace): Frets | undefined {
  if (from.length === 0 || from.some(({ fret }) => fret === undefined)) return undefined
  return frets.map((fret, string) => from.find((one) => one.string === string)?.fret ?? fret)
}

/** First what it was, then what it has become. */
export function hearBoth(place: MapPlace, { neck, map, question }: Where): void {
  const was = before(place)
  if (!was) return
  const sound = (frets: Frets, chord: Chord) => soundingOf(chord, soundedNotes(frets, neck, chord))
  hearChords([sound(was, question.chord), sound(place.frets, map.chord)], 'strum', OWNER, BETWEEN_S)
}

export const keep = (place: MapPlace, where: Where): Promise<void> => keepAs(shapeOf(place.frets, where))

/** The chord's map on a sheet: what a tone that joined displaced is the sheet's own matter. */
export const sheetHref = ({ question, map }: Pick<Where, 'question' | 'map'>): string =>
  toSheet({
    kind: 'map',
    chord: writeSymbol(map.chord, { ascii: true }),
    arrangement: writeArrangement(question.arrangement),
  })

/** What doesn't fit into the tray is told there. */
export function collect(shapes: readonly Shape[]): void {
  void addToTray(shapes)
  tell.done(`Added to tray: ${counted(shapes.length, 'shape')}`)
}

/** The lane of a place, from the nut up; what the hand does not reach is no use in a tray. */
export function laneToTray(shown: ShownMap): void {
  const row = shown.rows.find(({ cells }) => cells.some((cell) => cell === shown.chosen))
  if (!row) return
  const held = placesOf(row).filter(({ hold }) => hold === 'held')
  collect(held.map(({ frets }) => shapeOf(frets, shown)))
}
