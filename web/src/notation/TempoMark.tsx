/** Over the first system: how quick it goes and how it swings, as a player's page says it. */
import { useStore } from '@nanostores/react'
import { $session } from '../state/session.ts'
import { swingWord } from '../words/swing.ts'
import classes from './notation.module.css'

/** What the engraver leaves free for it, in pixels. */
export const MARK_PX = 14
/** A quarter note, in the notation's own font. */
const QUARTER = '\uECA5'

/** @param swings Not where eighths are the beat: there nothing swings. */
export function TempoMark({ swings }: { readonly swings: boolean }) {
  const { settings } = useStore($session)
  return (
    <p className={classes['mark']} aria-hidden="true" data-testid="tempo-mark">
      <span>{QUARTER}</span> = {settings.tempo}
      {swings && settings.swing > 0 && (
        <i>
          {swingWord(settings.swing)}
          {settings.swung === 'sixteenths' && ' in sixteenths'}
        </i>
      )}
    </p>
  )
}
