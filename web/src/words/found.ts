/** What the list of shapes says of itself. */
import type { Chord } from '@nestling/core/chord'
import type { Degree } from '@nestling/core/pitch'
import type { KeptWish, Question } from '@nestling/core/request'
import { degreeSign } from './degrees.ts'
import { arrangementWords, counted } from './shapes.ts'

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven'] as const

/** "a triad has three tones" where that is what it is. */
const tonesWords = ({ formula }: Pick<Chord, 'formula'>): string =>
  formula.length === 3 ? 'a triad has three tones' : `it has ${NUMBERS[formula.length] ?? formula.length} tones`

const MOST_TONES_OF_A_TRIAD = 3

/**
 * Why kept wishes gave way: "a triad has three tones; drop 2 wants four: any arrangement is shown". It takes the question
 * as it was asked, before anything gave way.
 */
export function gaveWayWords(
  gaveWay: readonly KeptWish[],
  { chord, arrangement }: Question,
  isByTaste = false,
): string {
  if (gaveWay.length === 0) return ''
  const freed = gaveWay.map((wish) => FREED[wish]).join(' and ')
  const shown = `${freed} ${gaveWay.length > 1 || gaveWay.includes('strings') ? 'are' : 'is'} shown`
  if (isByTaste) return `nothing lies well there: ${shown}`
  if (gaveWay.includes('arrangement') && arrangement.kind === 'named') {
    const wants = /^drop/.test(arrangement.name) && chord.formula.length <= MOST_TONES_OF_A_TRIAD
    return wants
      ? `${tonesWords(chord)}; ${arrangementWords(arrangement)} wants four: ${shown}`
      : `it lies in no ${arrangementWords(arrangement)} here: ${shown}`
  }
  return `it does not lie there: ${shown}`
}
const FREED: Readonly<Record<KeptWish, string>> = {
  arrangement: 'any arrangement',
  strings: 'any strings',
  frets: 'the whole neck',
}

/** "drop 3 has 3x443x": what lies easier, and what it lets go. */
export function easierWords(
  wish: KeptWish,
  { arrangement, strings, frets }: { readonly arrangement: string; readonly strings: string; readonly frets: string },
): string {
  const said: Readonly<Record<KeptWish, string>> = {
    arrangement,
    strings: `strings ${strings}`,
    frets: 'the whole neck',
  }
  return `${said[wish]} ${wish === 'strings' ? 'have' : 'has'} ${frets}`
}

/** Nothing found, with what makes it so. */
export function nothingFoundWords({ chord, arrangement }: Question, where: string, beyond: number): string {
  if (arrangement.kind === 'named' && /^drop-(3|2-)/.test(arrangement.name) && chord.formula.length <= 3)
    return `${tonesWords(chord)}; ${arrangementWords(arrangement)} wants four`
  return beyond > 0 ? `${counted(beyond, 'shape')} ${where}, beyond reach` : `No shape ${where} within your reach`
}

/** "the 5 and the root". */
export const leftOutWords = (degrees: readonly Degree[]): string =>
  degrees.map((degree) => `the ${degree === 'R' ? 'root' : degreeSign(degree)}`).join(' and ')

/** While shapes are looked for, where what is in hand would stand. */
export const COUNTING = 'counting…'
