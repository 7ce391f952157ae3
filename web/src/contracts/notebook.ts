/** The notebook as files hold it, row by row, and what reading one would change. */
import { JUDGES, LOG_GRADES } from '@nestling/core/practice'
import type { NotebookTable } from '@nestling/formats/notebook'
import * as v from 'valibot'
import { InstrumentDraft, OwnTuningDraft } from './instrument.ts'
import { KeptSetDraft, TrayDraft } from './progressionSchema.ts'
import { Settings } from './settingsSchema.ts'
import { KeptShapeDraft } from './shape.ts'
import { SheetDraft } from './sheet.ts'
import { text } from './text.ts'
import { TUNE_ENTRIES } from './tune.ts'

const moment = v.pipe(v.string(), v.isoTimestamp('a time such as 2026-11-23T18:05:00.000Z'))
const between = (least: number, most: number) =>
  v.pipe(v.number(), v.finite(), v.minValue(least, `at least ${least}`), v.maxValue(most, `at most ${most}`))
/** Years that a date can name and a calendar shows. */
const [EARLIEST, LATEST] = [Date.UTC(1970, 0, 1), Date.UTC(2200, 0, 1)]
const ms = between(EARLIEST, LATEST)
const count = between(0, 1_000_000)
/** Numbers by which rows of one file refer to one another. */
const ownId = v.pipe(v.number(), v.integer())

const setting = v.pipe(
  v.strictObject({ key: text(40), value: v.unknown() }),
  v.check(({ key, value }) => {
    const schemas: Readonly<Record<string, v.GenericSchema>> = Settings.entries
    // Its own keys only: every object has a `constructor`.
    const schema = Object.hasOwn(schemas, key) ? schemas[key] : undefined
    // A setting of another version is left out later, not refused.
    return schema === undefined || v.is(schema, value)
  }, 'a value that this setting can have'),
)

export const NOTEBOOK_ROWS = {
  settings: setting,
  instruments: v.strictObject({ ...InstrumentDraft.entries, id: ownId }),
  tunings: OwnTuningDraft,
  tunes: v.strictObject({ ...TUNE_ENTRIES, id: ownId, createdAt: moment }),
  shapes: v.strictObject({ ...KeptShapeDraft.entries, createdAt: moment }),
  sets: v.strictObject({ ...KeptSetDraft.entries, createdAt: moment }),
  tray: v.omit(TrayDraft, ['version']),
  sheets: v.strictObject({ ...SheetDraft.entries, createdAt: moment }),
  materials: v.strictObject({ id: ownId, text: text(2000), tuning: text(80), title: text(60), createdAt: moment }),
  runs: v.strictObject({ id: text(64), material: ownId, query: text(4000), startedAt: moment }),
  cards: v.strictObject({
    id: text(300),
    card: text(200),
    tuning: text(80),
    material: ownId,
    createdAt: ms,
    dueAt: ms,
    stability: count,
    difficulty: count,
    scheduledDays: count,
    learningSteps: count,
    reps: count,
    lapses: count,
    state: between(0, 3),
    lastAt: v.nullable(ms),
  }),
  attempts: v.strictObject({
    id: text(64),
    kind: v.picklist(['run', 'card']),
    runId: v.nullable(text(64)),
    cardId: v.nullable(text(300)),
    at: ms,
    day: text(10),
    material: text(2000),
    suffix: text(40),
    root: text(4),
    string: between(0, 12),
    frets: text(60),
    form: text(60),
    tuning: text(80),
    tempo: between(0, 400),
    grade: v.picklist(LOG_GRADES),
    judge: v.picklist(JUDGES),
    shown: v.boolean(),
    seconds: count,
    faults: text(200),
    instrument: text(60),
  }),
} as const satisfies Readonly<Record<NotebookTable, v.GenericSchema>>

export type NotebookRow<Table extends NotebookTable> = v.InferOutput<(typeof NOTEBOOK_ROWS)[Table]>
export type NotebookRows = { readonly [Table in NotebookTable]: readonly NotebookRow<Table>[] }

/** What is done with a row that is read: put in (in the place of what is there), left, or kept beside what is there. */
export const CHOICES = ['take', 'leave', 'both'] as const
export type Choice = (typeof CHOICES)[number]
const choice = v.picklist(CHOICES, CHOICES.join(', '))

export const NotebookChoices = v.strictObject({
  /** What is new, and what is here otherwise, unless it is chosen by itself. */
  fresh: v.optional(choice, 'take'),
  different: v.optional(choice, 'leave'),
  /** By table and place in the file, from 0. */
  each: v.optional(v.record(v.string(), v.record(v.string(), choice)), {}),
})
export type NotebookChoices = v.InferOutput<typeof NotebookChoices>

export const NotebookApply = v.strictObject({
  notebook: v.unknown(),
  choices: v.optional(NotebookChoices, { fresh: 'take', different: 'leave', each: {} }),
  /** The file's name, for the notice. */
  name: v.optional(text(120), 'a notebook'),
})

export interface PreviewItem {
  readonly table: NotebookTable
  /** Its place in the file's table, from 0. */
  readonly place: number
  readonly name: string
  readonly state: 'new' | 'different'
  /** What is otherwise here, in words. */
  readonly differs: readonly string[]
}
export interface PreviewCount {
  readonly table: NotebookTable
  readonly fresh: number
  readonly same: number
  readonly different: number
}
export interface NotebookPreview {
  readonly counts: readonly PreviewCount[]
  /** The first of what is new or different; `cut` more follow the choice for all. */
  readonly items: readonly PreviewItem[]
  readonly cut: number
}
