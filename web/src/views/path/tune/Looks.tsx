/** How the tune is looked at, and how wide its time is drawn. */
import { useStore } from '@nanostores/react'
import { $look, LOOKS, type Look, scaleBy } from '../look.ts'
import classes from './Looks.module.css'

const WORDS: Readonly<Record<Look, string>> = {
  drawing: 'in time',
  systems: 'in systems',
  written: 'on staff and TAB',
  table: 'as a table',
}

export function Looks() {
  const look = useStore($look)
  return (
    <div data-not-on-paper role="group" aria-label="How the tune is shown" className={classes['looks']}>
      {LOOKS.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={look.as === one}
          title="V: the next one"
          onClick={() => $look.set({ ...look, as: one })}
        >
          {WORDS[one]}
        </button>
      ))}
      {look.as === 'drawing' && (
        <>
          <button
            type="button"
            title="narrower (Ctrl and wheel)"
            aria-label="Time narrower"
            onClick={() => scaleBy(-1)}
          >
            −
          </button>
          <button type="button" title="wider (Ctrl and wheel)" aria-label="Time wider" onClick={() => scaleBy(1)}>
            +
          </button>
        </>
      )}
    </div>
  )
}
