/** What each word of a build may be changed to; every choice is a whole build, so that it can be counted and taken. */
import { omittableDegrees } from '../chord/index.ts'
import { COMMON_TUNINGS, type StringSet, writeTuning } from '../neck/index.ts'
import { stepOf } from '../pitch/index.ts'
import { ARRANGEMENT_NAMES } from '../voicing/index.ts'
import { instrumentFor } from './shapes.ts'
import type { Build, Setting } from './types.ts'

export const CHOICE_FIELDS = ['arrangement', 'strings', 'bass', 'top', 'omit', 'open', 'tuning'] as const
export type ChoiceField = (typeof CHOICE_FIELDS)[number]

/** The builds that one word offers, in the order in which they are listed. */
export function choicesOf(field: ChoiceField, build: Build, setting: Setting): readonly Build[] {
  const { formula } = build.chord
  switch (field) {
    case 'arrangement':
      return [
        { ...build, arrangement: { kind: 'any' } },
        ...ARRANGEMENT_NAMES.map((name) => ({ ...build, arrangement: { kind: 'named' as const, name } })),
      ]
    case 'strings': {
      const count = instrumentFor(build, setting).tuning.strings.length
      return [undefined, ...usualStringSets(count, formula.length)].map((strings) => ({ ...build, strings }))
    }
    case 'bass':
      return [undefined, ...formula].map((bass) => ({ ...build, bass }))
    case 'top':
      return [undefined, ...formula].map((top) => ({ ...build, top }))
    case 'omit':
      return [undefined, [], ...omittableDegrees(formula).map((degree) => [degree])].map((omit) => ({ ...build, omit }))
    case 'open':
      return (['never', 'allow', 'require'] as const).map((open) => ({ ...build, open }))
    case 'tuning': {
      const own = writeTuning(setting.instrument.tuning)
      const now = instrumentFor(build, setting).tuning.strings.length
      return [
        undefined,
        ...[...COMMON_TUNINGS, ...setting.ownTunings].filter((tuning) => writeTuning(tuning) !== own),
      ].map((tuning) => ({
        ...build,
        tuning,
        strings: (tuning ?? setting.instrument.tuning).strings.length === now ? build.strings : undefined,
      }))
    }
  }
}

/**
 * Sets of neighbouring strings first, then sets with one gap; as many strings as the chord has tones (four at most), then
 * one fewer, then one more.
 */
export function usualStringSets(strings: number, tones: number): readonly StringSet[] {
  const most = Math.min(tones, strings, 4)
  return [most, most - 1, most + 1].filter((size) => size >= 2).flatMap((size) => neighbouringSets(strings, size))
}

/** Sets of so many neighbouring strings, the highest first, then those with one gap. */
export function neighbouringSets(strings: number, size: number): readonly StringSet[] {
  const sets: StringSet[] = []
  if (size > strings) return sets
  for (let low = strings - size; low >= 0; low--) sets.push(Array.from({ length: size }, (_, index) => low + index))
  for (let low = strings - size - 1; low >= 0; low--)
    for (let gap = 1; gap < size; gap++)
      sets.push(Array.from({ length: size }, (_, index) => low + index + (index >= gap ? 1 : 0)))
  return sets
}

/** Builds that still find something where this one finds nothing, by what each gives up. */
export function waysOut(
  build: Build,
  setting: Setting,
): readonly { readonly giveUp: 'reach' | 'strings' | 'arrangement' | 'bass' | 'omit'; readonly build: Build }[] {
  const strings = instrumentFor(build, setting).tuning.strings.length
  const sets = usualStringSets(strings, build.chord.formula.length).filter(
    (set) => set.join() !== build.strings?.join(),
  )
  return [
    { giveUp: 'reach', build: { ...build, span: LONGER_SPAN } },
    ...(build.strings === undefined
      ? []
      : sets.map((set) => ({ giveUp: 'strings' as const, build: { ...build, strings: set } }))),
    ...(build.arrangement.kind === 'any'
      ? []
      : [{ giveUp: 'arrangement' as const, build: { ...build, arrangement: { kind: 'any' as const } } }]),
    ...(build.bass === undefined && build.top === undefined
      ? []
      : [{ giveUp: 'bass' as const, build: { ...build, bass: undefined, top: undefined } }]),
    ...(build.omit === undefined ? [] : [{ giveUp: 'omit' as const, build: { ...build, omit: undefined } }]),
    ...fewerTones(build),
  ]
}

/** More tones than strings, and no school that leaves out enough: the fifth goes, then the lower extensions, then the root. */
function fewerTones(build: Build): readonly { readonly giveUp: 'omit'; readonly build: Build }[] {
  const { formula } = build.chord
  const tooMany = build.strings === undefined ? 0 : formula.length - build.strings.length
  if (tooMany <= 0) return []
  const highest = formula.at(-1)
  const extensions = formula.filter((degree) => stepOf(degree) > 7 && degree !== highest)
  const omit = [...formula.filter((degree) => degree === '5'), ...extensions, 'R' as const].slice(0, tooMany)
  return omit.length === tooMany ? [{ giveUp: 'omit', build: { ...build, omit } }] : []
}

/** Frets from the lowest to the highest finger when the player lifts the reach limit. */
const LONGER_SPAN = 7
