/** The words of a run's typed line that name grips, strings and a place on the neck, in the language of the other lines. */
import type { Formula } from '../chord/index.ts'
import type { Depth } from '../key/index.ts'
import { gripWord, ordersOn, readAsk, toneOf, type UsualOrder, usualSets } from '../lane/index.ts'
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
  const lower = small(word)
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
  const said = gripWord((by) => small(words[at + by]))
  if (said) {
    const { count: taken, ...more } = said
    return add(more, taken)
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

/** The orders that a grip asks for; the word at which none can be had. */
export function ordersOf(grip: Grip, formula: Formula, strings: number): readonly UsualOrder[] | Word {
  const { order, arrangement, rootless = false, withoutFifth = false } = grip
  const isShell = rootless || withoutFifth
  const usual = isShell ? usualSets(rootless, strings).map((word): Word => ({ word, at: 0 })) : []
  const found: UsualOrder[] = []
  for (const set of grip.sets.length > 0 ? grip.sets : usual) {
    const wish = { depth: depthOf(formula), rootless, withoutFifth }
    const asked = readAsk({ strings: set.word, order, arrangement }, strings, wish)
    if (!asked.ok || asked.value.kind !== 'order') return set
    found.push({ order: asked.value.order, strings: asked.value.strings })
  }
  return found
}

/** Another chord in the same places: orders that it has the tones for stay, others become the usual one of their strings. */
export function rulesOrders(orders: readonly UsualOrder[], formula: Formula): readonly UsualOrder[] {
  const depth = depthOf(formula)
  return orders.flatMap(({ order, strings }): readonly UsualOrder[] => {
    if (order.every((number) => toneOf({ formula }, number) !== undefined)) return [{ order, strings }]
    const [usual] = ordersOn(strings, { depth, rootless: !order.includes(1) })
    return usual ? [{ order: usual, strings }] : []
  })
}
