/** The tones of a step where they lie: of a shape one a string, of an arpeggio all that its line plays, each once. */
import type { Finger } from '@nestling/core/hand'
import type { Degree } from '@nestling/core/pitch'
import type { RunStep } from '@nestling/core/practice'

export interface StepTone {
  readonly string: number
  readonly fret: number
  readonly degree: Degree | null
  readonly finger: Finger | null
  /** The one that is shown first: the root, or the lowest where the root is not sounded. */
  readonly isRoot: boolean
}

export function tonesOf({ shape, line, string: rootString }: RunStep): readonly StepTone[] {
  if (line) {
    const first = line.findIndex((note) => note.degree === 'R')
    return line.flatMap(({ string, fret, degree, finger }, index) =>
      line.findIndex((other) => other.string === string && other.fret === fret) === index
        ? [{ string, fret, degree, finger, isRoot: index === first }]
        : [],
    )
  }
  return (shape?.frets ?? []).flatMap((fret, string) =>
    fret === null
      ? []
      : [
          {
            string,
            fret,
            degree: shape?.degrees[string] ?? null,
            finger: shape?.fingering?.fingers[string] ?? null,
            isRoot: string === rootString,
          },
        ],
  )
}

export const fretsOf = (step: RunStep | undefined): readonly number[] | undefined =>
  step?.shape && tonesOf(step).map(({ fret }) => fret)
