/** The roots of the round: how each went, which sounds, which are to come. Pressed, the run goes on from there. */
import { useStore } from '@nanostores/react'
import { writeNote } from '@nestling/core/pitch'
import type { LogGrade } from '@nestling/core/practice'
import type { ReactNode } from 'react'
import { useOneStop } from '../../../controls/useOneStop.ts'
import { $session } from '../../../state/session.ts'
import { GRADE_WORDS } from '../../../words/practice.ts'
import type { RunState } from '../useRun.ts'
import classes from './Roots.module.css'

const ORDER: readonly LogGrade[] = ['had', 'easy', 'hard', 'lost', 'played']

export function Roots({ state, note }: { readonly state: RunState; readonly note: ReactNode }) {
  const { settings } = useStore($session)
  const { steps, round, at, status, goTo } = state
  const results = round.results.some((result) => result !== undefined) ? round.results : (round.before ?? round.results)
  const isLast = results !== round.results
  const told = ORDER.flatMap((grade) => {
    const count = results.filter((result) => result?.grade === grade).length
    return count > 0 ? [`${GRADE_WORDS[grade]} ${count}`] : []
  })
  const toCome = round.results.filter((result) => result === undefined).length - (status === 'running' ? 1 : 0)
  const stop = useOneStop<HTMLOListElement>()
  return (
    <div className={classes['line']}>
      <ol {...stop} className={classes['roots']} aria-label="Roots of the round">
        {steps.map((step, index) => {
          const grade = results[index]?.grade
          const words = `${writeNote(step.chord.root, settings.naming)}: ${
            index === at && status === 'running'
              ? 'now'
              : grade
                ? GRADE_WORDS[grade]
                : step.shape
                  ? 'to come'
                  : 'no shape of it lies on these strings'
          }`
          return (
            <li key={index}>
              <button
                type="button"
                className={classes['root']}
                aria-label={words}
                title={words}
                aria-current={index === at || undefined}
                data-grade={grade}
                disabled={!step.shape}
                onClick={() => goTo(index)}
              >
                <span>{writeNote(step.chord.root, settings.naming)}</span>
                <Sign grade={grade} isNow={index === at} />
              </button>
            </li>
          )
        })}
      </ol>
      <p className={classes['told']} data-testid="round-told">
        {told.length > 0 && `${isLast ? 'last round: ' : ''}${told.join(' · ')}`}
        <br />
        {toCome > 0 && !isLast && `${toCome} ${toCome === 1 ? 'root' : 'roots'} to come`}
      </p>
      <p className={classes['note']}>{note}</p>
    </div>
  )
}

/** Full: had it; with a ring: easy; half: hard; hollow: lost; dashed: to come; a dot: played, not graded. */
function Sign({ grade, isNow }: { readonly grade: LogGrade | undefined; readonly isNow: boolean }) {
  const shape = { cx: 20, cy: 13, transform: 'rotate(-14 20 13)' }
  return (
    <svg viewBox="0 0 40 26" width="40" height="26" aria-hidden="true">
      {grade === 'easy' && <ellipse {...shape} rx={12.5} ry={9.6} className={classes['ring']} />}
      {isNow && <ellipse {...shape} rx={14} ry={11} className={classes['nowRing']} />}
      <ellipse {...shape} rx={9.5} ry={7.2} className={classes['sign']} data-grade={grade ?? 'none'} />
      {grade === 'hard' && <path d="M10.8 15.3A9.5 7.2 -14 0 0 29.2 10.7z" className={classes['half']} />}
      {grade === 'played' && <circle cx={20} cy={13} r={2.4} className={classes['half']} />}
    </svg>
  )
}
