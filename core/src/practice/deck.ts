/** A deck: cards of every kind made from a material by a seed. The same seed gives the same deck. */
import type { Chord } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
import { keyOf, MAJOR } from '../key/index.ts'
import type { Neck } from '../neck/index.ts'
import { type Degree, spellDegree } from '../pitch/index.ts'
import type { Frets } from '../voicing/index.ts'
import { type Card, cardsOf, keyCards } from './cards.ts'
import { writeCard } from './cardText.ts'
import { chanceOf, shuffled } from './chance.ts'
import type { RunStep } from './run.ts'

/** Besides the shape on every root, so many cards of each other kind. */
const OF_EACH = 2
/** The tone that is asked for wrongly in a name: a semitone lower, or higher where that is no chord. */
const BESIDE: Readonly<Partial<Record<Degree, Degree>>> = { '7': 'b7', b7: '7', '3': 'b3', b3: '3', '5': 'b5', b5: '5' }

export function deckOf(steps: readonly RunStep[], seed: number, neck: Neck, profile: HandProfile): readonly Card[] {
  const random = chanceOf(seed)
  const held = steps.flatMap(({ chord, shape, root }) => (shape ? [{ chord, frets: shape.frets, root }] : []))
  const [first] = held
  if (!first) return []
  const plays = firstOfForms(held).flatMap(({ chord, frets }) =>
    cardsOf(chord, frets, rootsOf(held, chord), neck, profile).filter(({ kind }) => kind === 'play'),
  )
  const others = shuffled(held, random).flatMap(({ chord, frets }) => [
    ...cardsOf(chord, frets, [], neck, profile).map((card) => turned(card, random)),
    ...stepCards(chord),
  ])
  const taken = new Map<Card['kind'], number>()
  const chosen = shuffled(others, random).filter(({ kind }) => {
    const count = taken.get(kind) ?? 0
    taken.set(kind, count + 1)
    return count < OF_EACH
  })
  const seen = new Set<string>()
  return [...plays, ...chosen].filter((card) => {
    const text = writeCard(card)
    return !seen.has(text) && seen.add(text)
  })
}

interface Held {
  readonly chord: Chord
  readonly frets: Frets
  readonly root: Chord['root']
}

/** One shape of each form, as it is met first: on every root it is the same hand. */
function firstOfForms(held: readonly Held[]): readonly Held[] {
  const forms = new Map<string, Held>()
  for (const one of held) {
    const lowest = Math.min(...one.frets.flatMap((fret) => fret ?? []))
    const form = `${one.chord.formula.join()} ${one.frets.map((fret) => (fret === null ? 'x' : fret - lowest)).join()}`
    if (!forms.has(form)) forms.set(form, one)
  }
  return [...forms.values()]
}

const rootsOf = (held: readonly Held[], chord: Chord): readonly Chord['root'][] => [
  ...new Set(held.flatMap((one) => (one.chord.formula.join() === chord.formula.join() ? [one.chord.root] : []))),
]

/** Half of the names are wrong, and either of two chords may be the one that is heard. */
function turned(card: Card, random: () => number): Card {
  if (card.kind === 'which') return { ...card, heard: random() < 0.5 ? 0 : 1 }
  if (card.kind !== 'name' || random() < 0.5) return card
  const { formula } = card.chord
  const degree = formula.find((one) => BESIDE[one] !== undefined && !formula.includes(BESIDE[one]))
  const beside = degree && BESIDE[degree]
  if (!beside || !spellDegree(card.chord.root, beside)) return card
  return { ...card, chord: { ...card.chord, formula: formula.map((one) => (one === degree ? beside : one)) } }
}

/** The steps of the major key on the chord's root. */
function stepCards({ root }: Chord): readonly Card[] {
  const key = keyOf(root, MAJOR)
  return key ? keyCards(key, 'sevenths') : []
}
