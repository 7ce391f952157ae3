/** The words of a run's typed line that name grips, strings and a place on the neck, in the language of the other lines. */
import type { Formula } from '../chord/index.ts'
import type { Depth } from '../key/index.ts'
import { type LaneAsk, ordersOn, readAsk, toneOf, type UsualOrder } from '../lane/index.ts'
import { type StringIndex, stringIndex } from '../neck/index.ts'
import { stepOf } from '../pitch/index.ts'

export interface Word {
  readonly word: string
  readonly at: number
}

/** How the tones are held, as far as the line says it. */
export interface Grip {
  /** String sets as they are written: `6432`, `10,9,8`. */
  readonly sets: readonly Word[]
  readonly order?: string
  readonly arrangement?: string
  readonly rootless?: boolean
  readonly withoutFifth?: boolean
}

export const small = (word: Word | undefined): string => word?.word.toLowerCase() ?? ''
const isDigit = (word: Word | undefined): boolean => /^([1-9]|10)$/.test(small(word))
const falls = (numbers: readonly number[]): boolean =>
  numbers.every((one, index) => index === 0 || one < (numbers[index - 1] as number))

/** Words of a grip at a place and what they add to it; `undefined` where none stands there. */
export function gripAt(
  words: readonly Word[],
  at: number,
  strings: number,
  grip: Grip,
): { readonly grip: Grip; readonly count: number } | undefined {
  const word = words[at]
  const [lower, next] = [small(word), small(words[at + 1])]
  if (word === undefined) return undefined
  const add = (more: Partial<Grip>, count = 1) => ({ grip: { ...grip, ...more }, count })
  if (
    /^\d{3,10}$/.test(lower) &&
    [...lower].every((digit) => Number(digit) >= 1 && Number(digit) <= strings) &&
    falls([...lower].map(Number))
  )
    return add({ sets: [...grip.sets, word] })
  let count = 0
  const run: Word[] = []
  while (isDigit(words[at + count])) run.push(words[at + count++] as Word)
  const numbers = run.map((one) => Number(one.word))
  if (count > 2 && falls(numbers) && (numbers[0] as number) <= strings)
    return add({ sets: [...grip.sets, { word: numbers.join(','), at: word.at }] }, count)
  if (lower === 'drop' && /^\d([&+-]\d)?$/.test(next))
    return add({ arrangement: `drop-${next.replace(/[&+]/, '-')}` }, 2)
  if (/^(close|spread|drop-?\d([&+-]\d)?)$/.test(lower))
    return add({ arrangement: lower.replace(/^drop-?/, 'drop-').replace(/[&+]/, '-') })
  if (/^shells?$/.test(lower) || /^no(5|5th)$/.test(lower)) return add({ withoutFifth: true })
  if (lower === 'rootless') return add({ rootless: true })
  if (/^(no|without)$/.test(lower)) {
    const behind = next === 'the' ? 2 : 1
    const tone = small(words[at + behind])
    if (/^(5|5th|fifth)$/.test(tone)) return add({ withoutFifth: true }, behind + 1)
    if (/^(r|1|root)$/.test(tone)) return add({ rootless: true }, behind + 1)
    return undefined
  }
  let apart = 0
  while (/^(r|[13579]|11|13)$/.test(small(words[at + apart]))) apart++
  const order = words.slice(at, at + apart).map(small)
  if (apart > 2 && order.includes('r')) return add({ order: order.join('-').toUpperCase() }, apart)
  if (/^r(-?(r|11|13|[13579])){1,5}$/.test(lower) || /^[3579](-?(r|11|13|[13579])){2,5}$/.test(lower))
    return lower.includes('r') ? add({ order: lower.toUpperCase() }) : undefined
  return undefined
}

/** How far thirds are stacked in a formula. */
const depthOf = (formula: Formula): Depth => {
  const has = (step: number) => formula.some((degree) => stepOf(degree) === step)
  if (has(13)) return 'thirteenths'
  if (has(11)) return 'elevenths'
  if (has(9)) return 'ninths'
  return has(7) || has(6) ? 'sevenths' : 'triads'
}

/** Where shells and rootless chords are held when no strings are named. */
const USUAL_SETS = { shells: ['643', '543'], rootless: ['432'], other: [] } as const

/** The orders that a grip asks for; the word at which none can be had. */
export function ordersOf(grip: Grip, formula: Formula, strings: number): readonly UsualOrder[] | Word {
  const { order, arrangement, rootless = false, withoutFifth = false } = grip
  const usual = USUAL_SETS[rootless ? 'rootless' : withoutFifth ? 'shells' : 'other']
  const sets =
    grip.sets.length > 0
      ? grip.sets
      : usual.filter((set) => Number(set[0]) <= strings).map((word): Word => ({ word, at: 0 }))
  const depth = depthOf(formula)
  const found: UsualOrder[] = []
  for (const set of sets) {
    const asked = readAsk({ strings: set.word, order, arrangement }, strings, depth)
    const on = setOf(set.word, strings)
    const one: Pick<Extract<LaneAsk, { kind: 'order' }>, 'order'> | undefined =
      order !== undefined || arrangement !== undefined
        ? asked.ok && asked.value.kind === 'order'
          ? asked.value
          : undefined
        : ordersOn(on, { depth, rootless, withoutFifth }).map((each) => ({ order: each }))[0]
    if (!one) return set
    found.push({ order: one.order, strings: on })
  }
  return found
}

const setOf = (text: string, strings: number): readonly StringIndex[] =>
  (text.includes(',') ? text.split(',') : (text.match(strings > 9 ? /10|\d/g : /\d/g) ?? []))
    .map((number) => stringIndex(Number(number), strings))
    .toSorted((a, b) => a - b)

/** Another chord in the same places: orders that it has the tones for stay, others become the usual one of their strings. */
export function rulesOrders(orders: readonly UsualOrder[], formula: Formula): readonly UsualOrder[] {
  const depth = depthOf(formula)
  return orders.flatMap(({ order, strings }): readonly UsualOrder[] => {
    if (order.every((number) => toneOf({ formula }, number) !== undefined)) return [{ order, strings }]
    const [usual] = ordersOn(strings, { depth, rootless: !order.includes(1) })
    return usual ? [{ order: usual, strings }] : []
  })
}
