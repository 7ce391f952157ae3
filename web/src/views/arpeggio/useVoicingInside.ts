/** The voicing that a line belongs to: the one that was brought along, or the easiest that the hand finds there. */

import type { ShapesFound } from '@nestling/core/answer'
import type { Question } from '@nestling/core/request'
import { type Frets, fretsAt } from '@nestling/core/voicing'
import { useEffect, useState } from 'react'
import { searchClient } from '../../workers/clients.ts'
import type { ArpeggioLine } from './plan.ts'
import type { ArpeggioState } from './useArpeggio.ts'

const MOST_LOOKED_AT = 300

export function useVoicingInside({ plan, line, player }: ArpeggioState): Frets | undefined {
  const { shape, chord, tuning, at, way } = plan
  const [found, setFound] = useState<Frets | undefined>(undefined)
  const fits = shape !== undefined && isInside(shape, line)
  const wanted = !fits && way === 'position'
  useEffect(() => {
    setFound(undefined)
    if (!wanted) return undefined
    let current = true
    const question: Question = {
      chord,
      tuning,
      arrangement: { kind: 'any' },
      open: 'never',
      fretMin: Math.max(1, at - 1),
      fretMax: at + 4,
    }
    searchClient()
      .answerGivingWay(question, [], player, MOST_LOOKED_AT)
      .then(
        ({ found: shapes }) => current && setFound(easiestInside(shapes, line)),
        // Without it the line is complete all the same.
        () => current && setFound(undefined),
      )
    return () => {
      current = false
    }
  }, [wanted, chord, tuning, at, player, line])
  return fits ? shape : found
}

const isInside = (shape: Frets, { notes }: ArpeggioLine): boolean =>
  shape.every((fret, string) => fret === null || notes.some((note) => note.string === string && note.fret === fret))

/** Shapes come easiest first; the first one that four fingers hold and that uses the line's own places is taken. */
function easiestInside(shapes: ShapesFound, line: ArpeggioLine): Frets | undefined {
  for (let row = 0; row < shapes.shown && shapes.held[row] === 1; row++) {
    const frets = fretsAt(shapes, row)
    if (isInside(frets, line)) return frets
  }
  return undefined
}
