/**
 * Progression: chords in time. The tray is the current one, a set a kept one; paths and runs are made from them.
 *   texts ─readProgression→ Progression { title, key?, metre, tempoBpm, steps } ─writeProgression→ the same texts
 */
export {
  EMPTY_PROGRESSION,
  readProgression,
  stepFor,
  withMovedStep,
  withoutStep,
  withSteps,
  writeProgression,
} from './progression.ts'
export type { Progression, ProgressionError, ProgressionTexts, Step, StepTexts } from './types.ts'
