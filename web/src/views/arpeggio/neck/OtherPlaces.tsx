/** Second strings of the line's tones, dashed: taken, the tone goes there and the fingers follow. */

import { Egg } from '../../../neck/Egg.tsx'
import type { NeckLayout } from '../../../neck/layout.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { onString } from '../plan.ts'
import type { ArpeggioState } from '../useArpeggio.ts'
import classes from './LineNeck.module.css'

export function OtherPlaces({
  state: { plan, line, change },
  layout,
}: {
  readonly state: ArpeggioState
  readonly layout: NeckLayout
}) {
  const { arpeggio, notes, neck } = line
  const isTaken = (string: number, fret: number) => notes.some((note) => note.string === string && note.fret === fret)
  return arpeggio.others
    .filter(({ string, fret }) => fret <= layout.lastFret && !isTaken(string, fret))
    .map((place) => (
      <g
        key={`${place.string}:${place.fret}`}
        role="button"
        tabIndex={0}
        className={classes['other']}
        aria-label={`Play ${degreeName(place.degree)} on string ${neck.open.length - place.string}, fret ${place.fret} instead`}
        data-testid="other-place"
        onClick={() => change(onString(plan, place))}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== ' ') return
          event.preventDefault()
          change(onString(plan, place))
        }}
      >
        <Egg
          kind="ghost"
          x={layout.tipX(place.fret)}
          y={layout.stringY(place.string)}
          size={13}
          degree={place.degree}
          label={degreeSign(place.degree)}
        />
      </g>
    ))
}
