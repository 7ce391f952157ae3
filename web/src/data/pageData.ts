import * as v from 'valibot'
import { chosenIn } from '../contracts/chosenCookie.ts'
import { isSame, type Settings } from '../contracts/settings.ts'
import { SettingsChange } from '../contracts/settingsSchema.ts'
import type { PageData } from '../state/page.ts'
import { bookContents } from './bookContents.ts'
import type { Repositories, Served } from './repositories.ts'

/** What every page needs of the database. */
export const pageData = ({ settings, instruments, tunings, tray }: Repositories): PageData => ({
  settings: settings.read(),
  instruments: instruments.list(),
  tunings: tunings.list(),
  tray: tray.read(),
  hasDoor: process.env['NESTLING_PASSPHRASE'] !== undefined,
})

/** The same for the browser that asks, with what it has chosen meanwhile. A cookie that can't be read tells nothing. */
export function pageFor(cookies: string, page: PageData): PageData {
  const told = v.safeParse(SettingsChange, chosenIn(cookies))
  if (!told.success) return page
  const chosen = told.output as Partial<Settings>
  const fresh = (Object.keys(chosen) as (keyof Settings)[]).filter((name) => !isSame(name, chosen, page.settings))
  return fresh.length === 0 ? page : { ...page, chosen: Object.fromEntries(fresh.map((name) => [name, chosen[name]])) }
}

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
