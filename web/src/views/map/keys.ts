/** What every key does in the Map. */
import type { MapPlace } from '@nestling/core/map'
import type { KeyLine, SharedActs } from '../../shell/keyTable.ts'
import { toBuild, toPractice } from '../../state/links.ts'
import { fretsWord } from '../../words/shapes.ts'
import { before, collect, hear, hearBoth, keep, laneToTray, shapeOf, sheetHref } from './collect.ts'
import { type Lane, placeBeside } from './sheet/lanes.ts'
import type { MapState, ShownMap } from './useMap.ts'

export const CHORD_INPUT_ID = 'map-chord'

export function mapActs({ undo, redo }: MapState, shown: ShownMap | undefined): SharedActs {
  const place = shown?.chosen
  return {
    fieldId: CHORD_INPUT_ID,
    typeWords: 'type another chord, with wishes, or with a tone that joins: Ebmaj7 drop2 +9',
    undo,
    redo,
    ...(shown ? { toSheet: () => sheetHref(shown) } : {}),
    ...(shown && place
      ? {
          play: () => hear(place.frets, shown),
          toTray: () => collect([shapeOf(place.frets, shown)]),
          keep: () => keep(place, shown),
          practise: () => toPractice([shapeOf(place.frets, shown)], shown.player),
        }
      : {}),
  }
}

export const takePlace = ({ step }: Pick<MapState, 'step'>, { frets }: MapPlace): void =>
  step({ place: fretsWord(frets) })

export function mapKeys(state: MapState, shown: ShownMap | undefined, lanes: readonly Lane[]): readonly KeyLine[] {
  const place = shown?.chosen
  if (!shown || !place) return []
  const go = (way: Parameters<typeof placeBeside>[2]) => () => {
    const next = placeBeside(lanes, place, way)
    if (next) takePlace(state, next)
  }
  return [
    {
      keys: ['←', '→'],
      does: 'the next place along the lane',
      acts: { ArrowLeft: go('left'), ArrowRight: go('right') },
    },
    {
      keys: ['↑', '↓'],
      does: 'the lane above or below, where the hand is',
      acts: { ArrowUp: go('up'), ArrowDown: go('down') },
    },
    {
      keys: ['Enter'],
      does: 'build with the place',
      acts: { Enter: () => window.location.assign(toBuild(shapeOf(place.frets, shown), shown.player)) },
    },
    ...(before(place)
      ? [{ keys: ['A'], does: 'play it before and after', acts: { a: () => hearBoth(place, shown) } }]
      : []),
    { keys: ['Shift', 'T'], does: 'add the whole lane to the tray', acts: { T: () => laneToTray(shown) } },
  ]
}
