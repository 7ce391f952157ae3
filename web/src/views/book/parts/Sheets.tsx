/** Sheets: pages that were composed. */
import type { BookSheet } from '../../../contracts/book.ts'
import { restoring } from '../../../state/deeds.ts'
import { tell } from '../../../state/notices.ts'
import { addressOfSheet, deleteSheet, findSheet, keepSheet } from '../../../state/sheets.ts'
import { counted } from '../../../words/shapes.ts'
import type { BookState } from '../useBook.ts'
import classes from './Parts.module.css'

const KIND_WORDS: Readonly<Record<BookSheet['blocks'][number], string>> = {
  title: 'title',
  chart: 'chart',
  key: 'key',
  map: 'map',
  arpeggio: 'arpeggio',
  shapes: 'shapes',
  words: 'words',
  legend: 'legend',
}

export function Sheets({ state }: { readonly state: BookState }) {
  const { sheets, moreSheets } = state.contents
  return (
    <section aria-label="Sheets" className={classes['part']}>
      <h2>
        Sheets <a href="/sheet">a new one</a>
      </h2>
      {sheets.length === 0 && (
        <p>
          A sheet is a page for the music stand: a tune with its shapes, the lanes of a key, a map, words. Nothing is
          kept yet.
        </p>
      )}
      <ul className={classes['sheets']}>
        {sheets.map((sheet) => (
          <li key={sheet.id}>
            <OneSheet sheet={sheet} state={state} />
          </li>
        ))}
      </ul>
      {moreSheets > 0 && <p>and {counted(moreSheets, 'sheet')} more, older ones</p>}
    </section>
  )
}

function OneSheet({ sheet, state }: { readonly sheet: BookSheet; readonly state: BookState }) {
  const remove = async () => {
    const reply = await deleteSheet(sheet)
    if (reply.ok) return state.did(`Deleted: ${sheet.title}`, restoring('sheet', sheet.id))
    tell.problem('Not deleted', reply.message)
    return state.reload()
  }
  const copy = async () => {
    const whole = await findSheet(sheet.id)
    if (!whole.ok) return tell.problem('Not copied', whole.message)
    const { id: _id, version: _version, createdAt: _at, ...draft } = whole.value
    const reply = await keepSheet({ ...draft, title: `${draft.title}, a copy`.slice(0, 60) })
    if (!reply.ok)
      return reply.waits ? tell.waits('The copy waits', reply.message) : tell.problem('Not copied', reply.message)
    return state.did(`Copied: ${sheet.title}`, { method: 'DELETE', path: `/api/sheets/${reply.value.id}` })
  }
  return (
    <article aria-label={sheet.title}>
      <a href={addressOfSheet(sheet)} className={classes['paper']} data-lying={sheet.lying || undefined}>
        <span>{sheet.title}</span>
        <small>
          {sheet.paper} {sheet.lying ? 'lying' : 'upright'} ·{' '}
          {[...new Set(sheet.blocks)]
            .filter((kind) => kind !== 'title' && kind !== 'legend')
            .map((kind) => KIND_WORDS[kind])
            .join(', ') || 'nothing on it yet'}
        </small>
      </a>
      <button type="button" onClick={() => void copy()}>
        copy
      </button>
      <button type="button" data-danger aria-label={`Delete ${sheet.title}`} onClick={() => void remove()}>
        delete
      </button>
    </article>
  )
}
