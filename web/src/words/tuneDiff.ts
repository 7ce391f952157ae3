/** Two states of one tune, told by what differs between them. */
import { chordsOf, type TuneChord, type TuneTexts } from '@nestling/core/tune'
import { counted } from './shapes.ts'

interface Told {
  readonly title: string
  readonly tune: TuneTexts
}

const MOST = 3

/** "chord 2: B♭m7 6x666x here, B♭7 6x6767 there"; at most three, and how many more. */
export function tuneDifferences(mine: Told, theirs: Told): string {
  const told: string[] = []
  if (mine.title !== theirs.title) told.push(`${mine.title} here, ${theirs.title} there`)
  const [ours, others] = [chordsOf(mine.tune), chordsOf(theirs.tune)]
  for (let at = 0; at < Math.max(ours.length, others.length); at++) {
    const [here, there] = [chordWords(ours[at]), chordWords(others[at])]
    if (here !== there) told.push(`chord ${at + 1}: ${here} here, ${there} there`)
  }
  if (told.length === 0) return 'its bars, wishes or what counts differ'
  const more = told.length - MOST
  return told.slice(0, MOST).join('; ') + (more > 0 ? `; and ${counted(more, 'difference')} more` : '')
}

function chordWords(chord: TuneChord | undefined): string {
  return chord ? `${chord.symbol}${chord.frets === null ? '' : ` ${chord.frets}`}` : 'none'
}
