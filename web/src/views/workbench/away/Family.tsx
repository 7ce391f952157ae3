/** The darkening thread of the family, between two chords the one tone that falls; and the tones that can join. */

import { useStore } from '@nanostores/react'
import { type Chord, formulaKey, writeSymbol } from '@nestling/core/chord'
import { familyRow, shellShape, waysToExtend } from '@nestling/core/near'
import { instrumentFor } from '@nestling/core/request'
import { requireAt } from '@nestling/core/result'
import type { Voicing } from '@nestling/core/voicing'
import { Fragment, memo, useMemo } from 'react'
import { Fall, SmallEgg } from '../../../neck/Thread.tsx'
import strands from '../../../neck/thread.module.css'
import { $session } from '../../../state/session.ts'
import { addToTray } from '../../../state/tray.ts'
import { neckIn, voicingInHand, type WorkbenchState } from '../../../state/workbench/index.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { fretsWord } from '../../../words/shapes.ts'
import classes from './Away.module.css'
import { Candidate } from './Candidate.tsx'

export function Family({ state }: { readonly state: WorkbenchState }) {
  const voicing = useMemo(() => voicingInHand(state), [state])
  return voicing && <FamilyOf state={state} voicing={voicing} />
}

const FamilyOf = memo(function FamilyOf({
  state,
  voicing,
}: {
  readonly state: WorkbenchState
  readonly voicing: Voicing
}) {
  const { settings } = useStore($session)
  const { question, player } = state
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const family = useMemo(() => familyRow(voicing, neck), [voicing, neck])
  const shell = useMemo(() => shellShape(voicing, neck), [voicing, neck])
  const joins = useMemo(() => waysToExtend(voicing, neck), [voicing, neck])
  const symbolOf = (chord: Chord) => writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  const isSixth = ({ chord }: Voicing) => chord.formula.includes('6')
  const thread = family.filter((one) => !isSixth(one))
  const apart = family.filter(isSixth)
  const nowWord = fretsWord(voicing.frets)
  const chip = (other: Voicing) => (
    <Candidate
      voicing={other}
      className={strands['chip']}
      label={`${symbolOf(other.chord)}, ${fretsWord(other.frets)}`}
      now={fretsWord(other.frets) === nowWord && formulaKey(other.chord.formula) === formulaKey(voicing.chord.formula)}
    >
      {symbolOf(other.chord)}
    </Candidate>
  )
  return (
    <>
      {thread.length > 1 && (
        <div className={strands['thread']} role="group" aria-label="Family, from bright to dark">
          <em>darker</em>
          {thread.map((other, index) => (
            <Fragment key={formulaKey(other.chord.formula)}>
              {index > 0 && <Fall from={requireAt(thread, index - 1).chord.formula} to={other.chord.formula} />}
              {chip(other)}
            </Fragment>
          ))}
          <button
            type="button"
            className={classes['row']}
            onClick={() => {
              const { tuning } = instrumentFor(question, player)
              void addToTray(thread.map(({ chord, frets }) => ({ chord, frets, tuning })))
            }}
          >
            add row to tray
          </button>
        </div>
      )}
      {(joins.length > 0 || apart.length > 0 || shell) && (
        <div className={strands['thread']} role="group" aria-label="One tone more">
          <em>one more</em>
          <Joins joins={joins} way="fifth-gives-way" words="fifth becomes" symbolOf={symbolOf} />
          <Joins joins={joins} way="root-moves" words="root becomes" symbolOf={symbolOf} />
          {(apart.length > 0 || shell) && <span>or</span>}
          {apart.map((other) => (
            <Fragment key={formulaKey(other.chord.formula)}>{chip(other)}</Fragment>
          ))}
          {shell && (
            <Candidate
              voicing={shell}
              className={strands['chip']}
              label={`Shell: root, third and seventh only, ${fretsWord(shell.frets)}`}
            >
              shell
            </Candidate>
          )}
        </div>
      )}
    </>
  )
})

function Joins({
  joins,
  way,
  words,
  symbolOf,
}: {
  readonly joins: ReturnType<typeof waysToExtend>
  readonly way: 'root-moves' | 'fifth-gives-way'
  readonly words: string
  readonly symbolOf: (chord: Chord) => string
}) {
  const these = joins.filter((join) => join.way === way)
  if (these.length === 0) return null
  return (
    <>
      <span>{words}</span>
      {these.map(({ extension, change, rubs }) => {
        const symbol = symbolOf(change.voicing.chord)
        const rub = rubs.length === 0 ? '' : `, rubs with the ${rubs.map(degreeSign).join(' and ')}`
        return (
          <Candidate
            key={extension}
            voicing={change.voicing}
            className={strands['join']}
            label={`${degreeSign(extension)}: ${symbol}, ${fretsWord(change.voicing.frets)}${rub}`}
            title={`${symbol}${rub}`}
          >
            <SmallEgg degree={extension} label={degreeSign(extension)} />
            {rubs.length > 0 && <sup>!</sup>}
          </Candidate>
        )
      })}
    </>
  )
}
