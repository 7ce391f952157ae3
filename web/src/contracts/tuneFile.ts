/** Kept tunes as music, and music as tunes to keep: what files and sheets hold of a tune. */
import {
  inHand,
  patternOf,
  playedChart,
  playedShapes,
  readChart,
  type TuneInHand,
  writeChart,
} from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { readTuning, type Tuning, writeTuning } from '@nestling/core/neck'
import type { SheetTune } from '@nestling/core/sheet'
import { BASS_LINES, type BassLine, readPattern, writePattern } from '@nestling/core/time'
import { readFrets, writeFrets } from '@nestling/core/voicing'
import { type KeptTune, MOST_TUNE_CHORDS, type TuneDraft } from './tune.ts'

export interface TuneMusic {
  readonly tune: TuneInHand
  /** What the right hand does. */
  readonly pattern: string
  readonly bass: BassLine
}

/** @param own The instrument's tuning: a tune that names none was made for it. */
export function musicOf(
  { title, query, chords }: Pick<KeptTune, 'title' | 'query' | 'chords'>,
  own: Tuning,
): TuneMusic {
  const asked = new URLSearchParams(query)
  const { chart } = readChart(asked.get('chart') ?? '')
  const stated = readTuning(asked.get('tuning') ?? '')
  const tuning = stated.ok ? stated.value : own
  const pattern = readPattern((asked.get('hand') ?? '').replaceAll('_', ' '))
  const held = chords.map(({ frets }) => {
    const read = frets === null ? undefined : readFrets(frets, tuning.strings.length)
    return read?.ok ? { frets: read.value } : undefined
  })
  return {
    tune: inHand({ ...chart, title }, tuning, held),
    pattern: pattern.ok ? writePattern(pattern.value) : patternOf(chart),
    bass: BASS_LINES.find((line) => line === asked.get('line')) ?? 'roots',
  }
}

export const sheetTuneOf = (kept: KeptTune, own: Tuning): SheetTune => {
  const { tune, pattern } = musicOf(kept, own)
  return { id: kept.id, tune, pattern }
}

/** A tune that was read from a file, as the Book keeps it: its shapes are held, so that Path leaves them as they are. */
export function tuneDraftOf(tune: TuneInHand, remarks: readonly string[], fallbackTitle: string): TuneDraft {
  const { chart } = tune
  const shapes = playedShapes(tune)
  const { chords } = playedChart(chart)
  const hold = shapes
    .slice(0, MOST_TUNE_CHORDS)
    .flatMap((held, index) => (held ? [`${index + 1}:${writeFrets(held.frets)}`] : []))
  const query = new URLSearchParams({ chart: writeChart(chart), tuning: writeTuning(tune.tuning) })
  if (hold.length > 0) query.set('hold', hold.join(','))
  if (shapes.some((held) => held?.frets.includes(0))) query.set('open', 'allow')
  return {
    title: (chart.title || fallbackTitle).slice(0, 60),
    query: query.toString().replaceAll('%2C', ',').replaceAll('%7C', '|').replaceAll('%3A', ':'),
    chords: chords.slice(0, MOST_TUNE_CHORDS).map(({ chord }, index) => {
      const held = shapes[index]
      return { symbol: writeSymbol(chord, { ascii: true }), frets: held ? writeFrets(held.frets) : null }
    }),
    remarks: remarks.join('\n').slice(0, 4000),
  }
}
