/**
 * The whole notebook, out and in.
 *   tables ─rows→ NotebookRows (a file's)      NotebookRows ─compared→ what is new, the same, otherwise ─apply→ one change
 * Rows are known again by what a player knows them by: a tune by its title, a shape by its frets, chord and tuning.
 */
import type {
  NotebookChoices,
  NotebookPreview,
  NotebookRows,
  PreviewCount,
  PreviewItem,
} from '../contracts/notebook.ts'
import { applied } from './notebook/applied.ts'
import { compared, KINDS, type Kind, LISTED, TABLES } from './notebook/compared.ts'
import { rowsOf } from './notebook/rows.ts'
import type { Store } from './store.ts'

export type NotebookRepository = ReturnType<typeof createNotebookRepository>

/** As many rows are listed one by one; the others follow the choice for all. */
const MOST_ITEMS = 400

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
