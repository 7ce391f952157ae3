/** Copies of the whole notebook, and the way back to one. */
import { useState } from 'react'
import type { Copy } from '../../../contracts/book.ts'
import { call } from '../../../state/http.ts'
import { tell } from '../../../state/notices.ts'
import { momentWords } from '../../../words/days.ts'
import { sizeWords } from '../../../words/sizes.ts'
import classes from './Files.module.css'

const WHY: Readonly<Record<Copy['reason'], string>> = {
  'by-hand': 'saved by you',
  'before-migration': 'before Nestling was updated',
  'before-reading': 'before a file was read',
  'before-going-back': 'before going back to a copy',
}

export function Copies({ first }: { readonly first: readonly Copy[] }) {
  const [copies, setCopies] = useState(first)
  const [isBusy, setBusy] = useState(false)
  const [asking, setAsking] = useState<string | undefined>(undefined)
  const save = async () => {
    setBusy(true)
    const reply = await call<Copy>('POST', '/api/copies', {})
    setBusy(false)
    if (!reply.ok) return tell.problem('No copy was saved', reply.message)
    setCopies([reply.value, ...copies])
    return tell.done('A copy of the notebook was saved.')
  }
  const goBack = async (copy: Copy) => {
    setBusy(true)
    const reply = await call<Copy>('POST', `/api/copies/${copy.id}/restore`, {})
    setBusy(false)
    // Everything on every page is another now.
    if (reply.ok) window.location.assign('/book?show=files')
    else tell.problem('Not gone back', reply.message)
  }
  return (
    <>
      <h2>
        Copies{' '}
        <button type="button" disabled={isBusy} onClick={() => void save()}>
          Save a copy
        </button>
      </h2>
      <p>
        A copy is the whole database, made while it is in use and kept beside it. What is here is copied before you go
        back, so that can be taken back too.
      </p>
      {copies.length === 0 && (
        <p>No copy yet. One is made by itself before each file that is read and before each update.</p>
      )}
      <ul className={classes['copies']}>
        {copies.map((copy) => (
          <li key={copy.id}>
            <strong>{momentWords(copy.at)}</strong> {WHY[copy.reason]} <small>{sizeWords(copy.bytes)}</small>{' '}
            {asking === copy.id ? (
              <>
                <button type="button" disabled={isBusy} onClick={() => void goBack(copy)}>
                  Go back to it now
                </button>{' '}
                <button type="button" onClick={() => setAsking(undefined)}>
                  no
                </button>
              </>
            ) : (
              <button type="button" onClick={() => setAsking(copy.id)}>
                go back to it
              </button>
            )}
          </li>
        ))}
      </ul>
    </>
  )
}
