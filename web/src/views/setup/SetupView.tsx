/** Set-up: the instrument drawn to scale, the hand laid on it, what a tuning gives, and how all of it is written. */
import { useStore } from '@nanostores/react'
import { type Tuning, writeTuning } from '@nestling/core/neck'
import { tuningsOffered } from '@nestling/core/request'
import { useEffect, useMemo, useState } from 'react'
import { Frame } from '../../shell/Frame.tsx'
import type { KeyLine, SharedActs } from '../../shell/keyTable.ts'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { $player } from '../../state/session.ts'
import { Acts, hearStrings, STRINGS_INPUT_ID } from './Acts.tsx'
import { addAnother, steps } from './bench/bench.ts'
import { Drawing } from './drawing/Drawing.tsx'
import { AsWritten } from './habits/AsWritten.tsx'
import { TakeCare } from './hand/TakeCare.tsx'
import classes from './SetupView.module.css'
import sentence from './sentence/SetupSentence.module.css'
import { SetupSentence } from './sentence/SetupSentence.tsx'
import { Carried } from './tunings/Carried.tsx'
import { OwnTunings } from './tunings/OwnTunings.tsx'
import { Retune } from './tunings/Retune.tsx'
import { WhatItGives } from './tunings/WhatItGives.tsx'

export default function SetupView({ page, part }: { readonly page: PageData; readonly part: string | undefined }) {
  return (
    <Shell view="Set-up" page={page}>
      <Bench part={part} />
    </Shell>
  )
}

/** What is proposed: the plainest open tuning. */
const OPEN_D = 'D2,A2,D3,F#3,A3,D4'

const ACTS: SharedActs = {
  fieldId: STRINGS_INPUT_ID,
  typeWords: 'type the strings, lowest first',
  play: hearStrings,
  playWords: 'play the strings',
  undo: steps.undo,
  redo: steps.redo,
}
const KEYS: readonly KeyLine[] = [
  { keys: ['N'], does: 'one more instrument', acts: { n: () => void addAnother() } },
  { keys: ['←', '→'], does: 'on a handle: a step; with Shift, ten' },
  { keys: ['Esc'], does: 'in a field or while pulling: as it was' },
]

function Bench({ part }: { readonly part: string | undefined }) {
  const player = useStore($player)
  const { instrument } = player
  const offered = useMemo(() => tuningsOffered(player), [player])
  useEffect(() => {
    window.addEventListener('pagehide', steps.leave)
    return () => window.removeEventListener('pagehide', steps.leave)
  }, [])
  const [wanted, setWanted] = useState<Tuning | undefined>(undefined)
  const to = useMemo(() => {
    const kept = offered.find((tuning) => wanted && writeTuning(tuning) === writeTuning(wanted))
    const open = offered.find(
      (tuning) => writeTuning(tuning) === OPEN_D && tuning.strings.length === instrument.tuning.strings.length,
    )
    return kept ?? open ?? instrument.tuning
  }, [offered, wanted, instrument])
  // An address that names a part opens there.
  useEffect(() => {
    if (part !== undefined) document.getElementById(`part-${part}`)?.scrollIntoView()
  }, [part])
  return (
    <Frame title={instrument.name} heading="Set-up" acts={ACTS} keys={KEYS}>
      <div className={sentence['head']}>
        <SetupSentence />
        <Acts />
      </div>
      <div className={classes['page']}>
        <Drawing />
        <div className={classes['blocks']}>
          <div id="part-tunings">
            <Retune to={to} offered={offered} take={setWanted} />
          </div>
          <WhatItGives key={to.strings.length} tuning={to} />
          <div id="part-habits">
            <AsWritten />
          </div>
        </div>
        <div className={classes['blocks']}>
          <Carried to={to} />
          <OwnTunings />
          <div id="part-hand">
            <TakeCare />
          </div>
        </div>
      </div>
    </Frame>
  )
}
