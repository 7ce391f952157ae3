/** The cheat sheet of a key: every step's formula as triad, seventh and ninth, and the lanes' shapes. Printed by itself. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { chordScale, writeKey, writeStep } from '@nestling/core/key'
import { withSigns } from '@nestling/core/pitch'
import { useFocusBack } from '../../controls/useFocusBack.ts'
import { SmallNeck } from '../../neck/SmallNeck.tsx'
import { $session } from '../../state/session.ts'
import { askWords, FUNCTION_WORDS } from '../../words/lane.ts'
import { fretsWord } from '../../words/shapes.ts'
import classes from './CheatSheet.module.css'
import type { KeyState } from './useKey.ts'

const DEPTHS_TOLD = ['triads', 'sevenths', 'ninths'] as const

export function CheatSheet({ state, close }: { readonly state: KeyState; readonly close: () => void }) {
  const { settings } = useStore($session)
  useFocusBack()
  const { answer, plan } = state
  const { key, school } = answer.plan
  const symbolOf = (chord: Parameters<typeof writeSymbol>[0]) =>
    writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  const columns = DEPTHS_TOLD.map((depth) => chordScale(key, depth, school))
  const strings = answer.neck.open.length
  return (
    <section aria-label="Cheat sheet" className={classes['sheet']}>
      <h2>
        {writeKey(key, { naming: settings.naming })}
        <span className={classes['acts']}>
          <button type="button" onClick={() => window.print()}>
            Print
          </button>
          <button type="button" onClick={close}>
            back to the lanes
          </button>
        </span>
      </h2>
      <table aria-label="Formulas of every step">
        <thead>
          <tr>
            <th scope="col">step</th>
            {DEPTHS_TOLD.map((depth) => (
              <th key={depth} scope="col">
                {depth}
              </th>
            ))}
            {answer.lanes.map(({ ask }) => (
              <th key={askWords(ask, strings)} scope="col">
                {askWords(ask, strings)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {answer.steps.map(({ step, chord, function: of }, index) => (
            <tr key={step}>
              <th scope="row">
                {writeStep(chord, key, plan.numbers)} <small>{FUNCTION_WORDS[of]}</small>
              </th>
              {columns.map((steps, column) => {
                const one = steps[index]
                return (
                  <td key={DEPTHS_TOLD[column]}>
                    {one && (
                      <>
                        <b>{symbolOf(one.chord)}</b> <small>{one.chord.formula.map(withSigns).join(' ')}</small>
                      </>
                    )}
                  </td>
                )
              })}
              {answer.lanes.map((lane) => {
                const standing = lane.steps[index]
                const shape = standing?.shape ?? standing?.instead?.shape
                return (
                  <td key={askWords(lane.ask, strings)} className={classes['shape']}>
                    {shape ? (
                      <>
                        <SmallNeck frets={shape.frets} degrees={shape.degrees} width={112} row={6.5} />
                        <small>{fretsWord(shape.frets)}</small>
                      </>
                    ) : (
                      '–'
                    )}
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
