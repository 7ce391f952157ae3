/** Reading, writing and changing progressions. */
import { readSymbol, writeSymbol } from '../chord/index.ts'
import { readKey, writeKey } from '../key/index.ts'
import { fail, ok, type Result } from '../result/index.ts'
import { readShape, type Shape, writeShape } from '../shape/index.ts'
import { beatsInBar, FOUR_FOUR, readMetre, writeMetre } from '../time/index.ts'
import type { Progression, ProgressionError, ProgressionTexts, Step, StepTexts } from './types.ts'

export const EMPTY_PROGRESSION: Progression = { title: '', metre: FOUR_FOUR, tempoBpm: 80, steps: [] }

/** Reads a progression; the first text that is wrong is refused with its field and place. */
export function readProgression(texts: ProgressionTexts): Result<Progression, ProgressionError> {
  const key = texts.key === '' ? ok(undefined) : readKey(texts.key)
  if (!key.ok) return fail({ ...key.error, field: 'key' })
  const metre = readMetre(texts.metre)
  if (!metre.ok) return fail({ ...metre.error, field: 'metre' })
  const steps: Step[] = []
  for (const [index, step] of texts.steps.entries()) {
    const read = readStep(step)
    if (!read.ok) return fail({ ...read.error, field: `steps.${index}.${read.error.field}` })
    steps.push(read.value)
  }
  const { title, tempoBpm } = texts
  return ok({ title, metre: metre.value, tempoBpm, steps, ...(key.value ? { key: key.value } : {}) })
}

function readStep({ id, beats, chord, shape, held }: StepTexts): Result<Step, ProgressionError> {
  const symbol = readSymbol(chord)
  if (!symbol.ok) return fail({ ...symbol.error, field: 'chord' })
  const { root, formula, bass } = symbol.value
  const plain = { id, beats, chord: bass === undefined ? { root, formula } : { root, formula, bass }, held }
  if (shape === null) return ok(plain)
  const read = readShape(shape)
  return read.ok ? ok({ ...plain, shape: read.value }) : fail({ ...read.error, field: `shape.${read.error.field}` })
}

export const writeProgression = ({ title, key, metre, tempoBpm, steps }: Progression): ProgressionTexts => ({
  title,
  key: key ? writeKey(key, { ascii: true }) : '',
  metre: writeMetre(metre),
  tempoBpm,
  steps: steps.map(({ id, beats, chord, shape, held }) => ({
    id,
    beats,
    chord: writeSymbol(chord, { ascii: true }),
    shape: shape ? writeShape(shape) : null,
    held,
  })),
})

/** A shape as a step of one bar. @param id From the platform; no other step has it. */
export const stepFor = (shape: Shape, id: string, { metre }: Pick<Progression, 'metre'> = EMPTY_PROGRESSION): Step => ({
  id,
  beats: beatsInBar(metre),
  chord: shape.chord,
  shape,
  held: true,
})

export const withSteps = (progression: Progression, more: readonly Step[]): Progression => ({
  ...progression,
  steps: [...progression.steps, ...more],
})

export const withoutStep = (progression: Progression, id: string): Progression => ({
  ...progression,
  steps: progression.steps.filter((step) => step.id !== id),
})

/** The step at one place moved to another; as it was when there is no such place. */
export function withMovedStep(progression: Progression, from: number, to: number): Progression {
  const steps = [...progression.steps]
  const [moved] = steps.splice(from, 1)
  if (moved) steps.splice(to, 0, moved)
  return { ...progression, steps }
}
