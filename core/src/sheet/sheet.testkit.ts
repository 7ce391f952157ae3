/** Sheets for tests: a player, a tune, letters of one width. */
import { inHand, playedChart, readChart } from '../chart/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { STANDARD_INSTRUMENT } from '../neck/index.ts'
import type { Block, Sheet, SheetContext, SheetTune } from './index.ts'

export const CHART =
  'title: Slow Ferry\nkey: Ab\n4/4 bossa =112\n[A] |: Fm9 | Bbm7 | Eb13 | Abmaj9 |\n| Dbmaj7 | Gm7b5 C7b9 | 1. Fm7 :| 2. N.C. |'
const FRETS: Readonly<Record<string, readonly (number | null)[]>> = {
  Fm9: [null, 8, 6, 8, 8, null],
  Bbm7: [6, null, 6, 6, 6, null],
  Eb13: [11, null, 11, 12, 13, null],
  Abmaj9: [null, 11, 10, 12, 11, null],
  Dbmaj7: [9, null, 10, 10, 9, null],
  Gm7b5: [null, 10, 11, 10, 11, null],
  C7b9: [8, null, 8, 9, 8, null],
  Fm7: [8, null, 8, 8, 9, null],
}

export function tuneOfTests(id = 1, text = CHART): SheetTune {
  const { chart } = readChart(text)
  const shapes = playedChart(chart).chords.map(({ chord }) => {
    const symbol = `${chord.root}${{ 'R b3 5 b7 9': 'm9', 'R b3 5 b7': 'm7', 'R 3 5 b7 9 13': '13', 'R 3 5 7 9': 'maj9', 'R 3 5 7': 'maj7', 'R b3 b5 b7': 'm7b5', 'R 3 5 b7 b9': '7b9' }[chord.formula.join(' ')] ?? ''}`
    const frets = FRETS[symbol]
    return frets && { frets }
  })
  return { id, tune: inHand(chart, STANDARD_INSTRUMENT.tuning, shapes), pattern: '1/8 * . c . b c . c' }
}

export const CONTEXT: SheetContext = {
  player: {
    instrument: STANDARD_INSTRUMENT,
    ownTunings: [],
    hand: MEDIUM_HAND,
    school: 'drop-fifth',
    thumb: false,
    naming: ['letters'],
    withBassPlayer: false,
  },
  tunes: [tuneOfTests()],
  facing: { leftHanded: false, lowOnTop: false },
  naming: 'letters',
  school: 'words',
  measure: (text, _face, size) => [...text].length * size * 0.5,
}

export const sheetOf = (blocks: readonly Block[], look: Partial<Sheet> = {}): Sheet => ({
  title: 'Slow Ferry',
  paper: 'A4',
  lying: true,
  barsALine: 4,
  necks: 'lying',
  labels: 'degree',
  ink: 'colour',
  blocks,
  ...look,
})
