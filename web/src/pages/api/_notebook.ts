/** A notebook at the border: its rows checked one by one, what is wrong left aside with its place. */
import { readTuning } from '@nestling/core/neck'
import { readProgression } from '@nestling/core/progression'
import { readShape } from '@nestling/core/shape'
import { NOTEBOOK_TABLES, type NotebookFile, type NotebookTable } from '@nestling/formats/notebook'
import * as v from 'valibot'
import { instrumentFrom } from '../../contracts/instrument.ts'
import { NOTEBOOK_ROWS, type NotebookRow, type NotebookRows } from '../../contracts/notebook.ts'
import { progressionTexts } from '../../contracts/progression.ts'
import { wordsOf } from '../../words/errors.ts'
import { asTexts } from './_shape.ts'
import { slipOf } from './_tune.ts'

const reads = new WeakMap<NotebookRow<'shapes'>, ReturnType<typeof readShape>>()
/** Whether it can be read and how it is written are two questions about one row. */
function readOnce(row: NotebookRow<'shapes'>): ReturnType<typeof readShape> {
  const read = reads.get(row) ?? readShape(row)
  reads.set(row, read)
  return read
}

/** A row that can't be taken. */
export interface WrongRow {
  readonly table: NotebookTable
  /** From 0. */
  readonly place: number
  readonly field: string
  readonly why: string
}

export interface CheckedNotebook {
  readonly rows: NotebookRows
  readonly wrong: readonly WrongRow[]
}

type Wrong = { readonly field: string; readonly why: string } | undefined

/** The music in a row: what a schema can't see. */
const MUSIC: { readonly [Table in NotebookTable]?: (row: NotebookRow<Table>) => Wrong } = {
  instruments: ({ id: _id, ...draft }) => {
    const read = instrumentFrom(draft)
    return read.ok ? undefined : { field: read.problems[0].field, why: read.problems[0].message }
  },
  tunings: ({ tuning }) => {
    const read = readTuning(tuning)
    return read.ok ? undefined : { field: 'tuning', why: wordsOf(read.error).message }
  },
  tunes: ({ tune }) => {
    const slip = slipOf(tune)
    return slip && { field: `tune.${slip.field}`, why: slip.message }
  },
  shapes: (row) => {
    const read = readOnce(row)
    return read.ok ? undefined : { field: read.error.field, why: wordsOf(read.error).message }
  },
  sets: (row) => progressionWrong(row),
  tray: (row) => progressionWrong({ ...row, version: 0 }),
}
function progressionWrong(row: Parameters<typeof progressionTexts>[0]): Wrong {
  const read = readProgression(progressionTexts(row))
  return read.ok ? undefined : { field: read.error.field, why: wordsOf(read.error).message }
}

/** By what no two rows of a table may be alike. */
const UNIQUE: { readonly [Table in NotebookTable]?: (row: NotebookRow<Table>) => string } = {
  settings: ({ key }) => key,
  instruments: ({ name }) => name,
  tunings: ({ name }) => name,
  tray: () => 'tray',
  materials: ({ text, tuning }) => `${text} ${tuning}`,
  runs: ({ id }) => id,
  cards: ({ id }) => id,
  attempts: ({ id }) => id,
}

/** A shape that is typed otherwise is the same shape. */
function canonical(row: NotebookRow<'shapes'>): NotebookRow<'shapes'> {
  const read = readOnce(row)
  return read.ok ? { ...row, ...asTexts(read.value) } : row
}

export function checkedRows({ tables }: NotebookFile): CheckedNotebook {
  const wrong: WrongRow[] = []
  const rows: Record<string, unknown[]> = {}
  for (const table of NOTEBOOK_TABLES) {
    const seen = new Set<string>()
    const music = MUSIC[table] as ((row: unknown) => Wrong) | undefined
    const unique = UNIQUE[table] as ((row: unknown) => string) | undefined
    const good: unknown[] = []
    for (const [place, row] of tables[table].entries()) {
      const parsed = v.safeParse(NOTEBOOK_ROWS[table], row)
      if (!parsed.success) {
        const [issue] = parsed.issues
        wrong.push({ table, place, field: v.getDotPath(issue) ?? table, why: issue.message })
        continue
      }
      const slip = music?.(parsed.output)
      const key = unique?.(parsed.output)
      if (slip) wrong.push({ table, place, ...slip })
      else if (key !== undefined && seen.has(key)) wrong.push({ table, place, field: table, why: 'it is there twice' })
      else {
        if (key !== undefined) seen.add(key)
        good.push(table === 'shapes' ? canonical(parsed.output as NotebookRow<'shapes'>) : parsed.output)
      }
    }
    rows[table] = good
  }
  const checked = rows as unknown as NotebookRows
  const materials = new Set(checked.materials.map(({ id }) => id))
  const known = <Row extends { readonly material: number }>(table: 'runs' | 'cards', all: readonly Row[]) =>
    all.filter(({ material }, place) => {
      if (materials.has(material)) return true
      wrong.push({ table, place, field: 'material', why: 'what it practises is not in the file' })
      return false
    })
  return { rows: { ...checked, runs: known('runs', checked.runs), cards: known('cards', checked.cards) }, wrong }
}
