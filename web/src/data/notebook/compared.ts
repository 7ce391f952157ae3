/** What a file's rows are beside those that are here: new, the same, or different, and in which parts. */
import type { NotebookTable } from '@nestling/formats/notebook'
import { canonical } from '../../contracts/canonical.ts'
import type { NotebookRow, NotebookRows } from '../../contracts/notebook.ts'
import { DEFAULT_SETTINGS } from '../../contracts/settings.ts'
import type { SheetDraft } from '../../contracts/sheet.ts'

/** How a table's rows are known again, told, and compared. Ids of a file are not those of the database: names stand for them. */
export interface Kind<Row> {
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

export const KINDS: { readonly [Table in NotebookTable]: Kind<NotebookRow<Table>> } = {
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
    parts: ({ tune: { way, ...chart }, remarks }) => ({ chart, shapes: way, remarks }),
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
export const withTunes = (blocks: SheetDraft['blocks'], to: (tune: number) => unknown): unknown =>
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
export function compared<Table extends NotebookTable>(
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
export const LISTED: readonly NotebookTable[] = [
  'tunes',
  'shapes',
  'sets',
  'sheets',
  'instruments',
  'tunings',
  'settings',
  'tray',
]
export const TABLES: readonly NotebookTable[] = [
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
