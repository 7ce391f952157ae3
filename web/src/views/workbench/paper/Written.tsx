/** The shape in hand on staff and TAB, for paper only: the engraver is loaded when the page is printed. */
import type { Chord } from '@nestling/core/chord'
import type { Neck } from '@nestling/core/neck'
import { FOUR_FOUR, type Score, soundedNotes, writtenBars } from '@nestling/core/time'
import type { Frets } from '@nestling/core/voicing'
import { useEffect, useRef } from 'react'
import { beforePrint } from '../../../state/printing.ts'
import { neckIn, type WorkbenchState } from '../../../state/workbench/index.ts'
import classes from './Written.module.css'

/** Clef, metre and one bar. */
const WIDTH_PX = 250

/** The shape, held through a bar. */
export function heldThrough(chord: Chord, frets: Frets, neck: Neck): Score {
  const beats = 4
  const events = soundedNotes(frets, neck, chord).map((note) => ({
    ...{ part: 'strings' as const, at: 0, loud: 1, length: beats },
    ...note,
  }))
  return { metre: FOUR_FOUR, countIn: 0, beats, loop: false, events }
}

export function Written({ state }: { readonly state: WorkbenchState }) {
  const box = useRef<HTMLDivElement>(null)
  const { frets, question } = state
  const neck = neckIn(state)
  const { chord } = question
  // Nothing is worked out before it is printed: this stands in the way of every keystroke.
  useEffect(() => {
    const into = box.current
    // An earlier shape's is not this one's.
    if (into?.firstChild) into.replaceChildren()
    if (!into || !frets?.some((fret) => fret !== null)) return undefined
    return beforePrint(async () => {
      const { engrave } = await import('../../../notation/engrave.ts')
      const bars = writtenBars(heldThrough(chord, frets, neck))
      await engrave(into, bars, { strings: neck.open.length, width: WIDTH_PX, repeats: false, oneSystem: true })
    })
  }, [chord, frets, neck])
  return (
    <figure className={classes['written']} aria-label="On staff and TAB">
      <div ref={box} data-testid="written" />
    </figure>
  )
}
