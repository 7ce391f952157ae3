/** Chords in a bar as files tell them, at any time, and as a chart writes them, in even slots. */
import type { ChartBar, ChartSlot, HeldChord } from '@nestling/core/chart'
import type { Chord } from '@nestling/core/chord'
import { beatsInBar, type Metre } from '@nestling/core/time'

/** A chord that begins in a bar; `undefined` where from here on nothing sounds. */
export interface Onset {
  /** Beats (quarter notes) from the bar's start. */
  readonly at: number
  readonly chord: Chord | undefined
  readonly held?: HeldChord | undefined
}

export interface FilledBar {
  readonly slots: ChartBar['slots']
  readonly shapes: readonly (HeldChord | undefined)[]
  /** A chord stood between two beats and was put on the nearer one. */
  readonly moved: boolean
}

const near = (a: number, b: number): boolean => Math.abs(a - b) < 0.02

/**
 * The fewest even slots that hold the chords: chords that share the bar evenly stand alone; otherwise a slot for every
 * beat of the metre, with dots for those in which the chord before goes on.
 * @param sounding Whether a chord sounds when the bar begins.
 */
export function filledBar(onsets: readonly Onset[], metre: Metre, sounding: boolean): FilledBar {
  const beats = beatsInBar(metre)
  const sorted = onsets.filter(({ at }) => at < beats - 0.02).sort((a, b) => a.at - b.at)
  const [first] = sorted
  if (!first) return { slots: [sounding ? HOLD : REST], shapes: [undefined], moved: false }
  const count = sorted.length
  if (sorted.every(({ at }, index) => near(at, (index * beats) / count)))
    return { slots: sorted.map(slotOf), shapes: sorted.map(({ held }) => held), moved: false }
  const each = beats / metre.count
  const slots: ChartSlot[] = Array.from({ length: metre.count }, (_, slot) =>
    !sounding && slot * each < first.at - 0.02 ? REST : HOLD,
  )
  const shapes: (HeldChord | undefined)[] = slots.map(() => undefined)
  let moved = false
  for (const onset of sorted) {
    const slot = Math.min(metre.count - 1, Math.round(onset.at / each))
    if (!near(slot * each, onset.at)) moved = true
    slots[slot] = slotOf(onset)
    shapes[slot] = onset.held
  }
  return { slots, shapes, moved }
}

const HOLD: ChartSlot = { kind: 'hold' }
const REST: ChartSlot = { kind: 'rest' }
const slotOf = ({ chord }: Onset): ChartSlot => (chord ? { kind: 'chord', chord } : REST)
