/** The cell in hand: where the hand looks from, the open form behind it, the same shape in every key. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { inAllKeys } from '@nestling/core/map'
import { landmarksOf, openFormOf } from '@nestling/core/near'
import { ghostTones } from '@nestling/core/voicing'
import { $session } from '../../state/session.ts'
import { degreeSign } from '../../words/degrees.ts'
import { verdictWords } from '../../words/hand.ts'
import { counted, fretsWord } from '../../words/shapes.ts'
import type { Selected } from './MapTable.tsx'
import classes from './MapView.module.css'
import type { FoundMap } from './useMap.ts'

export function CellDetail({ found, selected }: { readonly found: FoundMap; readonly selected: Selected }) {
  const { settings } = useStore($session)
  const cell = found.changed[selected.row]?.[selected.column]
  if (cell?.kind !== 'shape')
    return (
      <section aria-label="This place">
        <h2>This place</h2>
        <p className={classes['aside']}>Take a cell of the sheet to see its landmarks and its keys.</p>
      </section>
    )
  const { neck } = found
  const { voicing, verdict } = cell
  const style = { naming: settings.naming, school: settings.symbols }
  const landmarks = landmarksOf(voicing, neck)
  const form = openFormOf(voicing, neck)
  const ghost = ghostTones(voicing, neck).find(({ degree }) => degree === 'R')
  const strings = neck.open.length
  const keys = inAllKeys(voicing, neck)
  return (
    <section aria-label="This place">
      <h2>
        {writeSymbol(voicing.chord, style)} <span>{fretsWord(voicing.frets)}</span>
      </h2>
      <p className={classes['aside']}>
        {voicing.arrangement.degrees.map(degreeSign).join(' ')} · {Math.round(verdict.mm)} mm, {verdictWords(verdict)}
      </p>
      <dl className={classes['facts']} data-testid="landmarks">
        <dt>Roots near</dt>
        <dd>
          {landmarks.map(({ string, fret }) => `string ${string} ${fret === 0 ? 'open' : `fret ${fret}`}`).join(' · ')}
        </dd>
        {ghost && (
          <>
            <dt>Hidden root</dt>
            <dd>
              string {strings - ghost.string}, fret {ghost.fret}
            </dd>
          </>
        )}
        <dt>Open form</dt>
        <dd>
          {form
            ? form.fret === 0
              ? `the open ${form.name} chord itself`
              : `${form.name}, moved up ${counted(form.fret, 'fret')}`
            : 'told in standard tuning only'}
        </dd>
        <dt>In all keys</dt>
        <dd className={classes['keys']}>
          {keys.map(({ chord, frets }) => (
            <span key={chord.root}>
              <b>{writeSymbol(chord, style)}</b> {fretsWord(frets)}
            </span>
          ))}
          {keys.length === 0 && 'an open string can’t be moved'}
        </dd>
      </dl>
    </section>
  )
}
