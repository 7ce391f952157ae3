/** Where it leads: for every other step, which of this chord's tones stay, how the others move, and how far the hand goes. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { leastMoves, writeStep } from '@nestling/core/key'
import { stringNumber } from '@nestling/core/neck'
import { centreOf } from '@nestling/core/voicing'
import { memo } from 'react'
import { useOneStop } from '../../../controls/useOneStop.ts'
import { Egg } from '../../../neck/Egg.tsx'
import { $session } from '../../../state/session.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { isLong } from '../../../words/lane.ts'
import { counted } from '../../../words/shapes.ts'
import { turnsGoing } from '../toScore.ts'
import type { KeyState } from '../useKey.ts'
import classes from './Beside.module.css'

/** A tone with its move, in px: the more tones a chord has, the closer they stand. */
const columnOf = (tones: number): number => (tones < 5 ? 37 : tones === 5 ? 33 : 28)

export const FromHere = memo(function FromHere({ state }: { readonly state: KeyState }) {
  const { settings } = useStore($session)
  const stop = useOneStop<HTMLUListElement>()
  const { answer, chosen, plan, change } = state
  const { key } = answer.plan
  const own = answer.steps[answer.plan.step - 1]
  if (!own) return null
  const places = answer.lanes.flatMap((_, lane) => turnsGoing({ ...answer, plan: { ...answer.plan, lane } }, 'up'))
  return (
    <section aria-label="From here" className={classes['section']}>
      <h2 className={classes['head']}>
        From here
        <span>
          <u>stays</u> · moves by · hand
        </span>
      </h2>
      <ul className={classes['list']} {...stop}>
        {answer.steps
          .filter(({ step }) => step !== own.step)
          .map(({ step, chord }) => {
            const moves = leastMoves(own.chord, chord)
            const symbol = writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
            const there = places
              .filter((turn) => turn.step === step)
              .map((turn) => ({ turn, by: chosen ? Math.round(centreOf(turn.frets) - centreOf(chosen.frets)) : 0 }))
              .toSorted((a, b) => Math.abs(a.by) - Math.abs(b.by))[0]
            const string = there && answer.lanes[there.turn.lane]?.steps[step - 1]?.string
            const hand = there
              ? `${string === undefined ? '' : `on ${stringNumber(string, answer.neck.open.length)}, `}${there.by === 0 ? 'same place' : `${there.by > 0 ? 'up' : 'down'} ${Math.abs(there.by)}`}`
              : ''
            // Beside many tones there is no room for words: the button says them.
            const shown = moves.length < 5 ? hand : moves.length === 5 ? hand.replace(/^on \d+, /, '') : ''
            const column = columnOf(moves.length)
            const told = moves.map(({ from, to, by }) =>
              by === 0
                ? `${degreeName(from)} stays as ${degreeName(to)}`
                : `${degreeName(from)} ${by > 0 ? 'up' : 'down'} ${counted(Math.abs(by), 'fret')}`,
            )
            return (
              <li key={step}>
                <button
                  type="button"
                  aria-label={`${symbol}: ${told.join(', ')}${hand === '' ? '' : `; ${hand}`}`}
                  title={shown === hand ? undefined : hand}
                  data-testid="from-here"
                  onClick={() => change({ step, ...(there ? { lane: there.turn.lane } : {}) })}
                >
                  <small>{writeStep(chord, key, plan.numbers)}</small>
                  <b data-long={isLong(symbol) || undefined}>{symbol}</b>
                  <svg
                    viewBox={`0 0 ${column * moves.length} 21`}
                    width={column * moves.length}
                    height={21}
                    aria-hidden="true"
                  >
                    {moves.map(({ to }, index) => (
                      <Egg key={index} x={11 + index * column} y={10} size={8.5} degree={to} label={degreeSign(to)} />
                    ))}
                    <path
                      d={moves.map(({ by }, index) => (by === 0 ? `M${4 + index * column} 20h14` : '')).join('')}
                      className={classes['stays']}
                    />
                    <text y={14} className={classes['by']}>
                      {moves.map(({ by }, index) =>
                        by === 0 ? null : (
                          <tspan key={index} x={21 + index * column}>
                            {by > 0 ? `+${by}` : `−${-by}`}
                          </tspan>
                        ),
                      )}
                    </text>
                  </svg>
                  {shown !== '' && <span data-short={moves.length === 5 || undefined}>{shown}</span>}
                </button>
              </li>
            )
          })}
      </ul>
    </section>
  )
})
