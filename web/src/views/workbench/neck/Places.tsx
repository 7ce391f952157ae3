/** Every place of the neck as something to press: for the pointer, and as a grid for keyboard and screen reader. */
import { memo } from 'react'
import type { NeckLayout } from '../../../neck/layout.ts'
import classes from '../../../neck/neck.module.css'

export interface PlacesProps {
  readonly layout: NeckLayout
  /** Spoken: "string 4, fret 5, the third, G". */
  readonly spoken: (string: number, fret: number) => string
  /** Frets of the strings that sound, for telling a held place from an empty one. */
  readonly frets: readonly (number | null)[] | undefined
}

export const placeId = (string: number, fret: number): string => `place-${string}-${fret}`

export const Places = memo(function Places({ layout, spoken, frets }: PlacesProps) {
  const { strings, lastFret, rowHeight } = layout
  return Array.from({ length: strings }, (_, index) => strings - 1 - index).map((string) => (
    <g key={string} role="row" aria-label={`string ${strings - string}`}>
      {Array.from({ length: lastFret + 1 }, (_, fret) => {
        const near = fret === 0 ? layout.tipX(0) - layout.direction * 16 : layout.fretX(fret - 1)
        const far = fret === 0 ? layout.nut : layout.fretX(fret)
        return (
          <rect
            key={fret}
            id={placeId(string, fret)}
            role="gridcell"
            aria-label={spoken(string, fret)}
            aria-selected={frets?.[string] === fret}
            x={Math.min(near, far)}
            y={layout.stringY(string) - rowHeight / 2}
            width={Math.abs(far - near)}
            height={rowHeight}
            className={classes['place']}
            data-holds={frets?.[string] === fret || undefined}
            data-place={`${strings - string}:${fret}`}
          />
        )
      })}
    </g>
  ))
})

export function Cursor({
  layout,
  string,
  fret,
}: {
  readonly layout: NeckLayout
  readonly string: number
  readonly fret: number
}) {
  return (
    <ellipse
      cx={layout.tipX(fret)}
      cy={layout.stringY(string)}
      rx={23}
      ry={Math.min(18, layout.rowHeight * 0.58)}
      className={classes['cursor']}
      data-testid="cursor"
    />
  )
}
