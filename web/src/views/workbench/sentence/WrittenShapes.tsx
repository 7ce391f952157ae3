/** Several shapes on the typed line, looked at before they go to the tray. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import type { WrittenShape } from '@nestling/core/request'
import { memo } from 'react'
import { $style } from '../../../state/session.ts'
import { fretsWord } from '../../../words/shapes.ts'
import { writtenToTray } from '../keeping.ts'
import classes from './Sentence.module.css'

export const WrittenShapes = memo(function WrittenShapes({ shapes }: { readonly shapes: readonly WrittenShape[] }) {
  const style = useStore($style)
  return (
    <div className={classes['written']} role="group" aria-label="Shapes on the line">
      <ol className={classes['shapes']}>
        {shapes.map(({ chord, frets }, index) => (
          <li key={index} data-testid="written-shape">
            <strong>{writeSymbol(chord, style)}</strong> {fretsWord(frets)}
          </li>
        ))}
      </ol>
      <button
        type="button"
        className={classes['take']}
        onMouseDown={(event) => event.preventDefault()}
        onClick={() => void writtenToTray()}
      >
        Add {shapes.length} to tray <kbd>Enter</kbd>
      </button>
    </div>
  )
})
