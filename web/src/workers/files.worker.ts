/** Reads a file off the main thread: whatever it is, it becomes a notebook that can be compared with what is kept. */
import { writeSymbol } from '@nestling/core/chord'
import { writeShape } from '@nestling/core/shape'
import { type AnyFile, readFile } from '@nestling/formats/anyfile'
import { type FileProblem, problem } from '@nestling/formats/file'
import { EMPTY_TABLES, NOTEBOOK_FORMAT, NOTEBOOK_VERSION } from '@nestling/formats/notebook'
import { expose } from 'comlink'
import type { BookTune } from '../contracts/book.ts'
import type { KeptTune } from '../contracts/tune.ts'
import { tuneDraftOf } from '../contracts/tuneFile.ts'

export interface ReadAsNotebook {
  readonly kind: AnyFile['kind']
  readonly left: readonly FileProblem[]
  /** JSON of a notebook. */
  readonly notebook: string
}
export type FileAnswer =
  | { readonly ok: true; readonly value: ReadAsNotebook }
  | { readonly ok: false; readonly error: FileProblem }

const api = {
  /**
   * @param kept Tunes of the Book: shapes of a table can be put under them by title.
   * @param tuneOf A tune of the Book, whole.
   */
  async read(
    name: string,
    bytes: Uint8Array,
    kept: readonly Pick<BookTune, 'id' | 'title'>[],
    tuneOf: (id: number) => Promise<KeptTune>,
    now: string,
  ): Promise<FileAnswer> {
    const read = readFile(name, bytes)
    if (!read.ok) return read
    const file = read.value
    if (file.kind === 'notebook') {
      const { tables, savedAt } = file.notebook
      return answer('notebook', file.left, { savedAt, ...tables })
    }
    const title = name.replace(/\.[^.]+$/, '').slice(0, 60) || 'a tune'
    const { tunes, shapes } = file.read
    const drafts = tunes.map(({ tune, remarks }, index) => ({
      ...tuneDraftOf(tune, remarks, title),
      id: index + 1,
      createdAt: now,
    }))
    // Rows that are here already are compared, found to be the same, and give shapes their place.
    const wanted = [...new Set(shapes.flatMap(({ tune }) => tune ?? []))]
    const here = await Promise.all(
      wanted.flatMap((one) => kept.find((tune) => tune.title === one) ?? []).map(({ id }) => tuneOf(id)),
    )
    const named = here.map(({ title: own, tune, remarks, createdAt }, index) => ({
      title: own,
      tune,
      remarks,
      id: drafts.length + index + 1,
      createdAt,
    }))
    const missing = wanted.filter((one) => !kept.some((tune) => tune.title === one))
    const rows = shapes.map(({ name: own, note, shape, tune, tags }) => {
      const { fingers = '', ...texts } = writeShape(shape)
      return {
        ...texts,
        fingers,
        name: own.slice(0, 60) || writeSymbol(shape.chord, { ascii: true }),
        note: note.slice(0, 500),
        tags: [...(tags ?? [])].slice(0, 20),
        tune: named.find(({ title: one }) => one === tune)?.id ?? null,
        createdAt: now,
      }
    })
    const left = [
      ...file.left,
      ...missing.map((one) => problem('row_wrong', 0, `No tune “${one}” in the Book: in none`)),
    ]
    return answer(file.kind, left, { savedAt: now, ...EMPTY_TABLES, tunes: [...drafts, ...named], shapes: rows })
  },
}

function answer(kind: AnyFile['kind'], left: readonly FileProblem[], tables: object): FileAnswer {
  return {
    ok: true,
    value: { kind, left, notebook: JSON.stringify({ format: NOTEBOOK_FORMAT, version: NOTEBOOK_VERSION, ...tables }) },
  }
}

export type FilesWorker = typeof api
expose(api)
