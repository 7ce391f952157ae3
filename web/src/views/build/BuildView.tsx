/** Build: from a symbol to a shape under the hand. */
import { useCallback, useState } from 'react'
import { EggPatterns } from '../../neck/Egg.tsx'
import { Shell } from '../../shell/Shell.tsx'
import type { Address, BuildState } from '../../state/build/index.ts'
import type { PageData } from '../../state/page.ts'
import { Around } from './around/Around.tsx'
import classes from './BuildView.module.css'
import { KeysHelp } from './KeysHelp.tsx'
import { BuildLine } from './line/BuildLine.tsx'
import { NeckArea } from './neck/NeckArea.tsx'
import { ThisShape } from './shape/ThisShape.tsx'
import { ShapesFound } from './shapes/ShapesFound.tsx'
import { useAnnouncement, useBuild } from './useBuild.ts'

export interface BuildViewProps {
  readonly address: Address
  /** The fingering that a kept shape was kept with. */
  readonly fingers: string | undefined
  readonly page: PageData
}

export default function BuildView(props: BuildViewProps) {
  return (
    <Shell view="Build" page={props.page} fixed>
      <h1 className="heard-only">Build a chord</h1>
      <EggPatterns />
      <Workbench {...props} />
    </Shell>
  )
}

function Workbench(props: BuildViewProps) {
  const [help, setHelp] = useState(false)
  const openHelp = useCallback(() => setHelp(true), [])
  const closeHelp = useCallback(() => setHelp(false), [])
  const state = useBuild(props, openHelp)
  return (
    <>
      <BuildLine state={state} />
      <div className={classes['neck']}>
        <NeckArea state={state} />
      </div>
      <div className={classes['answers']}>
        <ShapesFound state={state} />
        <ThisShape state={state} />
        <Around state={state} />
      </div>
      <Announcer state={state} />
      <KeysHelp opened={help} close={closeHelp} />
    </>
  )
}

function Announcer({ state }: { readonly state: BuildState }) {
  return (
    <p className="heard-only" aria-live="polite">
      {useAnnouncement(state)}
    </p>
  )
}
