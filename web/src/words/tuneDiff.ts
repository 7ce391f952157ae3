/** Two states of one tune, told by what differs between them. */
import { counted } from './shapes.ts'

interface Told {
  readonly title: string
  readonly query: string
  readonly chords: readonly { readonly symbol: string; readonly frets: string | null }[]
}

const MOST = 3

/** "chord 2: B♭m7 6x666x here, B♭7 6x6767 there"; at most three, and how many more. */
export function tuneDifferences(mine: Told, theirs: Told): string {
  const told: string[] = []
  if (mine.title !== theirs.title) told.push(`${mine.title} here, ${theirs.title} there`)
  for (let at = 0; at < Math.max(mine.chords.length, theirs.chords.length); at++) {
    const [here, there] = [chordWords(mine, at), chordWords(theirs, at)]
    if (here !== there) told.push(`chord ${at + 1}: ${here} here, ${there} there`)
  }
  if (told.length === 0) return 'its bars, wishes or what counts differ'
  const more = told.length - MOST
  return told.slice(0, MOST).join('; ') + (more > 0 ? `; and ${counted(more, 'difference')} more` : '')
}

function chordWords({ chords }: Told, at: number): string {
  const chord = chords[at]
  return chord ? `${chord.symbol}${chord.frets === null ? '' : ` ${chord.frets}`}` : 'none'
}
