/** What a chord becomes: the formula that is mapped instead, what of it sounds, and where each new tone comes from. */
import { type Chord, type Formula, type OmissionSchool, respellRoot } from '../chord/index.ts'
import { EXTENSIONS, type Extension, extended } from '../near/index.ts'
import { type Degree, degreePitchClass, degreeSemitones, stepOf } from '../pitch/index.ts'
import type { TextErrorOf } from '../result/index.ts'
import { type ArrangementChoice, counterpartOf } from '../voicing/index.ts'

/** A tone was to join that the chord has already, or that no chord is told with. */
export type JoiningError = TextErrorOf<{ cannot_join: { choices: readonly Degree[] } }>

/** What makes room for a tone that joins: the root's voice moves to it, the fifth's does, or it takes a string more. */
export const JOINING_WAYS = ['root-moves', 'fifth-gives-way', 'one-more'] as const
export type JoiningWay = (typeof JOINING_WAYS)[number]

export type MapChange =
  | { readonly kind: 'none' }
  /** Every tone to its counterpart in another formula. */
  | { readonly kind: 'morph'; readonly formula: Formula }
  /** A tone more. */
  | { readonly kind: 'extend'; readonly extension: Extension; readonly way: JoiningWay }

/** A tone that stood where a new one stands, so many semitones below it; negative: above. */
export interface Before {
  readonly degree: Degree
  readonly by: number
}

/** What is searched in place of the chord. */
export interface ChangedChord {
  readonly chord: Chord
  /** The tones that stay silent; `undefined`: as the school has it. */
  readonly omit: readonly Degree[] | undefined
  readonly school: OmissionSchool
  /** The tone that joined: every shape has it. */
  readonly added: Degree | undefined
  /** By the new degree. Tones that stay are not in it. */
  readonly before: ReadonlyMap<Degree, Before>
}

/** Strings that a hand gives a chord as a rule. */
const MOST_VOICES = 4

/** A triad or a seventh chord is told tone by tone; of larger ones the school says what sounds. */
const isToldWhole = (formula: Formula): boolean => formula.length <= MOST_VOICES

/** The tones that can join a formula: those that do not sound as one of it. A fifth that is altered is another chord. */
export const joiningTones = (formula: Formula): readonly Extension[] =>
  EXTENSIONS.filter(
    (extension) =>
      stepOf(extension) !== 5 && formula.every((degree) => degreePitchClass(degree) !== degreePitchClass(extension)),
  )

/** The ways in which a tone can join a chord in this arrangement. */
export function joiningWays(formula: Formula, arrangement: ArrangementChoice): readonly JoiningWay[] {
  // A shell stands on its root and has no fifth to give.
  if (arrangement.kind === 'named' && arrangement.name === 'shell') return ['one-more']
  return [
    ...(formula.length > 3 ? (['root-moves'] as const) : []),
    ...(formula.some((degree) => stepOf(degree) === 5) ? (['fifth-gives-way'] as const) : []),
    ...(isToldWhole(formula) ? (['one-more'] as const) : []),
    // A triad whose root goes keeps two tones: the last that a player thinks of.
    ...(formula.length === 3 ? (['root-moves'] as const) : []),
  ]
}

/**
 * The chord that a change makes. A change that the chord does not allow leaves it as it is.
 * @param omit Tones that are to stay silent; a tone that joins decides that by itself.
 */
export function changedChord(
  { root, formula }: Chord,
  arrangement: ArrangementChoice,
  change: MapChange,
  school: OmissionSchool,
  omit: readonly Degree[] | undefined = undefined,
): ChangedChord {
  const same: ChangedChord = { chord: { root, formula }, omit, school, added: undefined, before: new Map() }
  switch (change.kind) {
    case 'none':
      return same
    case 'morph': {
      const before = change.formula.flatMap((degree): readonly (readonly [Degree, Before])[] => {
        if (formula.includes(degree)) return []
        const was = counterpartOf(degree, formula)
        return was === undefined ? [] : [[degree, { degree: was, by: degreeSemitones(degree) - degreeSemitones(was) }]]
      })
      const chord = { root: respellRoot(root, change.formula), formula: change.formula }
      // What was silent stays so under its new name.
      const silent = omit?.flatMap((degree) => counterpartOf(degree, change.formula) ?? [])
      return { ...same, chord, omit: silent, before: new Map(before) }
    }
    case 'extend': {
      const { extension, way } = change
      if (!joiningTones(formula).includes(extension) || !joiningWays(formula, arrangement).includes(way)) return same
      const larger = extended(formula, extension)
      const added = larger.find((degree) => degreePitchClass(degree) === degreePitchClass(extension)) ?? extension
      const left =
        way === 'one-more' ? undefined : formula.find((degree) => stepOf(degree) === (way === 'root-moves' ? 1 : 5))
      const sounding = [...formula.filter((degree) => degree !== left), added]
      return {
        chord: { root: respellRoot(root, larger), formula: larger },
        omit:
          isToldWhole(formula) && !(arrangement.kind === 'named' && arrangement.name === 'shell')
            ? larger.filter((degree) => !sounding.includes(degree))
            : undefined,
        school: way === 'root-moves' ? 'drop-root' : way === 'fifth-gives-way' ? 'drop-fifth' : school,
        added,
        before: new Map(left === undefined ? [] : [[added, { degree: left, by: nearest(left, added) }]]),
      }
    }
  }
}

/** From one tone to another by the shorter way, in semitones. */
function nearest(from: Degree, to: Degree): number {
  const up = (degreePitchClass(to) - degreePitchClass(from) + 12) % 12
  return up > 6 ? up - 12 : up
}

/** An arrangement by degrees goes along: the new tone where the old one stood. */
export function changedArrangement(arrangement: ArrangementChoice, { before }: ChangedChord): ArrangementChoice {
  if (arrangement.kind !== 'list') return arrangement
  const after = new Map([...before].map(([now, { degree }]) => [degree, now] as const))
  return { kind: 'list', degrees: arrangement.degrees.map((degree) => after.get(degree) ?? degree) }
}
