/** What a map's places are, in words. */
import { type Chord, type SymbolStyle, writeSymbol } from '@nestling/core/chord'
import type { JoiningWay, MapGap, MapPlace, WhyNone } from '@nestling/core/map'
import { stringNumber } from '@nestling/core/neck'
import type { Degree, NamingSystem } from '@nestling/core/pitch'
import { degreeName } from './degrees.ts'
import { counted, fretsWord } from './shapes.ts'
import { spokenChord } from './spoken.ts'

/** Why a string set is empty, after its strings. */
export const WHY_WORDS: Readonly<Record<WhyNone, string>> = {
  open: 'only with open strings',
  frets: 'not in these frets',
  neck: 'above the last fret',
  several: 'only with open strings, other frets or a longer reach together',
  nowhere: 'not on these strings',
}

/** The same beside the strings of a lane, where there is little room. */
export const WHY_SHORT: Readonly<Record<WhyNone, string>> = {
  open: 'open strings only',
  frets: 'other frets',
  neck: 'past the last fret',
  several: 'farther off',
  nowhere: 'not here',
}

/** What a lane lacks, by why: "root, fifth: only with open strings". */
export function missingWords(
  gaps: readonly MapGap[],
  words: Readonly<Record<WhyNone, string>>,
  nameOf: (degree: Degree) => string,
): readonly string[] {
  const whys = [...new Set(gaps.map(({ why }) => why))]
  return whys.map(
    (why) =>
      `${gaps
        .filter((gap) => gap.why === why)
        .map(({ bass }) => nameOf(bass))
        .join(' ')}: ${words[why]}`,
  )
}

export const HOLD_WORDS: Readonly<Record<Exclude<MapPlace['hold'], 'held'>, string>> = {
  fingers: 'more than four fingers',
  beyond: 'beyond reach',
}

export const JOINING_WORDS: Readonly<Record<JoiningWay, string>> = {
  'root-moves': 'the root moving',
  'fifth-gives-way': 'the fifth giving way',
  'one-more': 'on a string more',
}

/** The words under a place: what else it is known as, and how wide it is or why it can't be held. */
export function wordsOfPlace(
  { twin, reachMm, hold }: MapPlace,
  style: SymbolStyle,
): { readonly name: string; readonly told: string } {
  const mm = `${Math.round(reachMm)} mm`
  return {
    name: twin && hold === 'held' ? writeSymbol(twin, style) : '',
    told: hold === 'beyond' ? `${mm}, beyond` : hold === 'fingers' ? 'five fingers' : mm,
  }
}

/** For the ear: the chord, the shape, every tone with where it comes from, and whether it is held. */
export function spokenPlace(place: MapPlace, chord: Chord, strings: number, naming?: NamingSystem): string {
  const { frets, degrees, from, reachMm, hold, twin } = place
  const tones = frets.flatMap((fret, string) => {
    const degree = degrees[string]
    if (fret === null || !degree) return []
    const came = from.find((one) => one.string === string)
    const moved = came ? `, from the ${degreeName(came.degree)} ${movedWords(came.by)}` : ''
    return [
      `string ${stringNumber(string, strings)} ${fret === 0 ? 'open' : `fret ${fret}`} the ${degreeName(degree)}${moved}`,
    ]
  })
  const held = hold === 'held' ? '' : `, ${HOLD_WORDS[hold]}`
  const known = twin ? `, is ${spokenChord(twin, naming)}` : ''
  return `${spokenChord(chord, naming)}, ${fretsWord(frets)}: ${tones.join('; ')}; ${Math.round(reachMm)} millimetres${held}${known}`
}

const movedWords = (by: number): string => `${counted(Math.abs(by), 'fret')} ${by > 0 ? 'up' : 'down'}`
