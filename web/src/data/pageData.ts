import type { PageData } from '../state/page.ts'
import type { Repositories } from './repositories.ts'

/** What every page needs of the database. */
export const pageData = ({ settings, instruments, tunings, tray }: Repositories): PageData => ({
  settings: settings.read(),
  instruments: instruments.list(),
  tunings: tunings.list(),
  tray: tray.read(),
})
