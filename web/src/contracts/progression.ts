/** The tray, and progressions that are kept. */
import type { ProgressionTexts as CoreProgressionTexts } from '@nestling/core/progression'
import type { KeptSetDraft, TrayDraft } from './progressionSchema.ts'

export { MOST_STEPS } from './limits.ts'
export type { KeptSetDraft, StepTexts, TrayDraft } from './progressionSchema.ts'
export type Tray = TrayDraft

export interface KeptSet extends KeptSetDraft {
  readonly id: number
  /** ISO 8601. */
  readonly createdAt: string
}

export const EMPTY_TRAY: Tray = { title: '', key: '', metre: '4/4', tempoBpm: 80, steps: [], version: 0 }

/** The part of a tray or set that core reads. */
export const progressionTexts = ({
  title,
  key,
  metre,
  tempoBpm,
  steps,
}: KeptSetDraft | Tray): CoreProgressionTexts => ({
  title,
  key,
  metre,
  tempoBpm,
  steps,
})
