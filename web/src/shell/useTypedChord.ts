/** A field in which a chord is typed: what can't be read stays in it and is told, what can is taken at once. */
import { type Chord, readSymbol } from '@nestling/core/chord'
import type { NamingSystem } from '@nestling/core/pitch'
import { useState } from 'react'

export interface TypedChord {
  readonly text: string
  readonly problem: string | undefined
  readonly type: (text: string) => void
  /** Shows a chord that was not typed, as undo brings it back. */
  readonly show: (text: string) => void
}

export function useTypedChord(
  first: { readonly text: string; readonly problem: string | undefined },
  naming: readonly NamingSystem[] | undefined,
  take: (chord: Chord, text: string) => void,
): TypedChord {
  const [text, setText] = useState(first.text)
  const [problem, setProblem] = useState(first.problem)
  return {
    text,
    problem,
    type(written) {
      const chord = readSymbol(written, naming)
      setText(written)
      setProblem(chord.ok || written.trim() === '' ? undefined : chord.error.message)
      if (chord.ok) take(chord.value, written)
    },
    show(written) {
      setText(written)
      setProblem(undefined)
    },
  }
}
