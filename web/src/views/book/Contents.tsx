/** The notebook's contents, with counts: tunes, what else is kept, files. */
import { useState } from 'react'
import { counted } from '../../words/shapes.ts'
import classes from './BookView.module.css'
import type { BookPlan, Part } from './types.ts'
import type { BookState } from './useBook.ts'

/** More are a search's work; all of them can be listed. */
const MOST_LISTED = 40

export function Contents({ state }: { readonly state: BookState }) {
  const { contents, plan, change } = state
  const [isLong, setLong] = useState(false)
  // The tune that is looked at stands there, however many are kept.
  const shown = isLong
    ? contents.tunes
    : contents.tunes.filter(({ id }, index) => index < MOST_LISTED || String(id) === plan.tune)
  const hidden = contents.tunes.length - shown.length
  const item = (words: string, count: number | undefined, is: boolean, changes: Partial<BookPlan>) => (
    <li key={words}>
      <button type="button" aria-current={is ? 'true' : undefined} onClick={() => change(changes)}>
        <span>{words}</span>
        {count !== undefined && <small>{count}</small>}
      </button>
    </li>
  )
  const isShapes = plan.part === 'shapes'
  const part = (words: string, of: Part, count?: number) => item(words, count, plan.part === of, { part: of })
  return (
    <nav aria-label="Contents" className={classes['contents']}>
      <h2>Tunes</h2>
      <ul>
        {item('all of it', contents.shapes, isShapes && plan.tune === undefined, { part: 'shapes', tune: undefined })}
        {shown.map(({ id, title, count }) =>
          item(title, count, isShapes && plan.tune === String(id), { part: 'shapes', tune: String(id) }),
        )}
        {item('in no tune', contents.inNone, isShapes && plan.tune === 'none', { part: 'shapes', tune: 'none' })}
      </ul>
      {hidden > 0 && (
        <ul>
          <li>
            <button type="button" onClick={() => setLong(true)}>
              all {contents.tunes.length} tunes
            </button>
          </li>
        </ul>
      )}
      {contents.moreTunes > 0 && <p>and {counted(contents.moreTunes, 'tune')} more</p>}
      <h2>Also kept</h2>
      <ul>
        {part('Sets', 'sets', contents.sets.length + contents.moreSets)}
        {part('Sheets', 'sheets', contents.sheets.length + contents.moreSheets)}
        {part('recently deleted', 'deleted')}
        {contents.unreadable > 0 && part('unreadable', 'unreadable', contents.unreadable)}
        <li>
          <a href="/logbook">Logbook</a>
        </li>
      </ul>
      <h2>The notebook</h2>
      <ul>{part('files and copies', 'files')}</ul>
    </nav>
  )
}
