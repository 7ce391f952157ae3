/** Every name of the shape with what it leaves out; what it becomes over a bass; whether a typed name is right. */
import { NativeSelect, TextInput } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { checkClaim, namesOf, namesOverBasses, type ShapeName } from '@nestling/core/name'
import { pitchClassOf, writeNote } from '@nestling/core/pitch'
import { useMemo, useState } from 'react'
import { $session } from '../../../state/session.ts'
import { neckIn, setString, type WorkbenchState } from '../../../state/workbench/index.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { messageOf } from '../../../words/errors.ts'
import { counted } from '../../../words/shapes.ts'
import { hearOverBass } from '../hear.ts'
import classes from './Around.module.css'

const MOST_NAMES = 12

export function Names({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const [bass, setBass] = useState('')
  const { question, player, frets } = state
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const over = useMemo(
    () => (frets ? namesOverBasses(frets, neck, { near: question.chord }) : []),
    [frets, neck, question.chord],
  )
  const below = over.find((name) => name.bass === bass)
  const names = useMemo(
    () => (frets ? namesOf(frets, neck, { near: question.chord, bass: below?.bass }) : []),
    [frets, neck, question.chord, below],
  )
  const symbolOf = (name: ShapeName) => writeSymbol(name.chord, { naming: settings.naming, school: settings.symbols })
  if (names.length === 0)
    return <p className={classes['aside']}>One tone alone has no name. Press another place on the neck.</p>
  return (
    <>
      <Claim state={state} />
      <NativeSelect
        size="xs"
        label="Over a bass"
        value={below ? bass : ''}
        onChange={(event) => {
          const chosen = event.currentTarget.value
          setBass(chosen)
          const name = over.find((one) => one.bass === chosen)
          if (name) hearOverBass(pitchClassOf(name.bass))
        }}
        data={[
          { value: '', label: 'none: its own lowest tone' },
          ...over.map((name) => ({
            value: name.bass,
            label: `${writeNote(name.bass, settings.naming)}: ${symbolOf(name)}`,
          })),
        ]}
      />
      <ul className={classes['list']}>
        {names.slice(0, MOST_NAMES).map((name) => (
          <li
            key={`${symbolOf(name)}${name.omitted.join()}${name.role}`}
            className={classes['name']}
            data-testid="name"
          >
            <b>{symbolOf(name)}</b>
            <span>{nameWords(name)}</span>
          </li>
        ))}
      </ul>
      {names.length > MOST_NAMES && (
        <p className={classes['aside']}>
          {MOST_NAMES} of {names.length} names are listed, the likeliest first.
        </p>
      )}
    </>
  )
}

function nameWords(name: ShapeName): string {
  const where = {
    root: 'root in the bass',
    inversion:
      name.inversion === null ? '' : `${degreeName(name.degrees.find((degree) => degree !== null) ?? 'R')} in the bass`,
    foreign: 'over a bass of its own',
    rootless: 'somebody else has the root',
  }[name.role]
  const missing = name.omitted.filter((degree) => degree !== 'R').map(degreeSign)
  const symmetric = name.chord.formula.includes('bb7') ? ' · ♭♭7 sounds like 6' : ''
  return `${where}${missing.length > 0 ? ` · without ${missing.join(' ')}` : ''}${name.derived ? ' · counted from its lowest tone' : ''}${symmetric}`
}

/** "Is it …?": a verdict on a typed name, and what would mend the shape. */
function Claim({ state }: { readonly state: WorkbenchState }) {
  const [text, setText] = useState('')
  const { settings } = useStore($session)
  const { question, player, frets } = state
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const chord = text.trim() === '' ? undefined : readSymbol(text, player.naming)
  const claim = chord?.ok && frets ? checkClaim(chord.value, frets, neck) : undefined
  const strings = neck.open.length
  return (
    <div className={classes['claim']}>
      <TextInput
        size="xs"
        label="Is it …?"
        placeholder="a chord symbol"
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        error={chord && !chord.ok ? messageOf(chord.error) : undefined}
        spellCheck={false}
        autoComplete="off"
      />
      <div role="status" data-testid="verdict" data-verdict={claim?.verdict}>
        {claim?.verdict === 'right' && <p>Yes, and complete.</p>}
        {claim?.verdict === 'incomplete' && (
          <p>
            Yes, but without{' '}
            {claim.missing.map((degree) => (degree === 'R' ? 'the root' : degreeSign(degree))).join(' and ')}
            {claim.justAsWell.length > 0
              ? `; so it is just as well ${claim.justAsWell.map((other) => writeSymbol(other, { naming: settings.naming, school: settings.symbols })).join(' or ')}`
              : ''}
            .
          </p>
        )}
        {claim?.verdict === 'wrong' &&
          claim.wrong.map((wrong) => (
            <p key={wrong.string}>
              No: string {strings - wrong.string} plays {writeNote(wrong.note, settings.naming)}
              {wrong.fault === 'bass' ? ', and another tone is claimed to be lowest' : ` (${degreeSign(wrong.degree)})`}
              .{' '}
              {wrong.mend ? (
                <button
                  type="button"
                  className={classes['link']}
                  onClick={() => wrong.mend && setString(wrong.string, wrong.mend.fret)}
                >
                  {counted(Math.abs(wrong.mend.by), 'fret')} {wrong.mend.by > 0 ? 'up' : 'down'} to{' '}
                  {writeNote(wrong.mend.note, settings.naming)}, the {degreeName(wrong.mend.degree)}
                </button>
              ) : (
                'No tone of it lies near on this string.'
              )}
            </p>
          ))}
      </div>
    </div>
  )
}
