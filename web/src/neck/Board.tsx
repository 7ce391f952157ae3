/** The empty neck: frets to scale, strings with their numbers and names, what becomes of the silent ones. */
import type { SilentString } from '@nestling/core/hand'
import { type NamingSystem, type NoteName, writeNote } from '@nestling/core/pitch'
import { memo } from 'react'
import type { NeckLayout } from './layout.ts'
import classes from './neck.module.css'

const LANDMARKS = new Set([3, 5, 7, 9, 12, 15, 17, 19, 21, 24])

export interface BoardProps {
  readonly layout: NeckLayout
  readonly openNames: readonly NoteName[]
  readonly naming: NamingSystem
  /** A capo's fret, and the strings that it holds by index. */
  readonly capo: { readonly fret: number; readonly strings: readonly number[] } | undefined
}

export const Board = memo(function Board({ layout, openNames, naming, capo }: BoardProps) {
  const { top, bottom, nut, end, lastFret } = layout
  return (
    <g aria-hidden>
      <rect
        x={Math.min(nut, end)}
        y={top - 15}
        width={Math.abs(end - nut)}
        height={bottom - top + 30}
        className={classes['board']}
      />
      {Array.from({ length: lastFret }, (_, index) => index + 1).map((fret) => (
        <g key={fret}>
          <line
            x1={layout.fretX(fret)}
            x2={layout.fretX(fret)}
            y1={top - 15}
            y2={bottom + 15}
            className={classes['fret']}
            data-octave={fret % 12 === 0 || undefined}
          />
          <text
            x={(layout.fretX(fret) + layout.fretX(fret - 1)) / 2}
            y={bottom + 30}
            className={classes['fretNumber']}
            data-landmark={LANDMARKS.has(fret) || undefined}
          >
            {fret}
          </text>
        </g>
      ))}
      <line x1={nut} x2={nut} y1={top - 15} y2={bottom + 15} className={classes['nut']} />
      {capo && (
        <line
          x1={layout.tipX(capo.fret)}
          x2={layout.tipX(capo.fret)}
          y1={Math.min(...capo.strings.map(layout.stringY)) - 13}
          y2={Math.max(...capo.strings.map(layout.stringY)) + 13}
          className={classes['capo']}
        />
      )}
      {openNames.map((name, index) => (
        <text
          key={index}
          x={nut - layout.direction * (layout.before - 24)}
          y={layout.stringY(index) + 5}
          className={classes['stringName']}
        >
          <tspan className={classes['stringNumber']}>{openNames.length - index}</tspan> {writeNote(name, naming)}
        </text>
      ))}
    </g>
  )
})

/** The strings themselves, quieter where they don't sound, with the mark of what keeps them silent. */
export function Strings({
  layout,
  frets,
  silent,
}: {
  readonly layout: NeckLayout
  readonly frets: readonly (number | null)[] | undefined
  readonly silent: readonly SilentString[]
}) {
  return (
    <g>
      {Array.from({ length: layout.strings }, (_, index) => {
        const y = layout.stringY(index)
        const kind = silent.find((string) => string.string === index)?.kind
        return (
          <g key={index}>
            <line
              x1={layout.nut}
              x2={layout.end}
              y1={y}
              y2={y}
              className={classes['string']}
              strokeWidth={2.4 - (1.7 * index) / Math.max(1, layout.strings - 1)}
              data-silent={frets?.[index] === null || undefined}
            />
            {kind !== undefined && <SilentMark kind={kind} x={layout.tipX(0)} y={y} />}
          </g>
        )
      })}
    </g>
  )
}

/** Damped: crossed out. Not plucked: a short rest. Leaking: an open mouth in the colour of danger. */
function SilentMark({ kind, x, y }: { readonly kind: SilentString['kind']; readonly x: number; readonly y: number }) {
  switch (kind) {
    case 'damped':
      return (
        <path
          d={`M${x - 5} ${y - 5}L${x + 5} ${y + 5}M${x - 5} ${y + 5}L${x + 5} ${y - 5}`}
          className={classes['mark']}
        />
      )
    case 'not-plucked':
      return <path d={`M${x - 6} ${y}H${x + 6}`} className={classes['mark']} />
    case 'leaks':
      return <path d={`M${x - 6} ${y + 4}Q${x} ${y - 8} ${x + 6} ${y + 4}`} className={classes['mark']} data-leaks />
  }
}
