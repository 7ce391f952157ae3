/** The tables. `version` counts a player's edits: a stale write is refused. Texts of music are what core reads back. */

import { integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { StepTexts } from '../contracts/progression.ts'
import type { TuneChord } from '../contracts/tune.ts'

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
  version: integer('version').notNull().default(1),
})

export const keptShapes = sqliteTable('kept_shapes', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  name: text('name').notNull(),
  chord: text('chord').notNull(),
  frets: text('shape').notNull(),
  tuning: text('tuning').notNull(),
  fingers: text('fingers').notNull().default(''),
  note: text('note').notNull().default(''),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
  /** Set while a deletion can still be taken back. */
  deletedAt: integer('deleted_at', { mode: 'timestamp_ms' }),
  version: integer('version').notNull().default(1),
})

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

/** Tunes with the way through them that was kept: what the Path view opens, and what was held then. */
export const tunes = sqliteTable('tunes', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  title: text('title').notNull(),
  /** The Path view's address without its beginning: chart, wishes, held shapes. */
  query: text('query').notNull(),
  chords: text('chords', { mode: 'json' }).$type<readonly TuneChord[]>().notNull(),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  /** Set while a deletion can still be taken back. */
  deletedAt: integer('deleted_at', { mode: 'timestamp_ms' }),
  version: integer('version').notNull().default(1),
})

export const ownTunings = sqliteTable('own_tunings', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  name: text('name').notNull().unique(),
  tuning: text('tuning').notNull(),
})
