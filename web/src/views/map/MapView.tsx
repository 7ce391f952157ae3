/** Map: a chord's whole territory as one sheet; string sets down, bass tones across. */
import { useState } from 'react'
import { EggPatterns } from '../../neck/Egg.tsx'
import { usePageKeys } from '../../shell/pageKeys.ts'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import type { MapAddress } from './address.ts'
import { CellDetail } from './CellDetail.tsx'
import { mapKeys } from './keys.ts'
import { MapHead } from './MapHead.tsx'
import classes from './MapView.module.css'
import { RowLine } from './RowLine.tsx'
import { type Selected, Sheet } from './Sheet.tsx'
import { type FoundMap, type MapState, useMap } from './useMap.ts'
import { useRowByRow } from './useRowByRow.ts'

export interface MapViewProps {
  readonly page: PageData
  readonly address: MapAddress
}

export default function MapView(props: MapViewProps) {
  return (
    <Shell view="Map" page={props.page}>
      <EggPatterns />
      <h1 className="heard-only">The map of a chord</h1>
      <Territory address={props.address} />
    </Shell>
  )
}

function Territory({ address }: Pick<MapViewProps, 'address'>) {
  const state = useMap(address)
  const [selected, setSelected] = useState<Selected>({ row: 0, column: 0 })
  usePageKeys(mapKeys(state, selected))
  return (
    <>
      <MapHead state={state} />
      {state.search.status === 'searching' && <p className={classes['aside']}>Looking along the neck…</p>}
      {state.search.status === 'failed' && (
        <p role="alert" className={classes['aside']}>
          The search stopped: {state.search.message}. Change the chord to try again.
        </p>
      )}
      {state.search.status === 'found' && (
        <Found state={state} found={state.search.found} selected={selected} select={setSelected} />
      )}
    </>
  )
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
      <Sheet
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
