/** The whole notebook out of its tables: its rows as a file holds them, and their keys in the same order. */

import type { NotebookTable } from '@nestling/formats/notebook'
import { asc, isNull } from 'drizzle-orm'
import { draftOf } from '../../contracts/instrument.ts'
import type { NotebookRows } from '../../contracts/notebook.ts'
import { instrumentOf } from '../instrumentRepository.ts'
import {
  instruments,
  keptShapes,
  ownTunings,
  practiceAttempts,
  practiceCards,
  practiceMaterials,
  practiceRuns,
  progressions,
  settings,
  sheets,
  tunes,
} from '../schema.ts'
import type { Reader } from '../store.ts'

/** Everything that is kept, as a file holds it: in the order in which it was made. */
export function rowsOf(read: Reader): NotebookRows {
  const tuneRows = read.select().from(tunes).where(isNull(tunes.deletedAt)).orderBy(asc(tunes.id)).all()
  const alive = new Set(tuneRows.map(({ id }) => id))
  const progressionRows = read
    .select()
    .from(progressions)
    .where(isNull(progressions.deletedAt))
    .orderBy(asc(progressions.id))
    .all()
  const texts = ({ title, key, metre, tempoBpm, steps }: (typeof progressionRows)[number]) => ({
    title,
    key,
    metre,
    tempoBpm,
    steps: [...steps],
  })
  return {
    settings: read.select().from(settings).orderBy(asc(settings.key)).all(),
    instruments: read
      .select()
      .from(instruments)
      .orderBy(asc(instruments.id))
      .all()
      .map((row) => ({ ...draftOf(instrumentOf(row)), id: row.id })),
    tunings: read
      .select({ name: ownTunings.name, tuning: ownTunings.tuning })
      .from(ownTunings)
      .orderBy(asc(ownTunings.id))
      .all(),
    tunes: tuneRows.map(({ id, title, tune, remarks, createdAt }) => ({
      id,
      title,
      tune,
      remarks,
      createdAt: createdAt.toISOString(),
    })),
    shapes: read
      .select()
      .from(keptShapes)
      .where(isNull(keptShapes.deletedAt))
      .orderBy(asc(keptShapes.id))
      .all()
      .map(({ name, chord, frets, tuning, fingers, note, tuneId, tags, createdAt }) => ({
        name,
        chord,
        frets,
        tuning,
        fingers,
        note,
        tune: tuneId !== null && alive.has(tuneId) ? tuneId : null,
        tags: [...tags],
        createdAt: createdAt.toISOString(),
      })),
    sets: progressionRows
      .filter(({ role }) => role === 'kept')
      .map((row) => ({ ...texts(row), createdAt: row.createdAt.toISOString() })),
    tray: progressionRows.filter(({ role, steps }) => role === 'tray' && steps.length > 0).map(texts),
    sheets: read
      .select()
      .from(sheets)
      .where(isNull(sheets.deletedAt))
      .orderBy(asc(sheets.id))
      .all()
      .map(({ title, body, createdAt }) => ({ title, ...body, createdAt: createdAt.toISOString() })),
    materials: read
      .select()
      .from(practiceMaterials)
      .orderBy(asc(practiceMaterials.id))
      .all()
      .map((row) => ({ ...row, createdAt: row.createdAt.toISOString() })),
    runs: read
      .select()
      .from(practiceRuns)
      .orderBy(asc(practiceRuns.startedAt), asc(practiceRuns.id))
      .all()
      .map(({ id, materialId, query, startedAt }) => ({
        id,
        material: materialId,
        query,
        startedAt: startedAt.toISOString(),
      })),
    cards: read
      .select()
      .from(practiceCards)
      .orderBy(asc(practiceCards.id))
      .all()
      .map(({ materialId, ...row }) => ({ ...row, material: materialId })),
    attempts: read
      .select()
      .from(practiceAttempts)
      .where(isNull(practiceAttempts.deletedAt))
      .orderBy(asc(practiceAttempts.at), asc(practiceAttempts.id))
      .all()
      .map(({ deletedAt: _deleted, version: _version, ...row }) => row),
  }
}

/** The keys of the rows that `rowsOf` lists, in its order. */
export function idsHere(read: Reader): Readonly<Record<NotebookTable, readonly (number | string)[]>> {
  const numbers = (rows: readonly { readonly id: number | string }[]) => rows.map(({ id }) => id)
  const progressionRows = read
    .select()
    .from(progressions)
    .where(isNull(progressions.deletedAt))
    .orderBy(asc(progressions.id))
    .all()
  return {
    settings: read
      .select()
      .from(settings)
      .orderBy(asc(settings.key))
      .all()
      .map(({ key }) => key),
    instruments: numbers(read.select().from(instruments).orderBy(asc(instruments.id)).all()),
    tunings: numbers(read.select().from(ownTunings).orderBy(asc(ownTunings.id)).all()),
    tunes: numbers(
      read.select({ id: tunes.id }).from(tunes).where(isNull(tunes.deletedAt)).orderBy(asc(tunes.id)).all(),
    ),
    shapes: numbers(
      read
        .select({ id: keptShapes.id })
        .from(keptShapes)
        .where(isNull(keptShapes.deletedAt))
        .orderBy(asc(keptShapes.id))
        .all(),
    ),
    sets: numbers(progressionRows.filter(({ role }) => role === 'kept')),
    tray: numbers(progressionRows.filter(({ role, steps }) => role === 'tray' && steps.length > 0)),
    sheets: numbers(
      read.select({ id: sheets.id }).from(sheets).where(isNull(sheets.deletedAt)).orderBy(asc(sheets.id)).all(),
    ),
    materials: numbers(
      read.select({ id: practiceMaterials.id }).from(practiceMaterials).orderBy(asc(practiceMaterials.id)).all(),
    ),
    runs: numbers(
      read
        .select({ id: practiceRuns.id })
        .from(practiceRuns)
        .orderBy(asc(practiceRuns.startedAt), asc(practiceRuns.id))
        .all(),
    ),
    cards: numbers(read.select({ id: practiceCards.id }).from(practiceCards).orderBy(asc(practiceCards.id)).all()),
    attempts: numbers(
      read
        .select({ id: practiceAttempts.id })
        .from(practiceAttempts)
        .where(isNull(practiceAttempts.deletedAt))
        .orderBy(asc(practiceAttempts.at), asc(practiceAttempts.id))
        .all(),
    ),
  }
}
