/** Map: a chord's whole territory on one neck, cut into a lane for each string set. */

import { useStore } from '@nanostores/react'
import type { MapPlace } from '@nestling/core/map'
import { instrumentFor } from '@nestling/core/request'
import { useCallback, useEffect, useMemo } from 'react'
import { Stopped } from '../../controls/Stopped.tsx'
import { Frame } from '../../shell/Frame.tsx'
import { Shell } from '../../shell/Shell.tsx'
import { carriedOf, carry } from '../../state/carried.ts'
import { toBuild } from '../../state/links.ts'
import type { PageData } from '../../state/page.ts'
import { $session } from '../../state/session.ts'
import { spokenPlace, wordsOfPlace } from '../../words/map.ts'
import { counted } from '../../words/shapes.ts'
import { Acts } from './Acts.tsx'
import { writeMap } from './address.ts'
import { EveryRoot } from './beside/EveryRoot.tsx'
import { NextUp } from './beside/NextUp.tsx'
import { Place } from './beside/Place.tsx'
import { hear, shapeOf } from './collect.ts'
import { mapActs, mapKeys, takePlace } from './keys.ts'
import { writeMapLine } from './line.ts'
import classes from './MapView.module.css'
import { Becomes } from './sentence/Becomes.tsx'
import sentence from './sentence/MapSentence.module.css'
import { MapSentence } from './sentence/MapSentence.tsx'
import { LaneSheet } from './sheet/LaneSheet.tsx'
import { laneSheet, type LaneSheet as Sheet } from './sheet/lanes.ts'
import { type MapState, type ShownMap, useMap, useShown } from './useMap.ts'

export interface MapViewProps {
  readonly page: PageData
  /** The address's query. */
  readonly query: string
  /** The server's answer to it. */
  readonly map: string
}

export default function MapView(props: MapViewProps) {
  return (
    <Shell view="Map" page={props.page} fixed>
      <Territory query={props.query} map={props.map} />
    </Shell>
  )
}

/** The lanes' own units: pixels, on a screen of 1280 by 800. */
const WIDTH = 890
const HEIGHT = 553

function Territory({ query, map }: Omit<MapViewProps, 'page'>) {
  const state = useMap(query, map)
  const shown = useShown(state)
  const sheet = useSheet(shown)
  const { asked, search } = state
  useCarried(state, shown)
  const acts = useMemo(() => mapActs(state, shown), [state, shown])
  const keys = useMemo(() => mapKeys(state, shown, sheet?.lanes ?? []), [state, shown, sheet])
  return (
    <Frame
      title={titleOf(asked)}
      heading="The map of a chord"
      announcement={announcementOf(shown)}
      acts={acts}
      keys={keys}
    >
      <section aria-label="What is mapped" className={sentence['head']}>
        <MapSentence asked={asked} step={state.step} player={state.player} rows={shown?.map.rows} />
        <Acts state={state} shown={shown} />
        <Becomes
          chord={asked.question.chord}
          arrangement={asked.question.arrangement}
          change={asked.change}
          step={state.step}
        />
      </section>
      {search.status === 'searching' && <p className={classes['aside']}>Looking along the neck…</p>}
      <Stopped
        stop={search.status === 'failed' ? search : undefined}
        what="The search"
        keepsBefore={shown !== undefined}
      />
      {shown && sheet && (
        <Found
          shown={shown}
          sheet={sheet}
          step={state.step}
          isLate={shown.question !== asked.question || shown.change !== asked.change}
        />
      )}
    </Frame>
  )
}

function useSheet(shown: ShownMap | undefined): Sheet | undefined {
  const { settings } = useStore($session)
  const { lowOnTop, naming, symbols } = settings
  const { rows, neck, question, player } = shown ?? {}
  return useMemo(() => {
    if (!rows || !neck || !question || !player) return undefined
    const leftHanded = instrumentFor(question, player).handed === 'left'
    const style = { naming, school: symbols }
    return laneSheet(rows, neck, {
      width: WIDTH,
      height: HEIGHT,
      lowOnTop,
      leftHanded,
      wordsOf: (place) => wordsOfPlace(place, style),
    })
  }, [rows, neck, question, player, lowOnTop, naming, symbols])
}

/** The map's chord goes along to the other views, and the shape of a place that was taken there. */
function useCarried({ asked }: MapState, shown: ShownMap | undefined) {
  useEffect(() => {
    if (!shown || shown.question !== asked.question || shown.change !== asked.change) return
    const { question, player, map, neck, chosen, wasTaken } = shown
    const { tuning } = instrumentFor(question, player)
    const frets = wasTaken ? chosen?.frets : undefined
    carry('Map', carriedOf({ chord: map.chord, frets, tuning }), writeMap(asked, neck.open.length))
  }, [asked, shown])
}

/** The chord that was asked for, and the tone that joins it; a place that was taken. */
const titleOf = (asked: MapState['asked']): string =>
  [writeMapLine(asked, $session.get().settings.naming, true), asked.place].filter(Boolean).join(' ')

/** The place in hand: its chord, and where. */
function announcementOf(shown: ShownMap | undefined): string {
  if (!shown?.chosen) return ''
  return spokenPlace(shown.chosen, shown.map.chord, shown.neck.open.length, $session.get().settings.naming)
}

interface FoundProps {
  readonly shown: ShownMap
  readonly sheet: Sheet
  readonly step: MapState['step']
  /** What is drawn answers an older question: a new answer is on its way. */
  readonly isLate: boolean
}

function Found({ shown, sheet, step, isLate }: FoundProps) {
  const take = useCallback((place: MapPlace) => takePlace({ step }, place), [step])
  // The place at which the map opens was not taken yet: pressed, it is.
  const again = useCallback(
    (place: MapPlace) => (shown.wasTaken ? hear(place.frets, shown) : take(place)),
    [shown, take],
  )
  const open = useCallback(
    (place: MapPlace) => window.location.assign(toBuild(shapeOf(place.frets, shown), shown.player)),
    [shown],
  )
  return (
    <div className={classes['page']}>
      <section aria-label="Sheet" aria-busy={isLate} className={classes['main']}>
        <p className={classes['count']}>
          <span data-testid="map-count">{countWords(shown)}</span>
        </p>
        <LaneSheet
          neck={shown.neck}
          sheet={sheet}
          map={shown.map}
          strings={shown.neck.open.length}
          chosen={shown.chosen}
          take={take}
          hear={again}
          open={open}
        />
      </section>
      <aside className={classes['side']}>
        <Place shown={shown} />
        <EveryRoot shown={shown} />
        <NextUp shown={shown} step={step} />
      </aside>
    </div>
  )
}

/** What is shown, and what of it no hand holds. */
function countWords({ places }: ShownMap): string {
  const held = places.filter(({ hold }) => hold === 'held').length
  const beyond = places.length - held
  return `${counted(held, 'place')}${beyond > 0 ? `, ${beyond} beyond` : ''}`
}
