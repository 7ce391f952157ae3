/**
 * The whole notebook, out and in.
 *   tables ─rows→ NotebookRows (a file's)      NotebookRows ─compared→ what is new, the same, otherwise ─apply→ one change
 * Rows are known again by what a player knows them by: a tune by its title, a shape by its frets, chord and tuning.
 */
import type { NotebookTable } from '@nestling/formats/notebook'
import { asc, eq, isNull } from 'drizzle-orm'
import { canonical } from '../contracts/canonical.ts'
import { draftOf, instrumentFrom } from '../contracts/instrument.ts'
import type {
  Choice,
  NotebookChoices,
  NotebookPreview,
  NotebookRow,
  NotebookRows,
  PreviewCount,
  PreviewItem,
} from '../contracts/notebook.ts'
import { DEFAULT_SETTINGS } from '../contracts/settings.ts'
import type { SheetDraft } from '../contracts/sheet.ts'
import { type ChangedTable, type ChangeStep, remember, rowsBefore } from './changes.ts'
import { instrumentOf, instrumentRow } from './instrumentRepository.ts'
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
} from './schema.ts'
import { plain } from './shapeRepository.ts'
import type { Reader, Store, Writer } from './store.ts'

export type NotebookRepository = ReturnType<typeof createNotebookRepository>

/** As many rows are listed one by one; the others follow the choice for all. */
const MOST_ITEMS = 400

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
    tunes: tuneRows.map(({ id, title, query, chords, remarks, createdAt }) => ({
      id,
      title,
      query,
      chords: [...chords],
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

/** How a table's rows are known again, told, and compared. Ids of a file are not those of the database: names stand for them. */
interface Kind<Row> {
  readonly keyOf: (row: Row) => string
  readonly nameOf: (row: Row) => string
  /** What counts as a difference, by the word that tells it. */
  readonly parts: (row: Row, names: Names) => Readonly<Record<string, unknown>>
}
interface Names {
  readonly tune: (id: number | null) => string
  readonly instrument: (id: unknown) => string
  readonly material: (id: number) => string
}

const KINDS: { readonly [Table in NotebookTable]: Kind<NotebookRow<Table>> } = {
  settings: {
    keyOf: ({ key }) => key,
    nameOf: ({ key }) => key,
    parts: ({ key, value }, { instrument }) => ({ value: key === 'instrumentId' ? instrument(value) : value }),
  },
  instruments: {
    keyOf: ({ name }) => name,
    nameOf: ({ name }) => name,
    parts: ({ id: _id, name: _name, ...measures }) => ({ measures }),
  },
  tunings: { keyOf: ({ name }) => name, nameOf: ({ name }) => name, parts: ({ tuning }) => ({ tuning }) },
  tunes: {
    keyOf: ({ title }) => title,
    nameOf: ({ title }) => title,
    parts: ({ query, chords, remarks }) => ({ chart: query, shapes: chords, remarks }),
  },
  shapes: {
    keyOf: ({ chord, frets, tuning }) => `${frets} ${chord} ${tuning}`,
    nameOf: ({ name, chord, frets }) => `${name} (${chord} ${frets})`,
    parts: ({ name, note, fingers, tags, tune }, names) => ({
      name,
      note,
      fingers,
      tags,
      tune: names.tune(tune ?? null),
    }),
  },
  sets: {
    keyOf: ({ title }) => title,
    nameOf: ({ title }) => title,
    parts: ({ key, metre, tempoBpm, steps }) => ({ key, metre, tempo: tempoBpm, shapes: steps }),
  },
  tray: {
    keyOf: () => 'tray',
    nameOf: () => 'the tray',
    parts: ({ title, key, metre, tempoBpm, steps }) => ({ title, key, metre, tempoBpm, shapes: steps }),
  },
  sheets: {
    keyOf: ({ title }) => title,
    nameOf: ({ title }) => title,
    parts: ({ title: _title, createdAt: _at, blocks, ...look }, { tune }) => ({
      look,
      blocks: withTunes(blocks, tune),
    }),
  },
  materials: { keyOf: ({ text, tuning }) => `${text} ${tuning}`, nameOf: ({ text }) => text, parts: () => ({}) },
  runs: { keyOf: ({ id }) => id, nameOf: ({ id }) => id, parts: () => ({}) },
  cards: {
    keyOf: ({ id }) => id,
    nameOf: ({ card }) => card,
    parts: ({ dueAt, reps, state }) => ({ schedule: [dueAt, reps, state] }),
  },
  attempts: {
    keyOf: ({ id }) => id,
    nameOf: ({ day, material, root }) => `${day} ${material} ${root}`,
    parts: ({ grade, tempo }) => ({ grade, tempo }),
  },
}

/** A sheet's blocks with what they refer to by another name. */
const withTunes = (blocks: SheetDraft['blocks'], to: (tune: number) => unknown): unknown =>
  blocks.map((block) =>
    block.kind === 'chart' && block.source.kind === 'kept'
      ? { ...block, source: { kind: 'kept', tune: to(block.source.tune) } }
      : block,
  )

function namesIn(rows: NotebookRows): Names {
  const titles = new Map(rows.tunes.map(({ id, title }) => [id, title]))
  const instrumentNames = new Map(rows.instruments.map(({ id, name }) => [id, name]))
  const materials = new Map(rows.materials.map(({ id, text, tuning }) => [id, `${text} ${tuning}`]))
  return {
    tune: (id) => (id === null ? '' : (titles.get(id) ?? '')),
    instrument: (id) => instrumentNames.get(Number(id)) ?? '',
    material: (id) => materials.get(id) ?? '',
  }
}

interface Compared {
  readonly state: 'new' | 'same' | 'different'
  readonly differs: readonly string[]
  /** The place of its twin among the rows that are here. */
  readonly twin: number | undefined
}

/** Every row of a file against what is here. Of several with one name those that are alike are paired, the rest in their order. */
function compared<Table extends NotebookTable>(
  table: Table,
  file: NotebookRows,
  here: NotebookRows,
): readonly Compared[] {
  const kind = KINDS[table] as unknown as Kind<NotebookRow<Table>>
  const [fileNames, hereNames] = [namesIn(file), namesIn(here)]
  const [theirs, mine] = [here[table] as readonly NotebookRow<Table>[], file[table] as readonly NotebookRow<Table>[]]
  const places = placesBy(theirs, kind.keyOf)
  const isShared = (row: NotebookRow<Table>) => (places.get(kind.keyOf(row))?.length ?? 0) > 1
  const alikeBy = (row: NotebookRow<Table>, names: Names) => `${kind.keyOf(row)} ${canonical(kind.parts(row, names))}`
  const alike = placesBy(theirs, (row) => (isShared(row) ? alikeBy(row, hereNames) : ''))
  const exact = mine.map((row) => (isShared(row) ? alike.get(alikeBy(row, fileNames))?.shift() : undefined))
  const taken = new Set(exact)
  const nextOf = (row: NotebookRow<Table>): number | undefined => {
    const left = places.get(kind.keyOf(row))
    let twin = left?.shift()
    while (twin !== undefined && taken.has(twin)) twin = left?.shift()
    return twin
  }
  return mine.map((row, place): Compared => {
    const twin = exact[place] ?? nextOf(row)
    const other = twin === undefined ? undefined : theirs[twin]
    if (other === undefined) {
      // A setting that is at its default here is no row: it is new only where it says something else.
      const isDefault = table === 'settings' && isUsual(row as NotebookRow<'settings'>)
      return { state: isDefault ? 'same' : 'new', differs: [], twin: undefined }
    }
    const [ours, there] = [kind.parts(row, fileNames), kind.parts(other, hereNames)]
    const differs = Object.keys(ours).filter((part) => canonical(ours[part]) !== canonical(there[part]))
    return { state: differs.length === 0 ? 'same' : 'different', differs, twin }
  })
}

/** The places of rows by what they are called, in their order. */
function placesBy<Row>(rows: readonly Row[], nameOf: (row: Row) => string): Map<string, number[]> {
  const places = new Map<string, number[]>()
  for (const [place, row] of rows.entries()) {
    const name = nameOf(row)
    const there = places.get(name)
    if (there) there.push(place)
    else places.set(name, [place])
  }
  return places
}

const isUsual = ({ key, value }: NotebookRow<'settings'>): boolean =>
  JSON.stringify((DEFAULT_SETTINGS as Readonly<Record<string, unknown>>)[key]) === JSON.stringify(value)

/** Tables of which each row is listed; of the log only the counts are told. */
const LISTED: readonly NotebookTable[] = [
  'tunes',
  'shapes',
  'sets',
  'sheets',
  'instruments',
  'tunings',
  'settings',
  'tray',
]
const TABLES: readonly NotebookTable[] = [
  'settings',
  'instruments',
  'tunings',
  'tunes',
  'shapes',
  'sets',
  'tray',
  'sheets',
  'materials',
  'runs',
  'cards',
  'attempts',
]

export function createNotebookRepository({ read, write }: Store) {
  return {
    rows: (): NotebookRows => rowsOf(read),
    /** What reading a file would change; changes nothing. */
    preview(file: NotebookRows): NotebookPreview {
      const here = rowsOf(read)
      const items: PreviewItem[] = []
      let cut = 0
      const counts = TABLES.map((table): PreviewCount => {
        const count = { fresh: 0, same: 0, different: 0 }
        for (const [place, { state, differs }] of compared(table, file, here).entries()) {
          count[state === 'new' ? 'fresh' : state]++
          if (state === 'same' || !LISTED.includes(table)) continue
          if (items.length === MOST_ITEMS) cut++
          else
            items.push({
              table,
              place,
              name: (KINDS[table] as Kind<unknown>).nameOf(file[table][place]),
              state,
              differs,
            })
        }
        return { table, ...count }
      })
      return { counts: counts.filter(({ fresh, same, different }) => fresh + same + different > 0), items, cut }
    },
    /** Puts in what was chosen, as one change. `undo` takes it back. */
    apply: (file: NotebookRows, choices: NotebookChoices, words: string, at: Date) =>
      write((within) => applied(within, file, choices, words, at)),
  }
}

interface Step {
  readonly before: ChangeStep['before'][number][]
  readonly added: (number | string)[]
}

function applied(within: Writer, file: NotebookRows, choices: NotebookChoices, words: string, at: Date) {
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

/** The keys of the rows that `rowsOf` lists, in its order. */
function idsHere(read: Reader): Readonly<Record<NotebookTable, readonly (number | string)[]>> {
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
