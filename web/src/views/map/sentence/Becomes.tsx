/** What the chord can become: the darkening thread of its kind, and the tones that can join it. */

import { useStore } from '@nanostores/react'
import { type Formula, formulaKey, respellRoot, writeSymbol } from '@nestling/core/chord'
import { joiningTones, joiningWays, type MapChange } from '@nestling/core/map'
import { kindredOf } from '@nestling/core/near'
import type { Question } from '@nestling/core/request'
import { requireAt } from '@nestling/core/result'
import { Fragment, memo, useDeferredValue, useMemo } from 'react'
import { Fall, SmallEgg } from '../../../neck/Thread.tsx'
import strands from '../../../neck/thread.module.css'
import { $session } from '../../../state/session.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { type AskedMap, UNCHANGED } from '../address.ts'
import type { MapState } from '../useMap.ts'
import classes from './MapSentence.module.css'

export interface BecomesProps extends Pick<AskedMap, 'change'>, Pick<Question, 'chord' | 'arrangement'> {
  readonly step: MapState['step']
}

/** Many names: they follow a chord that is typed when there is time. */
export function Becomes({ chord, arrangement, change, step }: BecomesProps) {
  const asked = useDeferredValue(useMemo(() => ({ chord, arrangement, change }), [chord, arrangement, change]))
  return <Row {...asked} step={step} />
}

const Row = memo(function Row({ chord, arrangement, change, step }: BecomesProps) {
  const { settings } = useStore($session)
  const { root, formula } = chord
  const { thread, apart } = kindredOf(formula)
  const ways = joiningWays(formula, arrangement)
  const way = change.kind === 'extend' ? change.way : ways[0]
  const now = change.kind === 'morph' ? change.formula : change.kind === 'none' ? formula : undefined
  const take = (next: MapChange) => step({ change: next })
  const chip = (one: Formula) => (
    <button
      type="button"
      className={strands['chip']}
      aria-pressed={now !== undefined && formulaKey(now) === formulaKey(one)}
      onClick={() => take(formulaKey(one) === formulaKey(formula) ? UNCHANGED : { kind: 'morph', formula: one })}
    >
      {writeSymbol(
        { root: respellRoot(root, one), formula: one },
        { naming: settings.naming, school: settings.symbols },
      )}
    </button>
  )
  const tones = joiningTones(formula)
  return (
    <div className={classes['becomes']}>
      {thread.length > 1 && (
        <div className={strands['thread']} role="group" aria-label="Becomes, from bright to dark">
          <em>becomes</em>
          {thread.map((one, index) => (
            <Fragment key={formulaKey(one)}>
              {index > 0 && <Fall from={requireAt(thread, index - 1)} to={one} />}
              {chip(one)}
            </Fragment>
          ))}
        </div>
      )}
      {tones.length > 0 && way !== undefined && (
        <div className={strands['thread']} role="group" aria-label="A tone joins">
          {tones.map((extension) => (
            <button
              key={extension}
              type="button"
              className={classes['tone']}
              aria-pressed={change.kind === 'extend' && change.extension === extension}
              aria-label={`With the ${degreeName(extension)}`}
              onClick={() =>
                take(
                  change.kind === 'extend' && change.extension === extension
                    ? UNCHANGED
                    : { kind: 'extend', extension, way },
                )
              }
            >
              <SmallEgg degree={extension} label={degreeSign(extension)} />
            </button>
          ))}
        </div>
      )}
      {apart.length > 0 && (
        <div className={strands['thread']} role="group" aria-label="Of the same frame">
          {apart.map((one) => (
            <Fragment key={formulaKey(one)}>{chip(one)}</Fragment>
          ))}
        </div>
      )}
    </div>
  )
})
