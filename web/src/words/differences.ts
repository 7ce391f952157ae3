/** Two states of one thing, told by what differs between them. */
import { counted } from './shapes.ts'

const MOST_LETTERS = 40

/** Fields as they are called on the page. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  tags: 'tags',
  tune: 'its tune',
  blocks: 'what is on it',
  lying: 'how the paper lies',
  barsALine: 'bars in a line',
  tuningName: 'the tuning’s name',
  scaleLengthMm: 'scale length',
  spacingNutMm: 'spacing at the nut',
  spacingBridgeMm: 'spacing at the bridge',
  lastReachableFret: 'the last fret in reach',
}

function valueWords(value: unknown): string {
  if (value === '' || value === null || value === undefined) return 'nothing'
  if (Array.isArray(value))
    return value.every((one) => typeof one === 'string')
      ? value.join(', ') || 'nothing'
      : counted(value.length, 'block')
  if (typeof value === 'object') return 'another'
  const text = String(value)
  return text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS)} …` : text
}

/** "name: bridge here, coda there; note: softly here, nothing there". */
export const differenceWords = <Fields extends object>(
  names: readonly (keyof Fields & string)[],
  mine: Fields,
  theirs: Fields,
): string =>
  names
    .map((name) => `${FIELD_WORDS[name] ?? name}: ${valueWords(mine[name])} here, ${valueWords(theirs[name])} there`)
    .join('; ')
