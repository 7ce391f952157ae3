/** The voicing that a line belongs to: the one that was brought along, or the easiest that the hand finds there. */

import type { ShapesFound } from '@nestling/core/build'
import { readBuild } from '@nestling/core/build'
import { writeSymbol } from '@nestling/core/chord'
import { type Frets, fretsAt } from '@nestling/core/voicing'
import { useEffect, useState } from 'react'
import { searchClient } from '../../workers/searchClient.ts'
import type { Line } from './plan.ts'
import type { ArpeggioState } from './useArpeggio.ts'

const MOST_LOOKED_AT = 300

export function useVoicingInside({ plan, line, setting }: ArpeggioState): Frets | undefined {
  const { shape, chord, tuning, at, way } = plan
  const [found, setFound] = useState<Frets | undefined>(undefined)
  const fits = shape !== undefined && isInside(shape, line)
  const wanted = !fits && way === 'position'
  useEffect(() => {
    setFound(undefined)
    if (!wanted) return undefined
    let current = true
    const read = readBuild(
      { chord: writeSymbol(chord, { ascii: true }), fretMin: String(Math.max(1, at - 1)), fretMax: String(at + 4) },
      setting,
    )
    if (!read.ok) return undefined
    searchClient()
      .shapesFor({ ...read.value, tuning }, setting, MOST_LOOKED_AT)
      .then(
        (shapes) => current && setFound(easiestInside(shapes, line)),
        // Without it the line is complete all the same.
        () => current && setFound(undefined),
      )
    return () => {
      current = false
    }
  }, [wanted, chord, tuning, at, setting, line])
  return fits ? shape : found
}

const isInside = (shape: Frets, { notes }: Line): boolean =>
  shape.every((fret, string) => fret === null || notes.some((note) => note.string === string && note.fret === fret))

/** Shapes come easiest first; the first one that four fingers hold and that uses the line's own places is taken. */
function easiestInside(shapes: ShapesFound, line: Line): Frets | undefined {
  for (let row = 0; row < shapes.shown && shapes.held[row] === 1; row++) {
    const frets = fretsAt(shapes, row)
    if (isInside(frets, line)) return frets
  }
  return undefined
}
