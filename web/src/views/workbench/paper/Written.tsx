/** The shape in hand on staff and TAB, for paper only: the engraver is loaded when the page is printed. */
import { type Chord, writeSymbol } from '@nestling/core/chord'
import type { Neck } from '@nestling/core/neck'
import { FOUR_FOUR, type Score, soundedNotes, writtenBars } from '@nestling/core/time'
import type { Frets } from '@nestling/core/voicing'
import { useEffect, useMemo, useRef } from 'react'
import { beforePrint } from '../../../state/printing.ts'
import { $style } from '../../../state/session.ts'
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
  const bars = useMemo(() => (frets ? writtenBars(heldThrough(chord, frets, neck)) : []), [chord, frets, neck])
  useEffect(() => {
    const into = box.current
    // An earlier shape's is not this one's.
    into?.replaceChildren()
    if (!into || bars.every(({ events }) => events.every(({ notes }) => notes.length === 0))) return undefined
    return beforePrint(async () => {
      const { engrave } = await import('../../../notation/engrave.ts')
      await engrave(into, bars, { strings: neck.open.length, width: WIDTH_PX, repeats: false, oneSystem: true })
    })
  }, [bars, neck])
  return (
    <figure className={classes['written']} aria-label={`${writeSymbol(chord, $style.get())} on staff and TAB`}>
      <div ref={box} data-testid="written" />
    </figure>
  )
}
