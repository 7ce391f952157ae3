/** "Is it …?": a verdict on a typed name for a shape, and what would mend it. */
import { useStore } from '@nanostores/react'
import { type Chord, readSymbol, writeSymbol } from '@nestling/core/chord'
import { checkClaim } from '@nestling/core/name'
import type { Neck } from '@nestling/core/neck'
import { type NamingSystem, writeNote } from '@nestling/core/pitch'
import type { Frets } from '@nestling/core/voicing'
import { useState } from 'react'
import { $session } from '../state/session.ts'
import { degreeName, degreeSign } from '../words/degrees.ts'
import { messageOf } from '../words/errors.ts'
import { counted } from '../words/shapes.ts'
import classes from './ClaimField.module.css'
import { leavesOn } from './leaving.ts'
import { Rest } from './Rest.tsx'

export interface ClaimFieldProps {
  readonly id: string
  readonly frets: Frets | undefined
  readonly neck: Neck
  readonly naming: readonly NamingSystem[]
  /** Moves a string's tone so that the name becomes true; without it the mend is only told. */
  readonly mend?: ((string: number, fret: number) => void) | undefined
  /** Takes the name; without it it is only judged. */
  readonly callIt?: ((chord: Chord) => void) | undefined
}

export function ClaimField({ id, frets, neck, naming, mend, callIt }: ClaimFieldProps) {
  const [text, setText] = useState('')
  const { settings } = useStore($session)
  const chord = text.trim() === '' ? undefined : readSymbol(text, naming)
  const claim = chord?.ok && frets ? checkClaim(chord.value, frets, neck) : undefined
  const strings = neck.open.length
  const call = chord?.ok && callIt && (
    <button type="button" className={classes['link']} onClick={() => callIt(chord.value)}>
      Call it so
    </button>
  )
  return (
    <div className={classes['claim']} data-not-on-paper>
      <input
        id={id}
        className="plain-field"
        aria-label="Is it …?"
        placeholder="a chord you have in mind"
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => {
          leavesOn(event)
        }}
        aria-invalid={chord?.ok === false}
        spellCheck={false}
        autoComplete="off"
        maxLength={60}
      />
      <Rest />
      <div role="status" data-testid="verdict" data-verdict={claim?.verdict}>
        {chord?.ok === false && <p>{messageOf(chord.error)}</p>}
        {claim?.verdict === 'right' && <p>Yes, and complete. {call}</p>}
        {claim?.verdict === 'incomplete' && (
          <p>
            Yes, but without{' '}
            {claim.missing.map((degree) => (degree === 'R' ? 'the root' : degreeSign(degree))).join(' and ')}
            {claim.justAsWell.length > 0
              ? `; so it is just as well ${claim.justAsWell.map((other) => writeSymbol(other, { naming: settings.naming, school: settings.symbols })).join(' or ')}`
              : ''}
            . {call}
          </p>
        )}
        {claim?.verdict === 'wrong' &&
          claim.wrong.map((wrong) => {
            const words =
              wrong.mend &&
              `${counted(Math.abs(wrong.mend.by), 'fret')} ${wrong.mend.by > 0 ? 'up' : 'down'} to ${writeNote(wrong.mend.note, settings.naming)}, the ${degreeName(wrong.mend.degree)}`
            const fret = wrong.mend?.fret
            return (
              <p key={wrong.string}>
                No: string {strings - wrong.string} plays {writeNote(wrong.note, settings.naming)}
                {wrong.fault === 'bass'
                  ? ', and another tone is claimed to be lowest'
                  : ` (${degreeSign(wrong.degree)})`}
                .{' '}
                {words === undefined || fret === undefined ? (
                  'No tone of it lies near on this string.'
                ) : mend ? (
                  <button type="button" className={classes['link']} onClick={() => mend(wrong.string, fret)}>
                    {words}
                  </button>
                ) : (
                  `It would be ${words}.`
                )}
              </p>
            )
          })}
      </div>
    </div>
  )
}
