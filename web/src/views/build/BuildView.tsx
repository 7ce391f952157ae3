/** Build: from a symbol to a shape under the hand. */

import { useStore } from '@nanostores/react'
import { neckOf } from '@nestling/core/neck'
import { ghostTones, rotations } from '@nestling/core/voicing'
import { useMemo } from 'react'
import type { KeptInstrument } from '../../contracts/instrument.ts'
import type { Settings } from '../../contracts/settings.ts'
import { EggPatterns } from '../../neck/Egg.tsx'
import { NeckView } from '../../neck/NeckView.tsx'
import { Shell } from '../../shell/Shell.tsx'
import { $build, type Address, type BuildState } from '../../state/build.ts'
import { $session } from '../../state/session.ts'
import classes from './BuildView.module.css'
import { BuildLine } from './line/BuildLine.tsx'
import { ThisShape } from './shape/ThisShape.tsx'
import { useShapeInHand } from './shape/useShapeInHand.ts'
import { ShapesFound } from './shapes/ShapesFound.tsx'
import { useBuild } from './useBuild.ts'

export interface BuildViewProps {
  readonly address: Address
  readonly settings: Settings
  readonly instruments: readonly KeptInstrument[]
}

export default function BuildView(props: BuildViewProps) {
  const { first, announcement } = useBuild(props)
  const state = useStore($build) ?? first
  return (
    <Shell view="Build">
      <h1 className="heard-only">Build a chord</h1>
      <EggPatterns />
      <BuildLine state={state} />
      <NeckArea state={state} />
      <div className={classes['answers']}>
        <ShapesFound state={state} />
        <ThisShape state={state} />
      </div>
      <p className="heard-only" aria-live="polite">
        {announcement}
      </p>
    </Shell>
  )
}

function NeckArea({ state }: { readonly state: BuildState }) {
  const { settings } = useStore($session)
  const { voicing, fingering, silent } = useShapeInHand(state)
  const { instrument, hand } = state.setting
  const neck = useMemo(() => neckOf(instrument), [instrument])
  const stones = useMemo(
    () => (voicing ? rotations(voicing, neck).filter((other) => other.frets.join() !== voicing.frets.join()) : []),
    [voicing, neck],
  )
  const ghosts = useMemo(() => (voicing ? ghostTones(voicing, neck) : []), [voicing, neck])
  return (
    <section aria-label="Neck" className={classes['neck']}>
      <NeckView
        neck={neck}
        openNames={instrument.tuning.strings.map((pitch) => pitch.name)}
        hand={hand}
        labels={settings.labels}
        naming={settings.naming}
        voicing={voicing}
        fingering={fingering}
        silent={silent}
        ghosts={ghosts}
        stones={stones}
      />
    </section>
  )
}
