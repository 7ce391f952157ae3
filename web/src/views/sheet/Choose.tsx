/** No sheet is open: which of them, or a new one. */
import { useMemo, useState } from 'react'
import type { SheetDraft } from '../../contracts/sheet.ts'
import { Frame } from '../../shell/Frame.tsx'
import { tell } from '../../state/notices.ts'
import { keepSheet } from '../../state/sheets.ts'
import type { putIn } from '../../state/toSheet.ts'
import { emptySheet, withBlock } from './newBlock.ts'
import { readPut } from './put.ts'
import classes from './SheetView.module.css'

export interface OtherSheet {
  readonly id: number
  readonly title: string
}

const KIND_WORDS: Readonly<Record<string, string>> = {
  title: 'a title',
  chart: 'a tune',
  key: 'a key',
  map: 'a map',
  arpeggio: 'an arpeggio',
  shapes: 'shapes',
  words: 'words',
  legend: 'a legend',
}

export function Choose({
  others,
  put,
}: {
  readonly others: readonly OtherSheet[]
  readonly put: ReturnType<typeof putIn>
}) {
  const block = useMemo(() => readPut(put?.text), [put])
  const [title, setTitle] = useState('')
  const [isBusy, setBusy] = useState(false)
  const make = async () => {
    setBusy(true)
    const empty = emptySheet(title.trim() || 'A new sheet')
    const reply = await keepSheet((block ? withBlock(empty, block) : empty) as SheetDraft)
    setBusy(false)
    if (reply.ok) window.location.assign(`/sheet?sheet=${reply.value.id}`)
    else if (reply.waits) tell.waits('The sheet waits', reply.message)
    else tell.problem('Not made', reply.message)
  }
  const address = (id: number) => `/sheet?sheet=${id}${block && put ? put.hash : ''}`
  return (
    <Frame>
      <div className={classes['choose']}>
        <h1>{block ? `Put ${KIND_WORDS[block.kind] ?? 'it'} on a sheet` : 'Sheets'}</h1>
        {put !== undefined && !block && (
          <p role="alert">What was to be put on a sheet can’t be read; the sheets are here all the same.</p>
        )}
        <form
          onSubmit={(event) => {
            event.preventDefault()
            void make()
          }}
        >
          <label>
            a new one, called{' '}
            <input
              className="plain-field"
              value={title}
              maxLength={60}
              placeholder="A new sheet"
              onChange={(event) => setTitle(event.currentTarget.value)}
            />
          </label>{' '}
          <button type="submit" disabled={isBusy}>
            Make it
          </button>
        </form>
        <ul>
          {others.map((one) => (
            <li key={one.id}>
              <a href={address(one.id)}>{one.title}</a>
            </li>
          ))}
        </ul>
        {others.length === 0 && <p>No sheet is kept yet.</p>}
        <p>
          <a href="/book?show=sheets">back to the Book</a>
        </p>
      </div>
    </Frame>
  )
}
