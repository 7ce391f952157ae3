/** Kept tunes as music, and music as tunes to keep: what files and sheets hold of a tune. */
import { inHand, patternOf, playedShapes, type TuneInHand } from '@nestling/core/chart'
import type { Tuning } from '@nestling/core/neck'
import type { SheetTune } from '@nestling/core/sheet'
import type { BassLine } from '@nestling/core/time'
import { readTune, writeTune } from '@nestling/core/tune'
import type { KeptTune, TuneDraft } from './tune.ts'

export interface TuneMusic {
  readonly tune: TuneInHand
  /** What the right hand does. */
  readonly pattern: string
  readonly bass: BassLine
}

/** @param own The instrument's tuning: a tune that names none was made for it. */
export function musicOf({ title, tune: texts }: Pick<KeptTune, 'title' | 'tune'>, own: Tuning): TuneMusic {
  const { tune } = readTune(texts, own)
  const shapes = tune.way.map((frets) => frets && { frets })
  return {
    tune: inHand({ ...tune.chart, title }, tune.tuning ?? own, shapes),
    pattern: tune.pattern,
    bass: tune.bass,
  }
}

export const sheetTuneOf = (kept: KeptTune, own: Tuning): SheetTune => {
  const { tune, pattern } = musicOf(kept, own)
  return { id: kept.id, tune, pattern }
}

/** A tune that was read from a file, as the Book keeps it: its shapes are held, so that Path leaves them as they are. */
export function tuneDraftOf(
  { chart, tuning, shapes }: TuneInHand,
  remarks: readonly string[],
  fallbackTitle: string,
): TuneDraft {
  const way = playedShapes({ chart, tuning, shapes }).map((held) => held?.frets)
  const { tune } = readTune({ chart: '' })
  return {
    title: (chart.title || fallbackTitle).slice(0, 60),
    tune: writeTune(
      {
        ...tune,
        chart,
        tuning,
        pattern: patternOf(chart),
        wishes: { ...tune.wishes, ...(way.some((frets) => frets?.includes(0)) ? { open: 'allow' } : {}) },
        held: way.flatMap((frets, chord) => (frets ? [{ chord, frets }] : [])),
        way,
      },
      tuning,
    ),
    remarks: remarks.join('\n').slice(0, 4000),
  }
}
