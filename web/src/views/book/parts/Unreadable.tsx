/** What was found unreadable when the notebook was opened: why, with a file of all of it, and the way to delete it. */
import { useCallback, useEffect, useState } from 'react'
import type { UnreadableRow } from '../../../contracts/book.ts'
import { deleteUnreadable, unreadableFile, unreadableRows } from '../../../state/book.ts'
import { tell } from '../../../state/notices.ts'
import { momentWords } from '../../../words/days.ts'
import type { BookState } from '../useBook.ts'
import classes from './Parts.module.css'

export function Unreadable({ state }: { readonly state: BookState }) {
  const [rows, setRows] = useState<readonly UnreadableRow[] | undefined>(undefined)
  const [problem, setProblem] = useState<string | undefined>(undefined)
  const look = useCallback(async () => {
    const reply = await unreadableRows()
    if (reply.ok) setRows(reply.value.unreadable)
    setProblem(reply.ok ? undefined : reply.message)
  }, [])
  useEffect(() => void look(), [look, state.contents])
  const remove = async (row: UnreadableRow) => {
    const reply = await deleteUnreadable(row)
    if (!reply.ok) return tell.problem('Not deleted', reply.message)
    tell.done(`Deleted for good: ${nameOf(row)}`)
    return state.reload()
  }
  return (
    <section aria-label="Unreadable" className={classes['part']}>
      <h2>Unreadable</h2>
      <p>
        These could not be read when the notebook was opened: a disk or another program has changed them. Everything
        else is as it was. A copy from before may still have them whole; save the file before you delete one.
      </p>
      {problem !== undefined && (
        <p role="alert">
          {problem}{' '}
          <button type="button" onClick={() => void look()}>
            Try again
          </button>
        </p>
      )}
      {rows?.length === 0 && <p>Nothing is unreadable.</p>}
      <ul className={classes['sheets']}>
        {rows?.map((row) => (
          <li key={row.id}>
            <article aria-label={nameOf(row)}>
              <span>
                {nameOf(row)}{' '}
                <small>
                  {row.reason} · found {momentWords(row.at)}
                </small>
              </span>
              <a href={unreadableFile(row)} download aria-label={`Save a file of ${nameOf(row)}`}>
                save a file
              </a>
              <button
                type="button"
                data-danger
                aria-label={`Delete ${nameOf(row)} for good`}
                onClick={() => void remove(row)}
              >
                delete for good
              </button>
            </article>
          </li>
        ))}
      </ul>
    </section>
  )
}

const nameOf = ({ kind, title }: UnreadableRow): string => (title === '' ? kind : `${kind} “${title}”`)
