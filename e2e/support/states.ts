/** The states in which every view is audited: as it opens, with its menus, dialogs, notices, errors and a filled tray. */

import type { Page } from '@playwright/test'
import { typeOver } from './hands.ts'
import { word } from './sentence.ts'
import { settled } from './settled.ts'

export interface State {
  readonly name: string
  readonly path: string
  /** From the opened page into the state. */
  readonly act?: (page: Page) => Promise<unknown>
  /** What the state adds to one that is audited whole; the whole page without it. */
  readonly part?: string
}

/** Where menus and dialogs are drawn. */
const OVER = '#over'
const TRAY = '[aria-label="Tray"]'

const button = (page: Page, name: string | RegExp) =>
  page
    .getByRole('main')
    .getByRole('button', { name, exact: typeof name === 'string' })
    .first()
const press = (name: string | RegExp) => (page: Page) => button(page, name).click()
const key = (name: string) => (page: Page) => page.keyboard.press(name)
/** A word of the sentence with its choices open. */
const opened = (label: string) => async (page: Page) => {
  await word(page, label).click()
  await page.getByRole('menu').waitFor()
}
const typed = (text: string) => async (page: Page) => {
  await page.keyboard.press('/')
  await page.keyboard.type(text)
}
const inOrder =
  (...acts: readonly ((page: Page) => Promise<unknown>)[]) =>
  async (page: Page) => {
    for (const act of acts) await act(page)
  }
const dialog = (page: Page) => page.getByRole('dialog').waitFor()
const help = inOrder(key('?'), dialog)
const noted = (page: Page) =>
  page.getByRole('alert').or(page.getByRole('status')).first().waitFor({ state: 'attached' })

const NOWHERE = '/no-such-view'
const BUILD = '/?chord=Ebmaj7&strings=5432&shape=x6878x'

export const STATES: readonly State[] = [
  { name: 'Build', path: BUILD },
  { name: 'Build, empty neck', path: '/?chord=C7&strings=4321' },
  { name: 'Build, a choice open', part: OVER, path: BUILD, act: opened('String set') },
  { name: 'Build, more wishes', part: OVER, path: BUILD, act: opened('More wishes') },
  { name: 'Build, ways to play', part: OVER, path: BUILD, act: press('Ways to play it') },
  { name: 'Build, more ways to save', part: OVER, path: BUILD, act: press('More ways to save') },
  { name: 'Build, small necks', path: BUILD, act: press('as small necks') },
  { name: 'Build, all names', part: OVER, path: BUILD, act: press(/^All \d+ names/) },
  { name: 'Build, completions', part: 'main', path: BUILD, act: typed('Ebm') },
  { name: 'Build, an error typed', path: BUILD, act: typed('Ebmaj99x') },
  { name: 'Build, nothing fits', path: '/?chord=C13&strings=321&arrangement=drop2' },
  { name: 'Build, saved', part: 'header', path: BUILD, act: inOrder(key('k'), noted) },
  {
    name: 'Build, a filled tray',
    part: TRAY,
    path: BUILD,
    act: inOrder(key('t'), (page) =>
      page.getByRole('region', { name: 'Tray' }).getByRole('listitem').first().waitFor(),
    ),
  },
  {
    name: 'Build, something removed from the tray',
    part: TRAY,
    path: BUILD,
    act: inOrder(key('t'), (page) =>
      page
        .getByRole('region', { name: 'Tray' })
        .getByRole('button', { name: /^Remove/ })
        .first()
        .click(),
    ),
  },
  { name: 'Build, keys', part: OVER, path: BUILD, act: help },
  {
    name: 'Build, sound',
    part: OVER,
    path: BUILD,
    act: async (page) => {
      await page.getByRole('button', { name: /^Sound/ }).click()
      await page.getByRole('dialog').or(page.getByRole('menu')).first().waitFor()
    },
  },
  {
    name: 'Build, instruments',
    part: OVER,
    path: BUILD,
    act: async (page) => {
      await page.getByRole('button', { name: /^Instrument: / }).click()
      await page.getByRole('menu').waitFor()
    },
  },
  { name: 'Build, another tuning', path: '/?chord=G&tuning=D2,G2,D3,G3,B3,D4' },
  { name: 'Map', path: '/map?chord=C' },
  { name: 'Map, changed', path: '/map?chord=Ebmaj7&add=9' },
  { name: 'Map, a choice open', part: OVER, path: '/map?chord=C', act: opened('String sets') },
  { name: 'Map, more', part: OVER, path: '/map?chord=C', act: opened('More') },
  { name: 'Map, more for the tray', part: OVER, path: '/map?chord=C', act: press('More for the tray') },
  { name: 'Map, an error typed', path: '/map?chord=C', act: typed('Hx9') },
  { name: 'Map, keys', part: OVER, path: '/map?chord=C', act: help },
  { name: 'Arpeggio', path: '/arpeggio?chord=Cmaj7' },
  { name: 'Arpeggio, a choice open', part: OVER, path: '/arpeggio?chord=Cmaj7', act: opened('Position') },
  { name: 'Arpeggio, more', part: OVER, path: '/arpeggio?chord=Cmaj7', act: opened('More of the line') },
  { name: 'Arpeggio, an error typed', path: '/arpeggio?chord=Cmaj7', act: typed('Czz') },
  {
    name: 'Arpeggio, playing',
    path: '/arpeggio?chord=Cmaj7',
    act: inOrder(press('Play'), (page) => button(page, 'Stop').waitFor()),
  },
  { name: 'Arpeggio, keys', part: OVER, path: '/arpeggio?chord=Cmaj7', act: help },
  { name: 'Key', path: '/key?key=Bb' },
  { name: 'Key, triads on three strings', path: '/key?key=D&depth=triads&lanes=321' },
  { name: 'Key, a choice open', part: OVER, path: '/key?key=Bb', act: opened('Lanes') },
  { name: 'Key, more', part: OVER, path: '/key?key=Bb', act: opened('More of the key') },
  { name: 'Key, a right hand', part: OVER, path: '/key?key=Bb', act: press(/^Right hand: /) },
  { name: 'Key, the cheat sheet', path: '/key?key=Bb', act: key('c') },
  { name: 'Key, all keys', path: '/key?key=Bb', act: press('all keys') },
  { name: 'Key, an error typed', path: '/key?key=Bb', act: typed('Q mixolydian') },
  { name: 'Key, keys', part: OVER, path: '/key?key=Bb', act: help },
  { name: 'Path', path: '/path' },
  { name: 'Path, beside another way', path: '/path', act: (page) => page.getByTestId('other-way').first().click() },
  { name: 'Path, in systems', path: '/path', act: press('in systems') },
  { name: 'Path, as a table', path: '/path', act: press('as a table') },
  { name: 'Path, a choice open', part: OVER, path: '/path', act: opened('Way') },
  { name: 'Path, more of this chord', part: OVER, path: '/path', act: press('More of this chord') },
  { name: 'Path, keys', part: OVER, path: '/path', act: help },
  { name: 'Practice', path: '/practice' },
  { name: 'Practice, a choice open', part: OVER, path: '/practice', act: opened('Places') },
  { name: 'Practice, keys', part: OVER, path: '/practice', act: help },
  { name: 'Cards', path: '/cards' },
  { name: 'Cards, answered', path: '/cards', act: press('look it up') },
  { name: 'Logbook', path: '/logbook' },
  { name: 'Logbook, as tables', path: '/logbook', act: press('as tables') },
  { name: 'Book', path: '/book' },
  { name: 'Book, sets', path: '/book?show=sets' },
  { name: 'Book, sheets', path: '/book?show=sheets' },
  { name: 'Book, files', path: '/book?show=files' },
  { name: 'Book, selecting', path: '/book', act: press('Select') },
  { name: 'Book, renaming', path: '/book', act: press(/^Rename/) },
  { name: 'Book, nothing found', path: '/book', act: typed('zzzz') },
  { name: 'Book, a choice open', part: OVER, path: '/book', act: opened('Order') },
  { name: 'Book, keys', part: OVER, path: '/book', act: help },
  { name: 'Sheets, none chosen', path: '/sheet' },
  { name: 'Sheet', path: '/sheet?sheet=3' },
  { name: 'Sheet, a block taken', path: '/sheet?sheet=3', act: press(/^Slow Ferry, bars 1/) },
  { name: 'Sheet, paper', part: OVER, path: '/sheet?sheet=3', act: opened('Paper') },
  { name: 'Set-up', path: '/setup' },
  { name: 'Set-up, a choice open', part: OVER, path: '/setup', act: opened('Tuning') },
  {
    name: 'Set-up, an error typed',
    path: '/setup',
    act: async (page) => {
      const field = page.getByRole('textbox', { name: 'Strings, lowest first' }).first()
      await typeOver(field, 'E A X')
      await field.press('Enter')
    },
  },
  { name: 'Set-up, keys', part: OVER, path: '/setup', act: help },
  { name: 'A page that is not there', path: NOWHERE },
]

/** A state of every view that is used in each sitting, and of Build one with a menu and one with an error. */
export const IN_EACH_RUN: ReadonlySet<string> = new Set([
  'Build',
  'Build, a choice open',
  'Build, an error typed',
  'Map',
  'Arpeggio',
  'Key',
  'Path',
  'Practice',
  'Logbook',
  'Book',
  'Sheet',
  'Set-up',
])

/** Something of every view that is there once it is drawn. */
const SHOWN =
  '[data-testid=bench], [data-testid=shape-row], [data-testid=map-cell], [data-testid=hand-bar], [data-testid=sheet-page], [data-testid=book-list] article, section h2, main h1, [data-testid=lane-step], [data-testid=tune-chord], [data-testid=run-chord], [data-testid=card-question], [data-testid=days-table], .recharts-surface, article, [role=tabpanel]:visible'

export async function openState(page: Page, { path, act }: State): Promise<void> {
  await page.goto(path)
  await page.locator(SHOWN).first().waitFor()
  if (path === NOWHERE) return
  // What comes a moment later is audited too.
  await settled(page)
  await act?.(page)
  await settled(page)
}
