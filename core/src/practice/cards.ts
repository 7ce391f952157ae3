/**
 * Recall cards: one question each about a chord, a shape or a key, made from the engine, with its right answers.
 *   a shape ─cardsOf→ Card[]; Card + Answer ─checkCard→ right, nearly or wrong, and what would be right
 */
import type { Chord } from '../chord/index.ts'
import { type HandProfile, handOn, silentStrings } from '../hand/index.ts'
import { chordScale, type Depth, type Key, leastMoves } from '../key/index.ts'
import { checkClaim, namesOf } from '../name/index.ts'
import type { Neck, StringIndex } from '../neck/index.ts'
import { type Degree, degreePitchClass, type NoteName, pitchClassOf, spellDegree } from '../pitch/index.ts'
import { type Frets, lowestPressed, tonesReader } from '../voicing/index.ts'
import { movedShapes } from './run.ts'

export type Card =
  /** Play this shape with its chord on that root. */
  | { readonly kind: 'play'; readonly chord: Chord; readonly shape: Frets; readonly root: NoteName }
  /** Which degree sounds on this string? */
  | { readonly kind: 'degree'; readonly chord: Chord; readonly frets: Frets; readonly string: StringIndex }
  /** Which of the chord's tones does nobody sound? */
  | { readonly kind: 'missing'; readonly chord: Chord; readonly frets: Frets }
  /** What else is this shape? */
  | { readonly kind: 'also'; readonly chord: Chord; readonly frets: Frets }
  /** Which finger damps this string? */
  | { readonly kind: 'damps'; readonly frets: Frets; readonly string: StringIndex }
  /** The third chord of A. */
  | { readonly kind: 'step'; readonly key: Key; readonly depth: Depth; readonly step: number }
  /** Spell the ♯5 of A. */
  | { readonly kind: 'spell'; readonly root: NoteName; readonly degree: Degree }
  /** Is this its name? */
  | { readonly kind: 'name'; readonly frets: Frets; readonly chord: Chord }
  /** From this chord to that one: which tones move? */
  | { readonly kind: 'moves'; readonly from: Chord; readonly to: Chord }
  /** Two chords are named and one is heard: which? */
  | { readonly kind: 'which'; readonly chords: readonly [Chord, Chord]; readonly heard: 0 | 1 }
  /** A step is heard from the root: which degree does it reach? */
  | { readonly kind: 'heard-step'; readonly root: NoteName; readonly degree: Degree }

export type CardAnswer =
  | { readonly kind: 'frets'; readonly frets: Frets }
  | { readonly kind: 'degrees'; readonly degrees: readonly Degree[] }
  | { readonly kind: 'chord'; readonly chord: Chord }
  | { readonly kind: 'note'; readonly note: NoteName }
  | { readonly kind: 'finger'; readonly finger: number | 'T' | 'none' }
  | { readonly kind: 'yes'; readonly yes: boolean }
  | { readonly kind: 'choice'; readonly choice: number }

/**
 * Why an answer is only nearly right:
 *   place     the chord, in another shape or with another tone in the bass
 *   sound     sounds the same and is called otherwise
 *   some      some of them, or one too many
 */
export type Nearly = 'place' | 'sound' | 'some'

export interface Checked {
  readonly verdict: 'right' | 'nearly' | 'wrong'
  readonly nearly?: Nearly
  /** What is right; several where each of them is. */
  readonly right: readonly CardAnswer[]
}

const sameSound = (a: Degree, b: Degree): boolean => degreePitchClass(a) === degreePitchClass(b)
const isSame = (a: Chord, b: Chord): boolean =>
  a.root === b.root &&
  a.bass === b.bass &&
  a.formula.length === b.formula.length &&
  a.formula.every((degree) => b.formula.includes(degree))
const soundOf = ({ root, formula, bass }: Chord): string =>
  [...new Set(formula.map((degree) => (pitchClassOf(root) + degreePitchClass(degree)) % 12))]
    .sort((a, b) => a - b)
    .join() + (bass === undefined ? '' : `/${pitchClassOf(bass)}`)

/** What is right for a card. A card that `cardsOf` made has at least one right answer. */
export function rightAnswers(card: Card, neck: Neck, profile: HandProfile): readonly CardAnswer[] {
  switch (card.kind) {
    case 'play': {
      const by = pitchClassOf(card.root) - pitchClassOf(card.chord.root)
      return movedShapes(card.shape, by, neck, neck.lastFret).map((frets) => ({ kind: 'frets', frets }))
    }
    case 'degree': {
      const degree = tonesReader(card.chord, neck)(card.frets)?.degrees[card.string]
      return degree ? [{ kind: 'degrees', degrees: [degree] }] : []
    }
    case 'missing':
      return [{ kind: 'degrees', degrees: silentTones(card.chord, card.frets, neck) }]
    case 'also':
      return otherNames(card.chord, card.frets, neck).map((chord) => ({ kind: 'chord', chord }))
    case 'damps': {
      const fingering = handOn(neck, profile).bestFingering(card.frets)
      const silent =
        fingering && silentStrings(neck, card.frets, fingering, 'pick').find(({ string }) => string === card.string)
      return silent ? [{ kind: 'finger', finger: silent.kind === 'damped' ? silent.by : 'none' }] : []
    }
    case 'step': {
      const found = chordScale(card.key, card.depth, 'honest')[card.step - 1]
      return found ? [{ kind: 'chord', chord: found.chord }] : []
    }
    case 'spell': {
      const note = spellDegree(card.root, card.degree)
      return note ? [{ kind: 'note', note }] : []
    }
    case 'name':
      return [{ kind: 'yes', yes: checkClaim(card.chord, card.frets, neck).verdict !== 'wrong' }]
    case 'moves':
      return [{ kind: 'degrees', degrees: movingTones(card.from, card.to) }]
    case 'which':
      return [{ kind: 'choice', choice: card.heard }]
    case 'heard-step':
      return [{ kind: 'degrees', degrees: [card.degree] }]
  }
}

const silentTones = (chord: Chord, frets: Frets, neck: Neck): readonly Degree[] => {
  const sounded = new Set(tonesReader(chord, neck)(frets)?.degrees)
  return chord.formula.filter((degree) => !sounded.has(degree))
}
const movingTones = (from: Chord, to: Chord): readonly Degree[] =>
  leastMoves(from, to).flatMap((move) => (move.by === 0 ? [] : [move.from]))
const otherNames = (chord: Chord, frets: Frets, neck: Neck): readonly Chord[] =>
  namesOf(frets, neck).flatMap((name) =>
    name.derived || pitchClassOf(name.chord.root) === pitchClassOf(chord.root) ? [] : [name.chord],
  )

export function checkCard(card: Card, answer: CardAnswer, neck: Neck, profile: HandProfile): Checked {
  const right = rightAnswers(card, neck, profile)
  if (right.some((one) => isEqual(one, answer))) return { verdict: 'right', right }
  const nearly = nearlyRight(card, answer, right, neck)
  return nearly ? { verdict: 'nearly', nearly, right } : { verdict: 'wrong', right }
}

function isEqual(a: CardAnswer, b: CardAnswer): boolean {
  if (a.kind === 'chord' && b.kind === 'chord') return isSame(a.chord, b.chord)
  if (a.kind === 'degrees' && b.kind === 'degrees')
    return a.degrees.length === b.degrees.length && a.degrees.every((degree) => b.degrees.includes(degree))
  return JSON.stringify(a) === JSON.stringify(b)
}

function nearlyRight(card: Card, answer: CardAnswer, right: readonly CardAnswer[], neck: Neck): Nearly | undefined {
  if (card.kind === 'play' && answer.kind === 'frets') {
    const tones = tonesReader({ ...card.chord, root: card.root }, neck)(answer.frets)
    const sounded = new Set(tones?.degrees)
    return tones && card.chord.formula.every((degree) => sounded.has(degree)) ? 'place' : undefined
  }
  for (const one of right) {
    if (one.kind === 'chord' && answer.kind === 'chord' && soundOf(one.chord) === soundOf(answer.chord)) return 'sound'
    if (one.kind === 'note' && answer.kind === 'note' && pitchClassOf(one.note) === pitchClassOf(answer.note))
      return 'sound'
    if (one.kind !== 'degrees' || answer.kind !== 'degrees') continue
    const { degrees } = one
    const among = answer.degrees.filter((degree) => degrees.some((other) => sameSound(degree, other)))
    if (among.length === degrees.length && among.length === answer.degrees.length) return 'sound'
    if (among.length > 0) return 'some'
  }
  return undefined
}

/** Every card that a shape gives: those whose question it has no answer to are left out. */
export function cardsOf(
  chord: Chord,
  frets: Frets,
  roots: readonly NoteName[],
  neck: Neck,
  profile: HandProfile,
): readonly Card[] {
  const isMovable = lowestPressed(frets) > 0 && !frets.includes(0)
  const darker = chord.formula.includes('7')
    ? chord.formula.map((degree): Degree => (degree === '7' ? 'b7' : degree))
    : undefined
  const all: readonly Card[] = [
    ...(isMovable ? roots.map((root): Card => ({ kind: 'play', chord, shape: frets, root })) : []),
    ...frets.flatMap((fret, string): readonly Card[] =>
      fret === null ? [{ kind: 'damps', frets, string }] : [{ kind: 'degree', chord, frets, string }],
    ),
    ...(silentTones(chord, frets, neck).length > 0 ? [{ kind: 'missing', chord, frets } as const] : []),
    { kind: 'also', chord, frets },
    { kind: 'name', frets, chord },
    ...chord.formula.flatMap((degree): readonly Card[] =>
      degree === 'R'
        ? []
        : [
            { kind: 'spell', root: chord.root, degree },
            { kind: 'heard-step', root: chord.root, degree },
          ],
    ),
    ...(darker
      ? [
          { kind: 'moves', from: chord, to: { root: chord.root, formula: darker } } as const,
          { kind: 'which', chords: [chord, { root: chord.root, formula: darker }], heard: 0 } as const,
        ]
      : []),
  ]
  return all.filter((card) => rightAnswers(card, neck, profile).length > 0)
}

/** The steps of a key as cards, one for each. */
export const keyCards = (key: Key, depth: Depth): readonly Card[] =>
  chordScale(key, depth, 'honest').map(({ step }) => ({ kind: 'step', key, depth, step }))
