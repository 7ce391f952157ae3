/** What was deleted last, each with the way back. */
import { useCallback, useEffect, useState } from 'react'
import type { DeletedThing } from '../../../contracts/book.ts'
import { deletedThings, restoreThing } from '../../../state/book.ts'
import { tell } from '../../../state/notices.ts'
import { momentWords } from '../../../words/days.ts'
import type { BookState } from '../useBook.ts'
import classes from './Parts.module.css'

export function Deleted({ state }: { readonly state: BookState }) {
  const [things, setThings] = useState<readonly DeletedThing[] | undefined>(undefined)
  const [problem, setProblem] = useState<string | undefined>(undefined)
  const look = useCallback(async () => {
    const reply = await deletedThings()
    if (reply.ok) setThings(reply.value.deleted)
    setProblem(reply.ok ? undefined : reply.message)
  }, [])
  // What is deleted or brought back meanwhile changes the list too.
  useEffect(() => void look(), [look, state.contents])
  const restore = async (thing: DeletedThing) => {
    const reply = await restoreThing(thing)
    if (!reply.ok) return tell.problem('Not brought back', reply.message)
    tell.done(`Back in the Book: ${thing.title}`)
    return state.reload()
  }
  return (
    <section aria-label="Recently deleted" className={classes['part']}>
      <h2>Recently deleted</h2>
      {problem !== undefined && (
        <p role="alert">
          {problem}{' '}
          <button type="button" onClick={() => void look()}>
            Try again
          </button>
        </p>
      )}
      {things?.length === 0 && <p>Nothing was deleted. What is deleted stays here, and can be brought back.</p>}
      <ul className={classes['sheets']}>
        {things?.map((thing) => (
          <li key={`${thing.kind}${thing.id}`}>
            <article aria-label={thing.title}>
              <span>
                {thing.title}{' '}
                <small>
                  {thing.kind} · {momentWords(thing.at)}
                </small>
              </span>
              <button type="button" aria-label={`Bring back ${thing.title}`} onClick={() => void restore(thing)}>
                bring back
              </button>
            </article>
          </li>
        ))}
      </ul>
    </section>
  )
}
