/** The weeks: a shape's tempo over time, and minutes with rest on the same days; each as a table as well. */
import { useStore } from '@nanostores/react'
import { writeNote } from '@nestling/core/pitch'
import { middleOf } from '@nestling/core/practice'
import type { LogSummary } from '../../contracts/practice.ts'
import { Heads } from '../../controls/Heads.tsx'
import { later } from '../../controls/later.tsx'
import { $session } from '../../state/session.ts'
import { longDay, shortDay, weekdayWords } from '../../words/days.ts'
import { counted } from '../../words/shapes.ts'
import { rowWords } from './Home.tsx'
import { rootName } from './roots.ts'
import type { LogState } from './useLogbook.ts'
import classes from './Weeks.module.css'

/** The charts' library comes by itself, while the entries are counted. */
const charts = () => import('./Charts.tsx')
const Charts = later(charts, { what: 'The charts', meanwhile: <div className={classes['waiting']} /> })
/** What does not come is told where it would stand. */
export const loadCharts = (): void => void charts().catch(() => undefined)

const minutesOf = (seconds: number): number => Math.round(seconds / 6) / 10

export function Weeks({ state, log }: { readonly state: LogState; readonly log: LogSummary }) {
  const { settings } = useStore($session)
  const row = log.rows.find(({ key }) => key === log.row)
  const { days } = log
  const rest = days.filter(({ seconds }) => seconds === 0).length
  const middles = log.tempo.flatMap(({ middle }) => middle ?? [])
  const root = writeNote(rootName(log.root), settings.naming)
  return (
    <section aria-label="Over time" className={classes['weeks']}>
      <div className={classes['head']}>
        <h2>Over time</h2>
        <p>
          {row && (
            <>
              <b>{rowWords(row)}</b>: middle of its roots
              {middles.length > 0 && `, ${Math.round(middleOf(middles.slice(-3)))} lately`}; <b>{root}</b> dashed.{' '}
            </>
          )}
          Below: minutes, and <b>{counted(rest, 'day')} of rest</b>
        </p>
      </div>
      {state.asTables ? (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by the keyboard
        <div className={classes['tables']} role="group" aria-label="Charts as tables" tabIndex={0}>
          <table data-testid="tempo-table">
            <caption>Tempo over time</caption>
            <Heads of={['Day', 'Middle of its roots', root]} />
            <tbody>
              {log.tempo.map(({ day, middle, onRoot }) => (
                <tr key={day}>
                  <th scope="row">{longDay(day)}</th>
                  <td>{middle ?? 'not clean'}</td>
                  <td>{onRoot ?? '–'}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <table data-testid="days-table">
            <caption>Minutes and rest</caption>
            <Heads of={['Day', 'Minutes', 'Roots', 'Cards']} />
            <tbody>
              {days.map(({ day, seconds, runs, cards }) => (
                <tr key={day}>
                  <th scope="row">
                    {weekdayWords(day)} {shortDay(day)}
                  </th>
                  {seconds === 0 ? (
                    <td colSpan={3}>rest</td>
                  ) : (
                    <>
                      <td>{minutesOf(seconds)}</td>
                      <td>{runs}</td>
                      <td>{cards}</td>
                    </>
                  )}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : (
        <Charts days={days} tempo={log.tempo} wished={settings.wishedTempo} brush={state.brush} />
      )}
    </section>
  )
}
