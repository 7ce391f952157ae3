/** What stands beside the strings: the right hand's letters before the nut; after the last fret the notes and their intervals. */

import type { Plucker } from '@nestling/core/hand'
import type { Midi } from '@nestling/core/pitch'
import { requireAt } from '@nestling/core/result'
import { memo } from 'react'
import { intervalSign } from '../words/intervals.ts'
import type { NeckLayout } from './layout.ts'
import classes from './neck.module.css'

export const RightHand = memo(function RightHand({
  pluckers,
  layout,
}: {
  readonly pluckers: readonly (Plucker | null)[]
  readonly layout: NeckLayout
}) {
  return pluckers.map((letter, string) =>
    letter === null ? null : (
      <text
        key={string}
        x={layout.nut - layout.direction * 50}
        y={layout.stringY(string) + 6}
        className={classes['plucker']}
        data-testid="plucker"
      >
        {letter}
      </text>
    ),
  )
})

export interface SoundingNote {
  readonly string: number
  readonly midi: Midi
  readonly name: string
}

/** @param notes From the lowest pitch up. */
export function SoundingNotes({
  notes,
  layout,
}: {
  readonly notes: readonly SoundingNote[]
  readonly layout: NeckLayout
}) {
  const { direction } = layout
  const x = layout.end + direction * 18
  return (
    <g data-testid="sounding">
      {notes.map(({ string, name }) => (
        <text key={string} x={x} y={layout.stringY(string) + 5} className={classes['sounding']}>
          {name}
        </text>
      ))}
      {notes.slice(1).map((note, index) => {
        const below = requireAt(notes, index)
        const [from, to] = [layout.stringY(below.string), layout.stringY(note.string)]
        const arcX = x + direction * 16
        return (
          <g key={note.string} className={classes['interval']}>
            <path
              d={`M${arcX} ${from - Math.sign(from - to) * 7}q${direction * 9} ${(to - from) / 2 + Math.sign(from - to) * 7} 0 ${to - from + Math.sign(from - to) * 14}`}
            />
            <text x={arcX + direction * 11} y={(from + to) / 2 + 4} textAnchor={direction === 1 ? 'start' : 'end'}>
              {intervalSign(note.midi - below.midi)}
            </text>
          </g>
        )
      })}
    </g>
  )
}
