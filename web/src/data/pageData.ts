import type { PageData } from '../state/page.ts'
import type { Repositories, Served } from './repositories.ts'

/** What every page needs of the database. */
export const pageData = ({ settings, instruments, tunings, tray }: Repositories): PageData => ({
  settings: settings.read(),
  instruments: instruments.list(),
  tunings: tunings.list(),
  tray: tray.read(),
})

/** The same as long as nothing at all is changed, here or over another connection: most pages are opened between changes. */
export function pageDataOf(served: Served): () => PageData {
  let last: { readonly stamp: string; readonly data: PageData } | undefined
  return () => {
    const stamp = served.stamp()
    if (last?.stamp !== stamp) last = { stamp, data: pageData(served) }
    return last.data
  }
}
