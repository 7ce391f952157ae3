/** Two states of the tray that grew from one: what both say is joined; what they say against each other is told. */
import type { Tray } from '../contracts/progression.ts'

export type TrayTexts = Omit<Tray, 'version'>
type Step = Tray['steps'][number]

const FIELDS = ['title', 'key', 'metre', 'tempoBpm'] as const
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

/**
 * @param base What both grew from.
 * @returns `undefined` when they can't be joined: both changed the same field, step or order in two ways, one of them changed
 * what the other took out, or together they are more than the tray holds.
 */
export function mergedTray(base: TrayTexts, mine: TrayTexts, theirs: TrayTexts, most: number): TrayTexts | undefined {
  if (same(theirs, base)) return mine
  if (same(mine, base)) return theirs
  const fields: Partial<Record<(typeof FIELDS)[number], unknown>> = {}
  for (const field of FIELDS) {
    const picked = picks(base[field], mine[field], theirs[field])
    if (!picked) return undefined
    fields[field] = picked.value
  }
  const steps = mergedSteps(base.steps, mine.steps, theirs.steps)
  if (!steps || steps.length > most) return undefined
  return { ...theirs, ...fields, steps } as TrayTexts
}

/** What one of them changed; either when both say the same. */
function picks<Value>(base: Value, mine: Value, theirs: Value): { readonly value: Value } | undefined {
  if (same(mine, base) || same(mine, theirs)) return { value: theirs }
  return same(theirs, base) ? { value: mine } : undefined
}

function mergedSteps(base: readonly Step[], mine: readonly Step[], theirs: readonly Step[]): Tray['steps'] | undefined {
  const [was, here, there] = [base, mine, theirs].map((steps) => new Map(steps.map((step) => [step.id, step])))
  if (!was || !here || !there) return undefined
  // Of the steps that all three know: whose order holds?
  const common = (steps: readonly Step[]) =>
    steps.map(({ id }) => id).filter((id) => was.has(id) && here.has(id) && there.has(id))
  const order = picks(common(base), common(mine), common(theirs))
  if (!order) return undefined
  const found = new Map<string, Step>()
  for (const [id, step] of was) {
    const [own, other] = [here.get(id), there.get(id)]
    // Taken out by one: only if the other left it as it was.
    if (!own || !other) {
      if ((own && !same(own, step)) || (other && !same(other, step))) return undefined
      continue
    }
    const picked = picks(step, own, other)
    if (!picked) return undefined
    found.set(id, picked.value)
  }
  // The side whose order holds is the spine; what the other one added comes behind it.
  const isMine = same(order.value, common(mine)) && !same(order.value, common(theirs))
  const [spine, rest] = isMine ? [mine, theirs] : [theirs, mine]
  const added = rest.filter(({ id }) => !was.has(id) && !spine.some((step) => step.id === id))
  return [...spine.flatMap((step) => (was.has(step.id) ? (found.get(step.id) ?? []) : step)), ...added]
}
