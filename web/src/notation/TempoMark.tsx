/** Over the first system: how quick it goes and how it swings, as a player's page says it. */
import classes from './notation.module.css'

/** What the engraver leaves free for it, in pixels. */
export const MARK_PX = 14
/** A quarter note, in the notation's own font. */
const QUARTER = '\uECA5'

/** @param tempo Quarter notes in a minute. */
export function TempoMark({ tempo, swing }: { readonly tempo: number; readonly swing: string }) {
  return (
    <p className={classes['mark']} aria-hidden="true" data-testid="tempo-mark">
      <span>{QUARTER}</span> = {tempo}
      {swing !== '' && <i>{swing}</i>}
    </p>
  )
}
