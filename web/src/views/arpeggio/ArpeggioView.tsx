/** Arpeggio: a chord one tone after another, under one hand or along the neck; seen, written, heard and listened to. */
import { writeSymbol } from '@nestling/core/chord'
import { memo, useEffect, useState } from 'react'
import { Frame } from '../../shell/Frame.tsx'
import { PlayingSentence } from '../../shell/PlayingSentence.tsx'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { saveSoundFile, swingOf } from '../../state/playback.ts'
import { $session, $style } from '../../state/session.ts'
import { type Walk, walkAt } from '../../state/walk.ts'
import { counted } from '../../words/shapes.ts'
import { spokenChord } from '../../words/spoken.ts'
import { Acts } from './Acts.tsx'
import classes from './ArpeggioView.module.css'
import type { Params } from './address.ts'
import { Ear } from './beside/Ear.tsx'
import { Find } from './beside/Find.tsx'
import { InTheTune } from './beside/InTheTune.tsx'
import { Scales } from './beside/Scales.tsx'
import { ThisLine } from './beside/ThisLine.tsx'
import { arpeggioKeys, sharedActs } from './keys.ts'
import { LineNeck } from './neck/LineNeck.tsx'
import { LineSentence } from './sentence/LineSentence.tsx'
import { scoreOf } from './toScore.ts'
import { type ArpeggioState, OWNER, useArpeggio } from './useArpeggio.ts'
import { useEar } from './useEar.ts'
import { useVoicingInside } from './useVoicingInside.ts'
import { soundFileName } from './voicingInside.ts'
import { Notation } from './written/Notation.tsx'

export interface ArpeggioViewProps {
  readonly params: Params
  readonly page: PageData
}

export default function ArpeggioView(props: ArpeggioViewProps) {
  return (
    <Shell view="Arpeggio" page={props.page} fixed>
      <Bench params={props.params} />
    </Shell>
  )
}

async function saveSound(state: ArpeggioState): Promise<void> {
  const { line, plan } = state
  const { settings } = $session.get()
  const { tempo } = settings
  const score = scoreOf(line, plan, { ...settings, countInBars: 0 }, false)
  await saveSoundFile(soundFileName(state, tempo), score, { tempo, swing: swingOf(settings) })
}

const Bench = memo(function Bench({ params }: { readonly params: Params }) {
  const state = useArpeggio(params)
  const voicing = useVoicingInside(state)
  const ear = useEar(state)
  const { plan, line } = state
  const [tune, setTune] = useState<Walk | undefined>(undefined)
  useEffect(() => setTune(walkAt(writeSymbol(plan.chord, { ascii: true }))), [plan.chord])
  return (
    <Frame
      title={writeSymbol(plan.chord, $style.get())}
      heading="A chord as an arpeggio"
      announcement={`${spokenChord(plan.chord, $session.get().settings.naming)}: ${counted(line.notes.length, 'tone')}`}
      acts={sharedActs(state, voicing)}
      keys={arpeggioKeys(state, ear, voicing, tune)}
    >
      <LineSentence state={state}>
        <Acts state={state} ear={ear} voicing={voicing} />
      </LineSentence>
      <div className={classes['neck']}>
        <LineNeck state={state} voicing={voicing} />
      </div>
      <div className={classes['below']}>
        <div className={classes['played']}>
          <Notation state={state} />
          <PlayingSentence owner={OWNER} loop={state.loop} setLoop={state.setLoop} save={() => void saveSound(state)} />
        </div>
        <aside className={classes['side']}>
          <InTheTune walk={tune} />
          <ThisLine state={state} voicing={voicing} />
          <Scales state={state} />
          <Find state={state} />
          <Ear state={state} ear={ear} />
        </aside>
      </div>
    </Frame>
  )
})
