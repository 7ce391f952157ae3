/** A data folder as an older Nestling has left it: its tables, with shapes in them. */
import { olderDatabase } from '../../web/src/data/olderDatabase.testkit.ts'

export { migrationCount } from '../../web/src/data/olderDatabase.testkit.ts'

/** @param known As many migrations were there. */
export function olderBook(folder: string, known: number, names: readonly string[]): void {
  olderDatabase(folder, known, (sqlite) => {
    const row = sqlite.prepare(
      "insert into kept_shapes (name, chord, shape, tuning, note, created_at, updated_at) values (?, 'Am7', '5x555x', 'E2,A2,D3,G3,B3,E4', ?, 1, 1)",
    )
    const note = 'the third stays under the hand '.repeat(40)
    sqlite.transaction(() => {
      for (const name of names) row.run(name, note)
    })()
    // What it is found by, where that Nestling already kept it.
    const columns = sqlite.prepare("select name from pragma_table_info('kept_shapes')").pluck().all()
    if (columns.includes('search')) sqlite.exec('update kept_shapes set search = name')
  })
}
