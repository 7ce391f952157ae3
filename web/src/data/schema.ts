/** The tables. `version` counts a player's edits: a stale write is refused. Texts of music are what core reads back. */

import { TIMBRES } from '@nestling/core/neck'
import { JUDGES, LOG_GRADES } from '@nestling/core/practice'
import type { TuneTexts } from '@nestling/core/tune'
import { index, integer, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core'
import type { StepTexts } from '../contracts/progression.ts'
import type { SheetBody } from '../contracts/sheet.ts'
import type { ChangeStep } from './changes.ts'

export const instruments = sqliteTable('instruments', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  name: text('name').notNull().unique(),
  tuningName: text('tuning_name').notNull(),
  /** `E2,A2,D3,G3,B3,E4`, lowest string first. */
  tuning: text('tuning').notNull(),
  capoFret: integer('capo_fret'),
  /** `all`, or string numbers `5,4,3`. */
  capoStrings: text('capo_strings'),
  frets: integer('frets').notNull(),
  scaleLengthMm: real('scale_length_mm').notNull(),
  spacingNutMm: real('spacing_nut_mm').notNull(),
  spacingBridgeMm: real('spacing_bridge_mm').notNull(),
  lastReachableFret: integer('last_reachable_fret').notNull(),
  handed: text('handed', { enum: ['right', 'left'] }).notNull(),
  pluck: text('pluck', { enum: ['pick', 'fingers', 'thumb-and-fingers'] }).notNull(),
  timbre: text('timbre', { enum: TIMBRES }).notNull().default('steel'),
  version: integer('version').notNull().default(1),
})

export const keptShapes = sqliteTable(
  'kept_shapes',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    name: text('name').notNull(),
    chord: text('chord').notNull(),
    frets: text('shape').notNull(),
    tuning: text('tuning').notNull(),
    fingers: text('fingers').notNull().default(''),
    note: text('note').notNull().default(''),
    /** The tune that it is kept under; in none while that tune is deleted. */
    tuneId: integer('tune_id').references(() => tunes.id),
    tags: text('tags', { mode: 'json' }).$type<readonly string[]>().notNull().default([]),
    /** What a search looks through, in small letters with # and b. */
    search: text('search').notNull().default(''),
    createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
    updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
    /** Set while a deletion can still be taken back. */
    deletedAt: integer('deleted_at', { mode: 'timestamp_ms' }),
    version: integer('version').notNull().default(1),
  },
  (table) => [
    index('kept_shapes_newest').on(table.deletedAt, table.createdAt),
    index('kept_shapes_tune').on(table.tuneId),
    /** How many under each tune. */
    index('kept_shapes_counts').on(table.deletedAt, table.tuneId),
    index('kept_shapes_same').on(table.frets, table.tuning),
  ],
)

/** One row a setting; a setting that is not here is at its default. */
export const settings = sqliteTable('settings', {
  key: text('key').primaryKey(),
  value: text('value', { mode: 'json' }).notNull(),
})

/** Chords in time: the tray is the current one, all others are sets that are kept. */
export const progressions = sqliteTable('progressions', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  role: text('role', { enum: ['tray', 'kept'] }).notNull(),
  title: text('title').notNull(),
  /** `Bb major`; empty when none is given. */
  key: text('key').notNull().default(''),
  metre: text('metre').notNull().default('4/4'),
  tempoBpm: integer('tempo_bpm').notNull().default(80),
  steps: text('steps', { mode: 'json' }).$type<readonly StepTexts[]>().notNull(),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  /** Set while a deletion can still be taken back. */
  deletedAt: integer('deleted_at', { mode: 'timestamp_ms' }),
  version: integer('version').notNull().default(1),
})

/** Tunes with the way through them that was kept. */
export const tunes = sqliteTable('tunes', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  title: text('title').notNull(),
  /** Chart, wishes, held shapes and the way: what core reads as a `Tune`. */
  tune: text('tune', { mode: 'json' }).$type<TuneTexts>().notNull().default({ chart: '' }),
  /** Lines of the file that it came from which a chart has no place for; they go out with it again. */
  remarks: text('remarks').notNull().default(''),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  /** Set while a deletion can still be taken back. */
  deletedAt: integer('deleted_at', { mode: 'timestamp_ms' }),
  version: integer('version').notNull().default(1),
})

/** Sheets: what a page is composed of, as core holds it. */
export const sheets = sqliteTable('sheets', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  title: text('title').notNull(),
  body: text('body', { mode: 'json' }).$type<SheetBody>().notNull(),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  /** Set while a deletion can still be taken back. */
  deletedAt: integer('deleted_at', { mode: 'timestamp_ms' }),
  version: integer('version').notNull().default(1),
})

/** Changes to many things at once, with all that takes them back: what was there before, and what is new. */
export const bookChanges = sqliteTable('book_changes', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  /** What was done, for the notice. */
  words: text('words').notNull(),
  at: integer('at', { mode: 'timestamp_ms' }).notNull(),
  steps: text('steps', { mode: 'json' }).$type<readonly ChangeStep[]>().notNull(),
  undoneAt: integer('undone_at', { mode: 'timestamp_ms' }),
})

export const ownTunings = sqliteTable('own_tunings', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  name: text('name').notNull().unique(),
  tuning: text('tuning').notNull(),
})

/** What is practised: `m7`, `arpeggio m7`, `Fm9=x8688x,Bbm7=6x666x`; in a tuning. */
export const practiceMaterials = sqliteTable(
  'practice_materials',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    text: text('text').notNull(),
    tuning: text('tuning').notNull(),
    /** A tune's or a set's name; empty where the text says it all. */
    title: text('title').notNull().default(''),
    createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  },
  (table) => [uniqueIndex('practice_materials_text').on(table.text, table.tuning)],
)

/** A run from its start to where it was stopped; its id is made by the page that plays it. */
export const practiceRuns = sqliteTable('practice_runs', {
  id: text('id').primaryKey(),
  materialId: integer('material_id')
    .notNull()
    .references(() => practiceMaterials.id),
  /** The Practice view's address without its beginning. */
  query: text('query').notNull(),
  startedAt: integer('started_at', { mode: 'timestamp_ms' }).notNull(),
})

/** Recall cards, each with its schedule: what the FSRS library keeps of a card. Times are in ms. */
export const practiceCards = sqliteTable('practice_cards', {
  /** The question and the tuning: `play|Cmaj7|x3545x|Eb@E2,A2,D3,G3,B3,E4`. */
  id: text('id').primaryKey(),
  card: text('card').notNull(),
  tuning: text('tuning').notNull(),
  materialId: integer('material_id')
    .notNull()
    .references(() => practiceMaterials.id),
  createdAt: integer('created_at').notNull(),
  dueAt: integer('due_at').notNull(),
  stability: real('stability').notNull(),
  difficulty: real('difficulty').notNull(),
  scheduledDays: integer('scheduled_days').notNull(),
  learningSteps: integer('learning_steps').notNull(),
  reps: integer('reps').notNull(),
  lapses: integer('lapses').notNull(),
  state: integer('state').notNull(),
  lastAt: integer('last_at'),
})

/** One root of a run, or one card answered; the id is made by the page, so that what is sent twice is kept once. */
export const practiceAttempts = sqliteTable(
  'practice_attempts',
  {
    id: text('id').primaryKey(),
    kind: text('kind', { enum: ['run', 'card'] }).notNull(),
    runId: text('run_id').references(() => practiceRuns.id),
    cardId: text('card_id'),
    at: integer('at').notNull(),
    /** Of the player's own calendar: `2026-11-23`. */
    day: text('day').notNull(),
    material: text('material').notNull(),
    suffix: text('suffix').notNull(),
    /** A note name; empty where a card has no root. */
    root: text('root').notNull(),
    string: integer('string').notNull(),
    frets: text('frets').notNull(),
    /** The shape without its place. */
    form: text('form').notNull(),
    tuning: text('tuning').notNull(),
    tempo: integer('tempo').notNull(),
    grade: text('grade', { enum: LOG_GRADES }).notNull(),
    judge: text('judge', { enum: JUDGES }).notNull(),
    shown: integer('shown', { mode: 'boolean' }).notNull(),
    seconds: real('seconds').notNull(),
    faults: text('faults').notNull(),
    instrument: text('instrument').notNull(),
    /** Set while a deletion can still be taken back. */
    deletedAt: integer('deleted_at'),
    version: integer('version').notNull().default(1),
  },
  (table) => [
    index('practice_attempts_day').on(table.day),
    index('practice_attempts_card').on(table.cardId),
    /** A shape by root, and its newest. */
    index('practice_attempts_shape').on(table.kind, table.suffix, table.form, table.root, table.at),
    index('practice_attempts_newest').on(table.kind, table.at),
    index('practice_attempts_run').on(table.runId),
    /** What can be filtered by. */
    index('practice_attempts_materials').on(table.kind, table.material, table.deletedAt),
    index('practice_attempts_instruments').on(table.instrument, table.deletedAt),
  ],
)

/** Rows that could not be read when the database was opened: taken out of their tables as they were, so that no view breaks on them. */
export const unreadable = sqliteTable('unreadable', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  /** The table that it was in. */
  table: text('of_table').notNull(),
  /** All its columns, as JSON. */
  row: text('row').notNull(),
  reason: text('reason').notNull(),
  foundAt: integer('found_at', { mode: 'timestamp_ms' }).notNull(),
})
