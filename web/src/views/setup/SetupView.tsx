/** Set-up: instruments, tunings, the hand, and the player's habits. */
import { Tabs } from '@mantine/core'
import { Frame } from '../../shell/Frame.tsx'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { Habits } from './habits/Habits.tsx'
import { Hand } from './hand/Hand.tsx'
import { Instruments } from './instruments/Instruments.tsx'
import classes from './SetupView.module.css'
import { Tunings } from './tunings/Tunings.tsx'

const PARTS = ['instruments', 'tunings', 'hand', 'habits'] as const
export type SetupPart = (typeof PARTS)[number]

export default function SetupView({ page, part }: { readonly page: PageData; readonly part: string | undefined }) {
  const first: SetupPart = PARTS.find((one) => one === part) ?? 'instruments'
  return (
    <Shell view="Set-up" page={page}>
      <Frame>
        <div className={classes['page']}>
          <h1>Set-up</h1>
          <Tabs
            defaultValue={first}
            keepMounted={false}
            onChange={(value) => window.history.replaceState(null, '', `/setup?part=${value}`)}
          >
            <Tabs.List>
              <Tabs.Tab value="instruments">Instruments</Tabs.Tab>
              <Tabs.Tab value="tunings">Tunings</Tabs.Tab>
              <Tabs.Tab value="hand">Hand</Tabs.Tab>
              <Tabs.Tab value="habits">Habits</Tabs.Tab>
            </Tabs.List>
            <Tabs.Panel value="instruments">
              <Instruments />
            </Tabs.Panel>
            <Tabs.Panel value="tunings">
              <Tunings />
            </Tabs.Panel>
            <Tabs.Panel value="hand">
              <Hand />
            </Tabs.Panel>
            <Tabs.Panel value="habits">
              <Habits />
            </Tabs.Panel>
          </Tabs>
        </div>
      </Frame>
    </Shell>
  )
}
