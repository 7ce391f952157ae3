/** Find: one tone of the chord everywhere on the neck when it moves. */
import { degreePitchClass } from '@nestling/core/pitch'
import { Egg } from '../../../neck/Egg.tsx'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import type { ArpeggioState } from '../useArpeggio.ts'
import classes from './Beside.module.css'

/** What a tone becomes when it moves by so many frets, told by the degree above the root. */
const BECOMES = ['R', '♭9', '9', '♯9', '3', '11', '♯11', '5', '♭13', '13', '♭7', '7'] as const

export function Find({ state }: { readonly state: ArpeggioState }) {
  const { plan, change } = state
  const { find } = plan
  return (
    <section data-not-on-paper aria-label="Find a tone" className={classes['section']}>
      <div className={classes['finds']} role="group" aria-label="Tone to find">
        <h2 className={classes['title']}>Find</h2>
        {plan.chord.formula.map((degree) => (
          <button
            key={degree}
            type="button"
            aria-pressed={find === degree}
            aria-label={`Find the ${degreeName(degree)}`}
            onClick={() => change({ find: find === degree ? undefined : degree })}
          >
            <svg width="34" height="26" viewBox="0 0 34 26" aria-hidden="true">
              <Egg x={17} y={13} size={13} degree={degree} label={degreeSign(degree)} moved={find === degree} />
            </svg>
          </button>
        ))}
        {find === undefined ? (
          <span className={classes['aside']}>everywhere on the neck</span>
        ) : (
          <button type="button" className={classes['quiet']} onClick={() => change({ find: undefined })}>
            back to the line
          </button>
        )}
      </div>
      {find !== undefined && (
        <p data-testid="find-moves">
          The {degreeName(find)} down a fret: {becomes(find, -1)}; up a fret: {becomes(find, 1)}; up two:{' '}
          {becomes(find, 2)}.
        </p>
      )}
    </section>
  )
}

const becomes = (degree: Parameters<typeof degreeSign>[0], by: number): string =>
  BECOMES[(degreePitchClass(degree) + by + 12) % 12] ?? ''
