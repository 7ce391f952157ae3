/** Looking through a tune in its written order. */
import type { ChartSlot, HeldChord, TuneInHand } from '@nestling/core/chart'
import type { Chord } from '@nestling/core/chord'
import { beatsInBar, type Metre } from '@nestling/core/time'

export interface WrittenChord {
  readonly chord: Chord
  readonly held: HeldChord | undefined
  /** Beats from its bar's start, and for how long it is written there. */
  readonly at: number
}

export interface WrittenBarOf {
  readonly index: number
  readonly metre: Metre
  readonly slots: readonly ChartSlot[]
  readonly shapes: readonly (HeldChord | undefined)[]
  readonly chords: readonly WrittenChord[]
}

/** Every written bar with its metre and the chords that begin in it. The tune's `%` are to be written out before. */
export function barsOf({ chart, shapes }: TuneInHand): readonly WrittenBarOf[] {
  let { metre } = chart
  return chart.bars.map((bar, index) => {
    metre = bar.metre ?? metre
    const each = beatsInBar(metre) / Math.max(1, bar.slots.length)
    return {
      index,
      metre,
      slots: bar.slots,
      shapes: shapes[index] ?? [],
      chords: bar.slots.flatMap((slot, place): readonly WrittenChord[] =>
        slot.kind === 'chord' ? [{ chord: slot.chord, held: shapes[index]?.[place], at: place * each }] : [],
      ),
    }
  })
}
