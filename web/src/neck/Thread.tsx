/** What the thread of a family is made of: small eggs, and between two chords the tone that falls from one to the next. */
import type { Formula } from '@nestling/core/chord'
import { type Degree, stepOf } from '@nestling/core/pitch'
import { Egg } from './Egg.tsx'
import classes from './thread.module.css'

/** The tone that falls by a semitone from one kind to the next. */
export function Fall({ from, to }: { readonly from: Formula; readonly to: Formula }) {
  const fallen = to.find((degree) => !from.includes(degree))
  if (fallen === undefined) return <i className={classes['wire']} />
  return (
    <span className={classes['fall']} aria-hidden="true">
      <SmallEgg degree={fallen} label={String(stepOf(fallen))} />
    </span>
  )
}

export const SmallEgg = ({ degree, label }: { readonly degree: Degree; readonly label: string }) => (
  <svg width="26" height="22" viewBox="0 0 26 22" aria-hidden="true">
    <Egg x={13} y={11} size={11} degree={degree} label={label} />
  </svg>
)
