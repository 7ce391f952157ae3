/** The finder: the chord's tones by number on every string, and where the one that is looked for would move. */
import { degreePitchClass } from '@nestling/core/pitch'
import { degreeName, degreeSign } from '../../words/degrees.ts'
import classes from './ArpeggioView.module.css'
import type { ArpeggioState } from './useArpeggio.ts'

const numberOf = (degree: Parameters<typeof degreeSign>[0]): string => (degree === 'R' ? '1' : degreeSign(degree))

/** What a tone becomes when it moves by so many frets, told by the degree above the root. */
const BECOMES = ['1', '♭9', '9', '♯9', '3', '11', '♯11', '5', '♭13', '13', '♭7', '7'] as const

export function Finder({ state }: { readonly state: ArpeggioState }) {
  const { plan, line, change } = state
  const strings = line.neck.open.length
  const { formula } = plan.chord
  return (
    <>
      <p className={classes['aside']}>
        On each string, from the nut up. Take a tone to find it everywhere, and see what it becomes when it moves.
      </p>
      <div className={classes['finds']} role="group" aria-label="Tone to find">
        {formula.map((degree) => (
          <button
            key={degree}
            type="button"
            aria-pressed={plan.find === degree}
            aria-label={`Find the ${degreeName(degree)}`}
            onClick={() => change({ find: plan.find === degree ? undefined : degree })}
          >
            {numberOf(degree)}
          </button>
        ))}
        {plan.find !== undefined && (
          <button type="button" onClick={() => change({ find: undefined })}>
            back to the line
          </button>
        )}
      </div>
      {plan.find !== undefined && (
        <p data-testid="find-moves">
          The {degreeName(plan.find)} down a fret: {becomes(plan.find, -1)}; up a fret: {becomes(plan.find, 1)}; up two:{' '}
          {becomes(plan.find, 2)}.
        </p>
      )}
      <table className={classes['table']}>
        <tbody>
          {Array.from({ length: strings }, (_, index) => index).map((index) => {
            const string = strings - 1 - index
            return (
              <tr key={string}>
                <th scope="row">string {index + 1}</th>
                <td data-testid="finder-string">
                  {line.places
                    .filter((place) => place.string === string)
                    .map((place) => (
                      <span
                        key={place.fret}
                        data-found={place.degree === plan.find || undefined}
                        title={place.fret === 0 ? 'open' : `fret ${place.fret}`}
                      >
                        {numberOf(place.degree)}{' '}
                      </span>
                    ))}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
  )
}

const becomes = (degree: Parameters<typeof degreeSign>[0], by: number): string =>
  BECOMES[(degreePitchClass(degree) + by + 12) % 12] ?? ''
