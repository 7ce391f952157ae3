/** Cards: the questions of a day, one at a time, answered by the keyboard alone. */
import { memo } from 'react'
import { Frame } from '../../shell/Frame.tsx'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { Acts } from './Acts.tsx'
import { AskedCard } from './AskedCard.tsx'
import classes from './CardsView.module.css'
import { DayList } from './DayList.tsx'
import { DaySentence } from './DaySentence.tsx'
import { cardKeys } from './keys.ts'
import { Nothing } from './Nothing.tsx'
import { useCards } from './useCards.ts'

export default function CardsView({ page }: { readonly page: PageData }) {
  return (
    <Shell view="Cards" page={page} fixed>
      <Bench />
    </Shell>
  )
}

const Bench = memo(function Bench() {
  const state = useCards()
  return (
    <Frame
      heading="Cards of the day"
      acts={{ play: state.hear, playWords: 'play it', hasEggs: false }}
      keys={cardKeys(state)}
    >
      <DaySentence state={state}>
        <Acts state={state} />
      </DaySentence>
      <div className={classes['below']} data-lets-go>
        <div className={classes['card']}>
          {state.asked && state.status !== 'rest' ? (
            <AskedCard state={state} asked={state.asked} />
          ) : (
            <Nothing state={state} />
          )}
        </div>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a long list is scrolled by the keyboard too */}
        <aside className={classes['side']} aria-label="The day’s cards" tabIndex={0}>
          <DayList state={state} />
        </aside>
      </div>
    </Frame>
  )
})
