/** How a neck is drawn for this player: which way it faces, how far it is shown, its open strings and its capo. */
import type { Instrument, Neck } from '@nestling/core/neck'
import { useMemo } from 'react'
import type { Settings } from '../contracts/settings.ts'
import type { BoardProps } from './Board.tsx'
import { type NeckMargins, neckLayout, PLAIN_MARGINS } from './layout.ts'

/** A neck is not shown shorter than this. */
const FEWEST_FRETS = 15

/** @param highest The highest fret that must be seen; `Infinity` for the whole neck. */
export function useBoard(
  neck: Neck,
  instrument: Instrument,
  { lowOnTop, naming }: Pick<Settings, 'lowOnTop' | 'naming'>,
  highest: number,
  margins: NeckMargins = PLAIN_MARGINS,
): BoardProps {
  const lastFret = Math.min(neck.lastFret, Math.max(FEWEST_FRETS, highest))
  const leftHanded = instrument.handed === 'left'
  const layout = useMemo(
    () => neckLayout(neck, lastFret, { lowOnTop, leftHanded }, margins),
    [neck, lastFret, lowOnTop, leftHanded, margins],
  )
  const openNames = useMemo(() => instrument.tuning.strings.map(({ name }) => name), [instrument])
  const capo = useMemo(() => {
    if (!instrument.capo) return undefined
    const { fret, strings } = instrument.capo
    const count = instrument.tuning.strings.length
    return { fret, strings: strings === 'all' ? [0, count - 1] : strings.map((number) => count - number) }
  }, [instrument])
  return { layout, openNames, naming, capo }
}
