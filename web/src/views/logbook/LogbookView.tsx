/** Logbook: what weeks of practice say. Where the hand is at home, minutes and rest, what is due, what asks for more. */
import { memo, useEffect } from 'react'
import { Frame } from '../../shell/Frame.tsx'
import { Shell } from '../../shell/Shell.tsx'
import type { PageData } from '../../state/page.ts'
import { Acts, logKeys } from './Acts.tsx'
import type { Params } from './address.ts'
import { Beside } from './Beside.tsx'
import { Home } from './Home.tsx'
import classes from './LogbookView.module.css'
import { LogSentence } from './LogSentence.tsx'
import { useLogbook } from './useLogbook.ts'
import { loadCharts, Weeks } from './Weeks.tsx'

export interface LogbookViewProps {
  readonly params: Params
  readonly page: PageData
}

const NO_ACTS = {}

export default function LogbookView(props: LogbookViewProps) {
  return (
    <Shell view="Logbook" page={props.page} fixed>
      <Bench params={props.params} />
    </Shell>
  )
}

const Bench = memo(function Bench({ params }: { readonly params: Params }) {
  const state = useLogbook(params)
  const { log, problem, isBusy } = state
  useEffect(loadCharts, [])
  return (
    <Frame heading="Logbook" acts={NO_ACTS} keys={logKeys(state)}>
      <LogSentence state={state}>
        <Acts state={state} />
      </LogSentence>
      {problem !== undefined && (
        <p role="alert" className={classes['problem']}>
          {problem}{' '}
          <button type="button" onClick={state.reload}>
            Try again
          </button>
        </p>
      )}
      <div className={classes['below']} aria-busy={isBusy}>
        <div className={classes['main']}>
          {log === undefined ? (
            problem === undefined && (
              <p className={classes['empty']} role="status">
                Counting…
              </p>
            )
          ) : (
            <>
              <Home state={state} log={log} />
              {log.total > 0 && <Weeks state={state} log={log} />}
            </>
          )}
        </div>
        <aside data-not-on-paper className={classes['side']}>
          {log && <Beside state={state} log={log} />}
        </aside>
      </div>
    </Frame>
  )
})
