/**
 * Parts of a page that load when they are first needed. What can't be loaded takes nothing else with it: the page stays, one
 * sentence says what is missing and why, and there is a way on.
 */
import { type ComponentType, lazy, type ReactNode, Suspense, useEffect, useMemo, useState } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { loaded } from '../state/loadedLater.ts'
import { type WhyMissing, whyMissing } from '../state/served.ts'
import classes from './Stopped.module.css'

export interface LaterOptions<Props> {
  /** What it is called where it is missing: "The list of keys". */
  readonly what: string
  /** Stands there while it loads. */
  readonly meanwhile?: ReactNode
  /** Stands there instead, where the part is not needed for the work to go on. */
  readonly instead?: ComponentType<Props>
}

/** @param load `() => import('…')`, whose default is the part. */
export function later<Props extends object>(
  load: () => Promise<{ readonly default: ComponentType<Props> }>,
  { what, meanwhile, instead: Instead }: LaterOptions<Props>,
): ComponentType<Props> {
  return function Later(props: Props) {
    const [attempt, setAttempt] = useState(0)
    // Another one for every attempt: React remembers for good that a part did not come.
    const Part = useMemo(() => lazy(() => loaded(load)), [attempt])
    return (
      <ErrorBoundary
        resetKeys={[attempt]}
        fallbackRender={() =>
          Instead ? <Instead {...props} /> : <Missing what={what} again={() => setAttempt((before) => before + 1)} />
        }
      >
        <Suspense fallback={meanwhile}>
          <Part {...props} />
        </Suspense>
      </ErrorBoundary>
    )
  }
}

export const WHY_MISSING: Readonly<Record<WhyMissing, string>> = {
  away: 'The server does not answer. All else on this page works on; try again when it runs.',
  renewed: 'Nestling was renewed on the server. A reload brings it; what is asked here stays.',
}

function Missing({ what, again }: { readonly what: string; readonly again: () => void }) {
  const [why, setWhy] = useState<WhyMissing | undefined>(undefined)
  useEffect(() => {
    let isHere = true
    void whyMissing().then((known) => isHere && setWhy(known))
    return () => {
      isHere = false
    }
  }, [])
  return (
    <p role="alert" className={classes['stopped']} data-testid="missing">
      {what} could not be loaded. {why && WHY_MISSING[why]}{' '}
      <button type="button" onClick={again}>
        Try again
      </button>
      {why === 'renewed' && (
        <>
          {' '}
          <button type="button" onClick={() => window.location.reload()}>
            Reload
          </button>
        </>
      )}
    </p>
  )
}
