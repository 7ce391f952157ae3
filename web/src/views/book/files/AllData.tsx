/** All of a player's data: where it lies, how large it is, all of it as a file, and the end of it, asked twice. */
import { useEffect, useState } from 'react'
import type { AboutData } from '../../../contracts/book.ts'
import { aboutData, deleteEverything, WHOLE_FILE } from '../../../state/allData.ts'
import { tell } from '../../../state/notices.ts'
import { counted } from '../../../words/shapes.ts'
import { sizeWords } from '../../../words/sizes.ts'
import type { BookState } from '../useBook.ts'
import classes from './Files.module.css'

type Asked = 'not asked' | 'once' | 'twice'

export function AllData({ state }: { readonly state: BookState }) {
  const { contents } = state
  const [about, setAbout] = useState<AboutData | undefined>(undefined)
  const [asked, setAsked] = useState<Asked>('not asked')
  const [isSaved, setSaved] = useState(false)
  useEffect(() => {
    if (contents) void aboutData().then((reply) => setAbout(reply.ok ? reply.value : undefined))
  }, [contents])
  const end = async () => {
    const reply = await deleteEverything()
    // Nothing on any page is there any more.
    if (reply.ok) window.location.assign('/book?show=files')
    else tell.problem('Nothing was deleted', reply.message)
  }
  const file = (words: string) => (
    <a href={WHOLE_FILE} download onClick={() => setSaved(true)}>
      {words}
    </a>
  )
  return (
    <section aria-label="All your data">
      <h2>All your data</h2>
      {about && (
        <p>
          It lies in <code>{about.folder}</code>: the database, {sizeWords(about.bytes)}, and{' '}
          {about.copies === 0
            ? 'no copy of it yet'
            : `${counted(about.copies, 'copy', 'copies')} of it, ${sizeWords(about.copiesBytes)}`}
          .
        </p>
      )}
      <ul className={classes['out']}>
        <li>
          {file('Copy all')} <small>one file, an SQLite database; npm run restore -- FILE puts it back</small>
        </li>
      </ul>
      {asked === 'not asked' && (
        <p>
          <button type="button" data-danger onClick={() => setAsked('once')}>
            Delete all …
          </button>
        </p>
      )}
      {asked === 'once' && (
        <div role="group" aria-label="Delete all" className={classes['refused']}>
          <p>
            Everything goes: {counted(contents.shapes, 'shape')}, {counted(contents.tunes.length, 'tune')},{' '}
            {counted(contents.sets.length, 'set')}, {counted(contents.sheets.length, 'sheet')}, the tray, instruments,
            cards, the logbook, settings, and the copies of it, those made by itself too. It can’t be taken back. First{' '}
            {file('copy all')}.
          </p>
          <button type="button" data-danger disabled={!isSaved} onClick={() => setAsked('twice')}>
            Delete all of it
          </button>{' '}
          <button type="button" onClick={() => setAsked('not asked')}>
            no
          </button>
        </div>
      )}
      {asked === 'twice' && (
        <div role="group" aria-label="Delete all, asked again" className={classes['refused']}>
          <p>Is the file where you want it? After this nothing is kept here.</p>
          <button type="button" data-danger onClick={() => void end()}>
            Yes, delete everything now
          </button>{' '}
          <button type="button" onClick={() => setAsked('not asked')}>
            no, keep it
          </button>
        </div>
      )}
    </section>
  )
}
