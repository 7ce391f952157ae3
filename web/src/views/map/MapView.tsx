/** Map: a chord's whole territory as one sheet; string sets down, bass tones across. */

import { writeSymbol } from '@nestling/core/chord'
import { instrumentFor } from '@nestling/core/request'
import { useEffect, useState } from 'react'
import { Frame } from '../../shell/Frame.tsx'
import { Shell } from '../../shell/Shell.tsx'
import { carriedOf, carry } from '../../state/carried.ts'
import type { PageData } from '../../state/page.ts'
import { fretsWord } from '../../words/shapes.ts'
import { Acts } from './Acts.tsx'
import { type MapAddress, writeMap } from './address.ts'
import { CellDetail } from './CellDetail.tsx'
import { mapActs } from './keys.ts'
import { MapHead } from './MapHead.tsx'
import { MapTable, type Selected } from './MapTable.tsx'
import classes from './MapView.module.css'
import { RowLine } from './RowLine.tsx'
import { type FoundMap, type MapState, useMap } from './useMap.ts'
import { useRowByRow } from './useRowByRow.ts'

export interface MapViewProps {
  readonly page: PageData
  readonly address: MapAddress
}

export default function MapView(props: MapViewProps) {
  return (
    <Shell view="Map" page={props.page}>
      <Territory address={props.address} />
    </Shell>
  )
}

function Territory({ address }: Pick<MapViewProps, 'address'>) {
  const state = useMap(address)
  const [selected, setSelected] = useState<Selected>({ row: 0, column: 0 })
  const [taken, setTaken] = useState<Selected | undefined>(undefined)
  useCarried(state, taken)
  const select = (place: Selected) => {
    setSelected(place)
    setTaken(place)
  }
  return (
    <Frame heading="The map of a chord" announcement={announcementOf(state, selected)} acts={mapActs(state, selected)}>
      <MapHead state={state}>
        <Acts state={state} selected={selected} />
      </MapHead>
      {state.search.status === 'searching' && <p className={classes['aside']}>Looking along the neck…</p>}
      {state.search.status === 'failed' && (
        <p role="alert" className={classes['aside']}>
          The search stopped: {state.search.message}. Change the chord to try again.
        </p>
      )}
      {state.search.status === 'found' && (
        <Found state={state} found={state.search.found} selected={selected} select={select} />
      )}
    </Frame>
  )
}

/** The map's chord goes along to the other views, and the shape of a place that was taken there. */
function useCarried({ search }: MapState, taken: Selected | undefined) {
  useEffect(() => {
    if (search.status !== 'found') return
    const { question, player, changed, neck } = search.found
    const { tuning } = instrumentFor(question, player)
    const cell = taken && changed[taken.row]?.[taken.column]
    const shape = cell?.kind === 'shape' ? cell.voicing : { chord: question.chord, frets: undefined }
    carry('Map', carriedOf({ ...shape, tuning }), writeMap(search.found, neck.open.length))
  }, [search, taken])
}

/** The chord that the place in hand shows, and where. */
function announcementOf({ search }: MapState, { row, column }: Selected): string {
  const cell = search.status === 'found' ? search.found.changed[row]?.[column] : undefined
  return cell?.kind === 'shape' ? `${writeSymbol(cell.voicing.chord)}, ${fretsWord(cell.voicing.frets)}` : ''
}

function Found({
  state,
  found,
  selected,
  select,
}: {
  readonly state: MapState
  readonly found: FoundMap
  readonly selected: Selected
  readonly select: (selected: Selected) => void
}) {
  const { rows, whole } = useRowByRow(found)
  return (
    <div className={classes['body']}>
      <MapTable
        found={found}
        rows={rows}
        sets={state.sets}
        landmarks={state.landmarks}
        selected={selected}
        select={select}
      />
      <aside className={classes['side']}>
        <CellDetail found={whole} selected={selected} />
        <RowLine found={whole} selected={selected} />
      </aside>
    </div>
  )
}
