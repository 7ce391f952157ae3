/** Arpeggio: a chord one tone after another, under one hand or along the neck; seen, written, heard and listened to. */
import { Tabs } from '@mantine/core'
import { writeSymbol } from '@nestling/core/chord'
import { memo } from 'react'
import { Frame } from '../../shell/Frame.tsx'
import { Shell } from '../../shell/Shell.tsx'
import { TransportBar } from '../../shell/TransportBar.tsx'
import type { PageData } from '../../state/page.ts'
import { saveSoundFile } from '../../state/playback.ts'
import { $session } from '../../state/session.ts'
import classes from './ArpeggioView.module.css'
import type { Params } from './address.ts'
import { Ear } from './Ear.tsx'
import { Finder } from './Finder.tsx'
import { arpeggioKeys, sharedActs } from './keys.ts'
import { LineNeck } from './LineNeck.tsx'
import { LineSentence } from './LineSentence.tsx'
import { Notation } from './Notation.tsx'
import { Positions } from './Positions.tsx'
import { Scales } from './Scales.tsx'
import { ThisLine } from './ThisLine.tsx'
import { scoreOf } from './toScore.ts'
import { type ArpeggioState, OWNER, useArpeggio } from './useArpeggio.ts'
import { useVoicingInside } from './useVoicingInside.ts'
import { soundFileName } from './voicingInside.ts'

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
  const { tempo, swing } = settings
  const score = scoreOf(line, plan, { ...settings, countInBars: 0 }, false)
  await saveSoundFile(soundFileName(state, tempo), score, { tempo, swing })
}

const Bench = memo(function Bench({ params }: { readonly params: Params }) {
  const state = useArpeggio(params)
  const voicing = useVoicingInside(state)
  const { plan, line } = state
  return (
    <Frame
      heading="A chord as an arpeggio"
      announcement={`${writeSymbol(plan.chord)}: ${line.notes.length} tones`}
      acts={sharedActs(state, voicing)}
      keys={arpeggioKeys(state)}
    >
      <LineSentence state={state} />
      <div className={classes['neck']}>
        <LineNeck state={state} voicing={voicing} />
        <Positions state={state} />
      </div>
      <div className={classes['below']}>
        <Notation state={state} />
        <aside className={classes['side']}>
          <Tabs defaultValue="line" keepMounted={false}>
            <Tabs.List>
              <Tabs.Tab value="line">This line</Tabs.Tab>
              <Tabs.Tab value="scales">Scales</Tabs.Tab>
              <Tabs.Tab value="finder">Finder</Tabs.Tab>
              <Tabs.Tab value="ear">Ear</Tabs.Tab>
            </Tabs.List>
            <Tabs.Panel value="line">
              <ThisLine state={state} voicing={voicing} />
            </Tabs.Panel>
            <Tabs.Panel value="scales">
              <Scales state={state} />
            </Tabs.Panel>
            <Tabs.Panel value="finder">
              <Finder state={state} />
            </Tabs.Panel>
            <Tabs.Panel value="ear">
              <Ear state={state} />
            </Tabs.Panel>
          </Tabs>
        </aside>
      </div>
      <TransportBar
        owner={OWNER}
        playOrStop={state.playOrStop}
        loop={state.loop}
        setLoop={state.setLoop}
        save={() => void saveSound(state)}
      />
    </Frame>
  )
})
