/** What may stand in: windows on the stack of thirds. What comes is ringed, what goes is dashed; a press puts it in the lane. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { chordScale, type StandInKind, stackAround, standIns, writeStep } from '@nestling/core/key'
import { pitchClassOf, spellDegree, writeNote } from '@nestling/core/pitch'
import { memo } from 'react'
import { useOneStop } from '../../../controls/useOneStop.ts'
import { Egg } from '../../../neck/Egg.tsx'
import { $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { isLong, STAND_IN_WORDS } from '../../../words/lane.ts'
import type { KeyState } from '../useKey.ts'
import classes from './Beside.module.css'

const COLUMN = 31
const LEFT = 12

export const StandIns = memo(function StandIns({ state }: { readonly state: KeyState }) {
  const { settings } = useStore($session)
  const stop = useOneStop<HTMLUListElement>()
  const { answer, plan, change } = state
  const { key, depth } = answer.plan
  const step = answer.steps[answer.plan.step - 1]
  if (!step) return null
  const stack = stackAround(key, step.step)
  const all = standIns(key, step.step, depth)
  const standing = (plan.standing ?? []).filter((one) => one.step !== step.step)
  const now = (answer.plan.standing ?? []).find((one) => one.step === step.step)?.kind
  const stand = (kind: StandInKind) =>
    change({
      standing: kind === now ? standing : [...standing, { step: step.step, kind }].toSorted((a, b) => a.step - b.step),
    })
  const ownChord = chordScale(key, depth)[step.step - 1]?.chord
  const name = (notes: readonly string[]) =>
    notes.map((note) => writeNote(note as Parameters<typeof writeNote>[0], settings.naming)).join(' ')
  const width = LEFT * 2 + COLUMN * (stack.length - 1)
  return (
    <section aria-label="May stand in" className={classes['section']}>
      <h2 className={classes['head']}>
        {now === undefined ? 'May stand in' : `Stands in for ${writeStep(ownChord ?? step.chord, key, plan.numbers)}`}
        <svg viewBox={`0 0 ${width} 14`} width={width} height={14} aria-hidden="true">
          <text y={11} className={classes['letter']}>
            {stack.map((note, index) => (
              <tspan key={index} x={LEFT + index * COLUMN}>
                {writeNote(note, settings.naming)}
              </tspan>
            ))}
          </text>
        </svg>
      </h2>
      <ul className={classes['list']} {...stop}>
        {/* Filled anew from key to key: nothing here has a state of its own. */}
        {all.map(({ kind, chord, stays, comes, goes }, index) => {
          const symbol = writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
          const at = (note: string) => stack.findIndex((one) => pitchClassOf(one) === pitchClassOf(note as typeof one))
          const tones = chord.formula.flatMap((degree) => {
            const note = spellDegree(chord.root, degree)
            return note === undefined || at(note) < 0 ? [] : [{ degree, note, column: at(note) }]
          })
          const columns = tones.map(({ column }) => column)
          return (
            <li key={index}>
              <button
                type="button"
                aria-pressed={kind === now}
                aria-label={`${symbol}, ${STAND_IN_WORDS[kind]}: ${name(stays)} ${stays.length === 1 ? 'stays' : 'stay'}${comes.length > 0 ? `, ${name(comes)} ${comes.length === 1 ? 'comes' : 'come'}` : ''}${goes.length > 0 ? `, ${name(goes)} ${goes.length === 1 ? 'goes' : 'go'}` : ''}${kind === now ? '; stands in the lane' : '; put it in the lane'}`}
                title={`${STAND_IN_WORDS[kind]}: ${kind === now ? 'give the step its own chord again' : 'put it in the lane'}`}
                data-testid="stand-in"
                onClick={() => stand(kind)}
              >
                <b data-long={isLong(symbol) || undefined}>{symbol}</b>
                <svg viewBox={`0 -2 ${width} 24`} width={width} height={24} aria-hidden="true">
                  {columns.length > 1 && (
                    <path
                      d={`M${LEFT + Math.min(...columns) * COLUMN} 10H${LEFT + Math.max(...columns) * COLUMN}`}
                      className={classes['thread']}
                    />
                  )}
                  {goes.map((note, place) =>
                    at(note) < 0 ? null : (
                      <ellipse
                        key={place}
                        cx={LEFT + at(note) * COLUMN}
                        cy={10}
                        rx={6}
                        ry={4.5}
                        className={classes['gone']}
                      />
                    ),
                  )}
                  {tones.map(({ degree, note, column }, place) => (
                    <Egg
                      key={place}
                      x={LEFT + column * COLUMN}
                      y={10}
                      size={9}
                      degree={degree}
                      label={degreeSign(degree)}
                      moved={comes.includes(note)}
                    />
                  ))}
                </svg>
              </button>
              <button
                type="button"
                className={classes['write']}
                aria-label={`Write ${symbol} in numbers`}
                title="Write it in numbers"
                onClick={() => change({ written: [...plan.written, chord] })}
              >
                +
              </button>
            </li>
          )
        })}
      </ul>
    </section>
  )
})
