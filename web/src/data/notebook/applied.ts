/** Puts rows of a file into the tables as it was chosen: all of it one change, which can be taken back. */

import type { NotebookTable } from '@nestling/formats/notebook'
import { eq } from 'drizzle-orm'
import { instrumentFrom } from '../../contracts/instrument.ts'
import type { Choice, NotebookChoices, NotebookRow, NotebookRows } from '../../contracts/notebook.ts'
import { type ChangedTable, type ChangeStep, remember, rowsBefore } from '../changes.ts'
import { instrumentRow } from '../instrumentRepository.ts'
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
import { plain } from '../shapeRepository.ts'
import type { Writer } from '../store.ts'
import { compared, LISTED, withTunes } from './compared.ts'
import { idsHere, rowsOf } from './rows.ts'

interface Step {
  readonly before: ChangeStep['before'][number][]
  readonly added: (number | string)[]
}

export function applied(within: Writer, file: NotebookRows, choices: NotebookChoices, words: string, at: Date) {
  const here = rowsOf(within)
  const ids = idsHere(within)
  const steps = new Map<ChangedTable, Step>()
  const stepFor = (table: ChangedTable): Step => {
    const known = steps.get(table) ?? { before: [], added: [] }
    steps.set(table, known)
    return known
  }
  let changed = 0
  /** Where rows of the file stand in the database. */
  const tuneAt = new Map<number, number>()
  const instrumentAt = new Map<number, number>()
  const materialAt = new Map<number, number>()

  const each = <Table extends NotebookTable>(
    table: Table,
    how: {
      readonly add: (row: NotebookRow<Table>) => number | string
      /** @param version After it. */
      readonly replace?: (row: NotebookRow<Table>, twin: number, version: number) => void
      readonly stands?: (row: NotebookRow<Table>, key: number | string) => void
    },
  ) => {
    const stored: ChangedTable = table === 'tray' ? 'sets' : (table as ChangedTable)
    const planned = compared(table, file, here).map(({ state, twin }, place) => {
      const row = (file[table] as readonly NotebookRow<Table>[])[place] as NotebookRow<Table>
      const key = twin === undefined ? undefined : (ids[table][twin] as number | string)
      const choice: Choice =
        choices.each[table]?.[String(place)] ?? (state === 'new' ? choices.fresh : choices.different)
      const isUnique =
        table === 'instruments' ||
        table === 'tunings' ||
        table === 'settings' ||
        table === 'tray' ||
        !LISTED.includes(table)
      const isAdded = state === 'new' ? choice !== 'leave' : state === 'different' && choice === 'both' && !isUnique
      const isReplaced =
        !isAdded && state === 'different' && choice !== 'leave' && key !== undefined && how.replace !== undefined
      return { row, key, isAdded, isReplaced }
    })
    // All at once: a question for every row would take longer than the change.
    const before = rowsBefore(
      within,
      stored,
      planned.flatMap(({ key, isReplaced }) => (isReplaced && key !== undefined ? [key] : [])),
    )
    const versions = new Map(
      before.map((row) => [row[table === 'settings' ? 'key' : 'id'], Number(row['version'] ?? 0)]),
    )
    for (const row of before) stepFor(stored).before.push(row)
    for (const { row, key, isAdded, isReplaced } of planned) {
      if (isAdded) {
        const added = how.add(row)
        // What a run is of can't be taken away again while something else refers to it.
        if (table !== 'materials') stepFor(stored).added.push(added)
        how.stands?.(row, added)
        if (table !== 'materials') changed++
      } else if (key !== undefined) {
        if (isReplaced) {
          how.replace?.(row, key as number, (versions.get(key) ?? 0) + 1)
          changed++
        }
        how.stands?.(row, key)
      }
    }
  }
  const inserted = (rows: readonly { readonly id: number }[]): number => {
    const [row] = rows
    if (row === undefined) throw new Error('a row was not put in')
    return row.id
  }

  each('instruments', {
    add: ({ id: _id, ...draft }) =>
      inserted(
        within
          .insert(instruments)
          .values(instrumentRow(readInstrument(draft)))
          .returning({ id: instruments.id })
          .all(),
      ),
    replace: ({ id: _id, ...draft }, id, version) =>
      void within
        .update(instruments)
        .set({ ...instrumentRow(readInstrument(draft)), version })
        .where(eq(instruments.id, id))
        .run(),
    stands: ({ id }, key) => instrumentAt.set(id, Number(key)),
  })
  each('tunings', {
    add: (row) => inserted(within.insert(ownTunings).values(row).returning({ id: ownTunings.id }).all()),
    replace: ({ tuning }, id) => void within.update(ownTunings).set({ tuning }).where(eq(ownTunings.id, id)).run(),
  })
  each('settings', {
    add: (row) => {
      within.insert(settings).values(settingRow(row, instrumentAt)).run()
      return row.key
    },
    replace: (row) =>
      void within.update(settings).set(settingRow(row, instrumentAt)).where(eq(settings.key, row.key)).run(),
  })
  each('tunes', {
    add: ({ id: _id, createdAt, ...draft }) =>
      inserted(
        within
          .insert(tunes)
          .values({ ...draft, createdAt: new Date(createdAt) })
          .returning({ id: tunes.id })
          .all(),
      ),
    replace: ({ id: _id, createdAt: _at, ...draft }, id, version) =>
      void within
        .update(tunes)
        .set({ ...draft, version })
        .where(eq(tunes.id, id))
        .run(),
    stands: ({ id }, key) => tuneAt.set(id, Number(key)),
  })
  const shapeRow = ({ tune, createdAt: _at, ...draft }: NotebookRow<'shapes'>) => ({
    ...draft,
    tuneId: tune === null || tune === undefined ? null : (tuneAt.get(tune) ?? null),
    search: plain([draft.name, draft.chord, draft.frets, draft.note, ...draft.tags].join(' ')),
    updatedAt: at,
  })
  each('shapes', {
    add: (row) =>
      inserted(
        within
          .insert(keptShapes)
          .values({ ...shapeRow(row), createdAt: new Date(row.createdAt) })
          .returning({ id: keptShapes.id })
          .all(),
      ),
    replace: (row, id, version) =>
      void within
        .update(keptShapes)
        .set({ ...shapeRow(row), version })
        .where(eq(keptShapes.id, id))
        .run(),
  })
  each('sets', {
    add: ({ createdAt, ...texts }) =>
      inserted(
        within
          .insert(progressions)
          .values({ ...texts, role: 'kept', createdAt: new Date(createdAt) })
          .returning({ id: progressions.id })
          .all(),
      ),
    replace: ({ createdAt: _at, ...texts }, id, version) =>
      void within
        .update(progressions)
        .set({ ...texts, version })
        .where(eq(progressions.id, id))
        .run(),
  })
  each('tray', {
    add: (texts) => {
      // An empty tray is a row too.
      const [empty] = within.select().from(progressions).where(eq(progressions.role, 'tray')).all()
      if (!empty)
        return inserted(
          within
            .insert(progressions)
            .values({ ...texts, role: 'tray', createdAt: at })
            .returning({ id: progressions.id })
            .all(),
        )
      stepFor('sets').before.push(...rowsBefore(within, 'sets', [empty.id]))
      within
        .update(progressions)
        .set({ ...texts, version: empty.version + 1 })
        .where(eq(progressions.id, empty.id))
        .run()
      return -1
    },
    replace: (texts, id, version) =>
      void within
        .update(progressions)
        .set({ ...texts, version })
        .where(eq(progressions.id, id))
        .run(),
  })
  const bodyOf = ({ title: _title, createdAt: _at, ...body }: NotebookRow<'sheets'>) => ({
    ...body,
    blocks: withTunes(body.blocks, (tune) => tuneAt.get(tune) ?? tune) as typeof body.blocks,
  })
  each('sheets', {
    add: (row) =>
      inserted(
        within
          .insert(sheets)
          .values({ title: row.title, body: bodyOf(row), createdAt: new Date(row.createdAt) })
          .returning({ id: sheets.id })
          .all(),
      ),
    replace: (row, id, version) =>
      void within
        .update(sheets)
        .set({ title: row.title, body: bodyOf(row), version })
        .where(eq(sheets.id, id))
        .run(),
  })
  each('materials', {
    add: ({ id: _id, createdAt, ...row }) =>
      inserted(
        within
          .insert(practiceMaterials)
          .values({ ...row, createdAt: new Date(createdAt) })
          .returning({ id: practiceMaterials.id })
          .all(),
      ),
    stands: ({ id }, key) => materialAt.set(id, Number(key)),
  })
  const materialOf = (id: number): number =>
    materialAt.get(id) ?? inserted(within.select({ id: practiceMaterials.id }).from(practiceMaterials).limit(1).all())
  each('runs', {
    add: ({ material, startedAt, ...row }) => {
      within
        .insert(practiceRuns)
        .values({ ...row, materialId: materialOf(material), startedAt: new Date(startedAt) })
        .run()
      return row.id
    },
  })
  each('cards', {
    add: ({ material, ...row }) => {
      within
        .insert(practiceCards)
        .values({ ...row, materialId: materialOf(material) })
        .run()
      return row.id
    },
    replace: ({ material: _material, id, ...schedule }) =>
      void within.update(practiceCards).set(schedule).where(eq(practiceCards.id, id)).run(),
  })
  const runsThere = new Set(
    within
      .select({ id: practiceRuns.id })
      .from(practiceRuns)
      .all()
      .map(({ id }) => id),
  )
  each('attempts', {
    add: (row) => {
      within
        .insert(practiceAttempts)
        .values({ ...row, runId: row.runId !== null && runsThere.has(row.runId) ? row.runId : null })
        .run()
      return row.id
    },
    replace: ({ id, grade, tempo }) =>
      void within.update(practiceAttempts).set({ grade, tempo }).where(eq(practiceAttempts.id, id)).run(),
  })
  const written = [...steps].map(
    ([table, { before, added }]): ChangeStep => ({ table, before, added: added.filter((key) => key !== -1) }),
  )
  const undo = changed === 0 ? undefined : remember(within, words, written, at)
  return { changed, undo }
}

/** Rows were checked at the border. */
function readInstrument(draft: Parameters<typeof instrumentFrom>[0]) {
  const read = instrumentFrom(draft)
  if (!read.ok) throw new Error(`instrument ${draft.name}: ${read.problems[0].message}`)
  return read.value
}

const settingRow = ({ key, value }: NotebookRow<'settings'>, instrumentAt: ReadonlyMap<number, number>) => ({
  key,
  value: key === 'instrumentId' ? (instrumentAt.get(Number(value)) ?? value) : value,
})
