/** Map: a chord's whole territory as one sheet; string sets down, bass tones across. */
import { useStore } from '@nanostores/react'
import { useState } from 'react'
import { EggPatterns } from '../../neck/Egg.tsx'
import { Shell } from '../../shell/Shell.tsx'
import { openPage, type PageData } from '../../state/page.ts'
import { $session } from '../../state/session.ts'
import { CellDetail } from './CellDetail.tsx'
import { MapHead } from './MapHead.tsx'
import classes from './MapView.module.css'
import { RowLine } from './RowLine.tsx'
import { type Selected, Sheet } from './Sheet.tsx'
import { type MapAddress, useMap } from './useMap.ts'

export interface MapViewProps {
  readonly page: PageData
  readonly address: MapAddress
}

export default function MapView(props: MapViewProps) {
  useState(() => openPage(props.page))
  useStore($session)
  const state = useMap(props.address)
  const [selected, setSelected] = useState<Selected>({ row: 0, column: 0 })
  return (
    <Shell view="Map">
      <EggPatterns />
      <h1 className="heard-only">The map of a chord</h1>
      <MapHead state={state} />
      {state.search.status === 'searching' && <p className={classes['aside']}>Looking along the neck…</p>}
      {state.search.status === 'failed' && (
        <p role="alert" className={classes['aside']}>
          The search stopped: {state.search.message}. Change the chord to try again.
        </p>
      )}
      {state.search.status === 'found' && (
        <div className={classes['body']}>
          <Sheet state={state} map={state.search.map} selected={selected} select={setSelected} />
          <aside className={classes['side']}>
            <CellDetail state={state} map={state.search.map} selected={selected} />
            <RowLine state={state} map={state.search.map} selected={selected} />
          </aside>
        </div>
      )}
    </Shell>
  )
}
