/** A kept shape among the others: its name, its neck, a margin note. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { memo } from 'react'
import type { KeptShape } from '../../../contracts/shape.ts'
import { SmallNeck } from '../../../neck/SmallNeck.tsx'
import { shownShape } from '../../../state/book.ts'
import { $session } from '../../../state/session.ts'
import type { BookState } from '../useBook.ts'
import classes from './List.module.css'
import type { FretWindow } from './window.ts'

export interface ShapeItemProps {
  readonly shape: KeptShape
  readonly window: FretWindow | undefined
  readonly state: Pick<BookState, 'change' | 'selected' | 'select'>
  readonly isOpen: boolean
}

const NECK_PX = 150

export const ShapeItem = memo(function ShapeItem({ shape, window, state, isOpen }: ShapeItemProps) {
  const { settings } = useStore($session)
  const shown = shownShape(shape)
  const symbol = shown
    ? writeSymbol(shown.shape.chord, { naming: settings.naming, school: settings.symbols })
    : shape.chord
  const isSelected = state.selected === 'all' || state.selected.has(shape.id)
  return (
    <article
      className={classes['item']}
      data-open={isOpen || undefined}
      data-selected={isSelected || undefined}
      aria-label={shape.name}
    >
      <input
        type="checkbox"
        aria-label={`Select ${shape.name}`}
        checked={isSelected}
        onChange={(event) => state.select(shape.id, event.currentTarget.checked)}
      />
      <button
        type="button"
        aria-current={isOpen ? 'true' : undefined}
        aria-label={`Open ${shape.name}, ${symbol} ${shape.frets}`}
        onClick={() => state.change({ open: shape.id })}
      >
        <span className={classes['names']}>
          <strong>{symbol}</strong> <span>{shape.name}</span>
        </span>
        {shown?.voicing ? (
          <SmallNeck
            frets={shown.voicing.frets}
            degrees={shown.voicing.degrees}
            width={NECK_PX}
            row={9}
            thread
            {...(window ?? {})}
          />
        ) : (
          <span className={classes['odd']}>{shape.frets}: does not sound its chord</span>
        )}
        {shape.note !== '' && <i>{shape.note}</i>}
      </button>
    </article>
  )
})
