/** Files and copies: what goes out, what comes in, and the way back. */
import type { Copy } from '../../../contracts/book.ts'
import { counted } from '../../../words/shapes.ts'
import parts from '../parts/Parts.module.css'
import type { BookState } from '../useBook.ts'
import { AllData } from './AllData.tsx'
import { Copies } from './Copies.tsx'
import classes from './Files.module.css'
import { Found } from './Found.tsx'
import { useReading } from './useReading.ts'

const ACCEPTED = '.json,.musicxml,.xml,.mxl,.mid,.midi,.cho,.chordpro,.chopro,.pro,.crd,.txt,.tab,.csv'

export function Files({ state, copies }: { readonly state: BookState; readonly copies: readonly Copy[] }) {
  const { contents } = state
  const reader = useReading(state)
  const { reading } = reader
  return (
    <section aria-label="Files and copies" className={parts['part']}>
      <h2>Read a file</h2>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: the field inside does the same by keyboard */}
      <div
        className={classes['drop']}
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault()
          const [file] = event.dataTransfer.files
          if (file) reader.read(file)
        }}
      >
        <label>
          A notebook (JSON), MusicXML, MIDI, ChordPro, text TAB, or shapes as CSV{' '}
          <input
            type="file"
            accept={ACCEPTED}
            onChange={(event) => {
              const [file] = event.currentTarget.files ?? []
              if (file) reader.read(file)
              event.currentTarget.value = ''
            }}
          />
        </label>
        <p>What it holds is shown first; nothing changes before you say so, and then it can be taken back.</p>
      </div>
      {(reading.status === 'reading' || reading.status === 'comparing' || reading.status === 'writing') && (
        <p role="status" className={classes['busy']}>
          <progress aria-label={reading.status} />{' '}
          {
            {
              reading: 'reading',
              comparing: 'comparing with what is kept',
              writing: 'a copy is made, then it is put in',
            }[reading.status]
          }
          : {reading.name}
          {reading.status !== 'writing' && (
            <button type="button" onClick={reader.stop}>
              Stop
            </button>
          )}
        </p>
      )}
      {reading.status === 'refused' && (
        <p role="alert" className={classes['refused']}>
          <strong>{reading.name}</strong> was not read. {reading.message} Nothing was changed.
        </p>
      )}
      {reading.status === 'found' && <Found found={reading} reader={reader} />}

      <h2>Save a file</h2>
      <ul className={classes['out']}>
        <li>
          <a href="/api/notebook" download>
            The whole notebook
          </a>{' '}
          <small>as JSON: all that is kept, to read back here or elsewhere</small>
        </li>
        <li>
          <a href="/api/shapes.csv" download>
            All shapes
          </a>{' '}
          <small>as CSV, for spreadsheets</small>
        </li>
        <li>
          <a href="/api/log?format=csv" download>
            The logbook
          </a>{' '}
          <small>as CSV</small>
        </li>
        {contents.tunes.map(({ id, title }) => (
          <li key={id}>
            <span>{title}</span>{' '}
            <a href={`/api/tunes/${id}.musicxml`} download aria-label={`${title} as MusicXML`}>
              MusicXML
            </a>{' '}
            <a href={`/api/tunes/${id}.cho`} download aria-label={`${title} as ChordPro`}>
              ChordPro
            </a>{' '}
            <a href={`/api/tunes/${id}.mid`} download aria-label={`${title} as MIDI`}>
              MIDI
            </a>{' '}
            <a href={`/api/tunes/${id}.txt`} download aria-label={`${title} as text TAB`}>
              TAB
            </a>
          </li>
        ))}
      </ul>
      {contents.moreTunes > 0 && (
        <p>and {counted(contents.moreTunes, 'tune')} more: each has the same files at /api/tunes</p>
      )}
      <Copies first={copies} />
      <AllData state={state} />
    </section>
  )
}
