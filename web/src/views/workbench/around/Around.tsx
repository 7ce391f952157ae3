/** What lies around the shape: one moved tone away, its names, the same elsewhere. */
import { Tabs } from '@mantine/core'
import { memo } from 'react'
import { useSettled } from '../../../controls/useSettled.ts'
import type { WorkbenchState } from '../../../state/workbench/index.ts'
import classes from './Around.module.css'
import { Elsewhere } from './Elsewhere.tsx'
import { Names } from './Names.tsx'
import { OneFretAway } from './OneFretAway.tsx'

export function Around({ state: now }: { readonly state: WorkbenchState }) {
  // The shapes and the neck come first; what lies around them a moment later.
  return <Panels state={useSettled(now)} />
}

const Panels = memo(function Panels({ state }: { readonly state: WorkbenchState }) {
  return (
    <section aria-label="Around this shape" className={classes['section']}>
      <Tabs defaultValue="away" keepMounted={false} className={classes['tabs']}>
        <Tabs.List>
          <Tabs.Tab value="away">One fret away</Tabs.Tab>
          <Tabs.Tab value="names">Names</Tabs.Tab>
          <Tabs.Tab value="elsewhere">Elsewhere</Tabs.Tab>
        </Tabs.List>
        <Tabs.Panel value="away">
          <OneFretAway state={state} />
        </Tabs.Panel>
        <Tabs.Panel value="names">
          <Names state={state} />
        </Tabs.Panel>
        <Tabs.Panel value="elsewhere">
          <Elsewhere state={state} />
        </Tabs.Panel>
      </Tabs>
    </section>
  )
})
