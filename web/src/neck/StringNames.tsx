/** Numbers and names of the strings, which stay at the edge while a neck that is wider than the page scrolls under them. */
import { type NamingSystem, type NoteName, writeNote } from '@nestling/core/pitch'
import { memo } from 'react'
import type { NeckLayout } from './layout.ts'
import classes from './neck.module.css'

export interface StringNamesProps {
  readonly layout: NeckLayout
  readonly openNames: readonly NoteName[]
  readonly naming: NamingSystem
}

/** Seen, not heard: the neck tells them itself. Stands before the neck's drawing, in the box that scrolls. */
export const StringNames = memo(function StringNames({ layout, openNames, naming }: StringNamesProps) {
  return (
    <span className={classes['names']} aria-hidden="true" data-side={layout.direction === 1 ? 'left' : 'right'}>
      {openNames.map((name, index) => (
        <b key={index} style={{ top: `${(layout.stringY(index) / layout.height) * 100}%` }}>
          <small>{openNames.length - index}</small> {writeNote(name, naming)}
        </b>
      ))}
    </span>
  )
})
