import type { PageData } from '../state/page.ts'
import { bookContents } from './bookContents.ts'
import type { Repositories, Served } from './repositories.ts'

/** What every page needs of the database. */
export const pageData = ({ settings, instruments, tunings, tray }: Repositories): PageData => ({
  settings: settings.read(),
  instruments: instruments.list(),
  tunings: tunings.list(),
  tray: tray.read(),
})

/** What is asked again and again between changes: read once, and again after anything at all has changed. */
export const oftenAsked = (served: Served): Pick<App.Locals, 'page' | 'contents'> => ({
  page: untilChanged(served, () => pageData(served)),
  contents: untilChanged(served, () => bookContents(served)),
})

/** The same as long as nothing is changed, here or over another connection. */
function untilChanged<Value>({ stamp }: Pick<Served, 'stamp'>, read: () => Value): () => Value {
  let last: { readonly stamp: string; readonly value: Value } | undefined
  return () => {
    const now = stamp()
    if (last?.stamp !== now) last = { stamp: now, value: read() }
    return last.value
  }
}
