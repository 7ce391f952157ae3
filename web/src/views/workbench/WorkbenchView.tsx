/** Build: from a symbol to a shape under the hand. */
import { useStore } from '@nanostores/react'
import { type SymbolStyle, writeSymbol } from '@nestling/core/chord'
import { Frame } from '../../shell/Frame.tsx'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { $style } from '../../state/session.ts'
import type { Address, WorkbenchState } from '../../state/workbench/index.ts'
import { fretsWord } from '../../words/shapes.ts'
import { OneFretAway } from './away/OneFretAway.tsx'
import { Found } from './found/Found.tsx'
import { SHARED_ACTS, WORKBENCH_KEYS } from './keys.ts'
import { NeckArea } from './neck/NeckArea.tsx'
import { Written } from './paper/Written.tsx'
import { Sentence } from './sentence/Sentence.tsx'
import { ThisShape } from './shape/ThisShape.tsx'
import { useAnnouncement, useWorkbench } from './useWorkbench.ts'
import classes from './WorkbenchView.module.css'

export interface WorkbenchViewProps {
  readonly address: Address
  readonly page: PageData
  /** What the server found for the address; none where the browser finds it. */
  readonly answer?: string | undefined
}

export default function WorkbenchView({ page, address, answer }: WorkbenchViewProps) {
  return (
    <Shell view="Build" page={page} fixed>
      <Workbench address={address} answer={answer} />
    </Shell>
  )
}

function Workbench({ address, answer }: Pick<WorkbenchViewProps, 'address' | 'answer'>) {
  const state = useWorkbench(address, answer)
  return (
    <Spoken state={state}>
      <Sentence state={state} />
      <div className={classes['neck']} data-faint={state.faint || undefined}>
        <NeckArea state={state} />
      </div>
      <Written state={state} />
      <Found state={state} />
      <div className={classes['answers']}>
        <ThisShape state={state} />
        <OneFretAway state={state} />
      </div>
    </Spoken>
  )
}

function Spoken({ state, children }: { readonly state: WorkbenchState; readonly children: React.ReactNode }) {
  const style = useStore($style)
  return (
    <Frame
      title={titleOf(state, style)}
      heading="Build a chord"
      announcement={useAnnouncement(state)}
      acts={SHARED_ACTS}
      keys={WORKBENCH_KEYS}
    >
      {children}
    </Frame>
  )
}

const titleOf = ({ question, frets }: WorkbenchState, style: SymbolStyle): string =>
  `${writeSymbol(question.chord, style)} ${frets ? fretsWord(frets) : ''}`.trim()
