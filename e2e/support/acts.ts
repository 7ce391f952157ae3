/** The main acts of each view, with the key that does each and the place where it is pressed. */
import { expect, type Locator, type Page } from '@playwright/test'

export interface MainAct {
  readonly name: string
  readonly key: string
  /** Where it is pressed; in the list of keys, where it has no place of its own. */
  readonly place:
    | ((page: Page) => Locator)
    | { readonly cap: string }
    | { readonly tap: (page: Page) => Promise<unknown> }
  readonly done: (page: Page) => Promise<unknown>
}
export interface ViewActs {
  readonly view: string
  readonly path: string
  readonly acts: readonly MainAct[]
}

const main = (page: Page) => page.getByRole('main')
const button = (name: string | RegExp) => (page: Page) =>
  main(page)
    .getByRole('button', { name, exact: typeof name === 'string' })
    .first()
const cap = (words: string) => ({ cap: words })
const trayItems = (page: Page) => page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')
/** Each view's test begins with an empty tray. */
const inTray = (count: number) => (page: Page) => expect(trayItems(page)).toHaveCount(count)
const told = (words: RegExp) => (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: words }).last()).toBeVisible()
const shows = (testId: string, text: string | RegExp) => (page: Page) =>
  expect(page.getByTestId(testId).first()).toContainText(text)
const addressHas = (words: RegExp) => (page: Page) => expect(page).toHaveURL(words)

const LABELS: MainAct = {
  name: 'notes in the eggs',
  key: 'l',
  place: cap('L'),
  done: async (page) => {
    await expect.poll(async () => (await (await page.request.get('/api/settings')).json()).labels).not.toBe('degree')
    await page.request.patch('/api/settings', { data: { labels: 'degree' } })
  },
}
const HELP: MainAct = {
  name: 'the list of keys',
  key: '?',
  place: button('Keys'),
  done: async (page) => {
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toHaveCount(0)
  },
}
const tray = (count: number): MainAct => ({
  name: 'add to tray',
  key: 't',
  place: button('Add to tray'),
  done: inTray(count),
})
const SAVE: MainAct = { name: 'save to Book', key: 'k', place: button('Save to Book'), done: told(/^Saved to Book/) }
const undo = (done: MainAct['done']): MainAct => ({ name: 'undo', key: 'Control+z', place: button('Undo'), done })

const shape = (frets: string) => shows('shape-text', frets)
const mapIn = (frets: string) => (page: Page) =>
  expect(page.locator(`[data-testid=map-cell][data-frets="${frets}"]`)).toHaveAttribute('aria-pressed', 'true')
/** Where a finger points: at the lowest tone of a place. */
const mapCell = (frets: string) => ({
  async tap(page: Page) {
    const cell = page.locator(`[data-testid=map-cell][data-frets="${frets}"]`)
    await cell.scrollIntoViewIfNeeded()
    const { x, y } = await cell
      .locator('path')
      .first()
      .evaluate((thread) => {
        const at = (thread as SVGPathElement).getPointAtLength(0)
        const point = new DOMPoint(at.x, at.y).matrixTransform((thread as SVGPathElement).getScreenCTM() ?? undefined)
        return { x: point.x, y: point.y }
      })
    await page.touchscreen.tap(x, y)
  },
})
const step = (number: number) => (page: Page) =>
  expect(page.getByRole('button', { name: new RegExp(`^step ${number},`) }).first()).toHaveAttribute(
    'aria-pressed',
    'true',
  )

export const VIEW_ACTS: readonly ViewActs[] = [
  {
    view: 'Build',
    path: '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x',
    acts: [
      { name: 'a fret up', key: 'ArrowRight', place: button('A fret towards the bridge'), done: shape('x7989x') },
      { name: 'a fret down', key: 'ArrowLeft', place: button('A fret towards the nut'), done: shape('x6878x') },
      {
        name: 'next inversion',
        key: 'ArrowUp',
        place: button('Next inversion up the neck'),
        done: shape('x-10-12-8-11-x'),
      },
      {
        name: 'inversion before',
        key: 'ArrowDown',
        place: button('Next inversion down the neck'),
        done: shape('x6878x'),
      },
      { name: 'to high strings', key: ']', place: button('Towards the high strings'), done: shape('xx1333') },
      undo(shape('x6878x')),
      tray(1),
      SAVE,
      LABELS,
      HELP,
      {
        name: 'clear the neck',
        key: 'Backspace',
        place: cap('Backspace'),
        done: (page) => expect(page.getByTestId('egg')).toHaveCount(0),
      },
      undo(shape('x6878x')),
    ],
  },
  {
    view: 'Map',
    path: '/map?chord=C&arrangement=close&place=xxx553',
    acts: [
      { name: 'the next place', key: 'ArrowRight', place: mapCell('xxx988'), done: mapIn('xxx988') },
      { name: 'the lane below', key: 'ArrowDown', place: mapCell('x-x-10-9-8-x'), done: mapIn('x-x-10-9-8-x') },
      undo(mapIn('xxx988')),
      { name: 'a place before', key: 'ArrowLeft', place: mapCell('xxx553'), done: mapIn('xxx553') },
      tray(1),
      { name: 'the lane to the tray', key: 'Shift+T', place: cap('Shift T'), done: inTray(4) },
      undo(inTray(1)),
      SAVE,
      LABELS,
      HELP,
      {
        name: 'build it',
        key: 'Enter',
        place: (page) => main(page).getByRole('link', { name: 'Build', exact: true }),
        done: addressHas(/shape=xxx553/),
      },
    ],
  },
  {
    view: 'Key',
    path: '/key?key=Bb',
    acts: [
      { name: 'the next step', key: 'ArrowUp', place: button(/^step 2,/), done: step(2) },
      { name: 'the step before', key: 'ArrowDown', place: button(/^step 1,/), done: step(1) },
      { name: 'a fourth up', key: 'ArrowRight', place: button('A fourth up'), done: addressHas(/key=Eb/) },
      { name: 'a fourth down', key: 'ArrowLeft', place: button('A fourth down'), done: addressHas(/key=Bb/) },
      { name: 'thirds more', key: '+', place: button('ninths'), done: addressHas(/depth=ninths|9/) },
      undo(addressHas(/^(?!.*ninths).*$/)),
      tray(1),
      { name: 'the lane to the tray', key: 'Shift+T', place: cap('Shift T'), done: inTray(8) },
      undo(inTray(1)),
      SAVE,
      LABELS,
      HELP,
    ],
  },
  {
    view: 'Arpeggio',
    path: '/arpeggio?chord=Ebmaj7&shape=x6878x',
    acts: [
      { name: 'the hand up', key: 'ArrowRight', place: button('Hand one fret up'), done: addressHas(/arpeggio/) },
      { name: 'the hand down', key: 'ArrowLeft', place: button('Hand one fret down'), done: addressHas(/arpeggio/) },
      { name: 'play', key: 'Space', place: button('Play'), done: (page) => expect(button('Stop')(page)).toBeVisible() },
      { name: 'stop', key: 'Space', place: button('Stop'), done: (page) => expect(button('Play')(page)).toBeVisible() },
      undo(addressHas(/arpeggio/)),
      tray(1),
      SAVE,
      LABELS,
      HELP,
      {
        name: 'build it',
        key: 'Enter',
        place: (page) => main(page).getByRole('link', { name: /^Build/ }),
        done: addressHas(/shape=/),
      },
    ],
  },
  {
    view: 'Path',
    path: '/path',
    acts: [
      {
        name: 'the next chord',
        key: 'ArrowRight',
        place: button(/^bar 2, B♭m7/),
        done: (page) => expect(button(/^bar 2, B♭m7/)(page)).toHaveAttribute('aria-pressed', 'true'),
      },
      {
        name: 'hold it',
        key: 'h',
        place: button('Hold'),
        done: (page) => expect(button('Let go')(page)).toBeVisible(),
      },
      undo((page) => expect(button('Hold')(page)).toBeVisible()),
      {
        name: 'in systems',
        key: 'v',
        place: button('in systems'),
        done: (page) => expect(page.getByTestId('systems')).toBeVisible(),
      },
      {
        name: 'on staff and TAB',
        key: 'v',
        place: button('on staff and TAB'),
        done: (page) => expect(page.getByTestId('written-tune')).toHaveAttribute('data-bars', /\d/),
      },
      {
        name: 'as a table',
        key: 'v',
        place: button('as a table'),
        done: (page) => expect(page.getByTestId('tune-table')).toBeVisible(),
      },
      {
        name: 'in time',
        key: 'v',
        place: button('in time'),
        done: (page) => expect(page.getByTestId('tune-table')).toHaveCount(0),
      },
      tray(1),
      SAVE,
      LABELS,
      HELP,
    ],
  },
  {
    view: 'Practice',
    path: '/practice',
    acts: [
      {
        name: 'the next root',
        key: 'ArrowRight',
        place: button(/^A: to come/),
        done: (page) => expect(button(/^A: /)(page)).toHaveAttribute('aria-current', 'true'),
      },
      {
        name: 'quicker',
        key: '+',
        place: button('Quicker'),
        done: (page) => expect(page.getByTestId('run-tempo')).not.toHaveText('112'),
      },
      {
        name: 'slower',
        key: '-',
        place: button('Slower'),
        done: (page) => expect(page.getByTestId('run-tempo')).toHaveText(/\d/),
      },
      {
        name: 'show the shape',
        key: 's',
        place: button('show it'),
        done: (page) => expect(page.getByTestId('run-neck')).toBeVisible(),
      },
      {
        name: 'play it',
        key: 'h',
        place: button('play it'),
        done: (page) => expect(page.getByTestId('run-neck')).toBeVisible(),
      },
      { name: 'click', key: 'c', place: button('click'), done: (page) => expect(button('click')(page)).toBeVisible() },
      { name: 'drums', key: 'd', place: button('drums'), done: (page) => expect(button('drums')(page)).toBeVisible() },
      {
        name: 'start',
        key: 'Space',
        place: button('Start'),
        done: (page) => expect(button('Stop')(page)).toBeVisible(),
      },
      {
        name: 'stop',
        key: 'Space',
        place: button('Stop'),
        done: (page) => expect(button('Start')(page)).toBeVisible(),
      },
      HELP,
    ],
  },
  {
    view: 'Book',
    path: '/book',
    acts: [
      {
        name: 'another shape',
        key: 'ArrowRight',
        place: button(/^Open second bar/),
        done: (page) => expect(button('Rename second bar')(page)).toBeVisible(),
      },
      {
        name: 'the shape before',
        key: 'ArrowLeft',
        place: cap('←'),
        done: (page) => expect(button('Rename first bar')(page)).toBeVisible(),
      },
      tray(1),
      {
        name: 'select it',
        key: 'x',
        place: button('Select'),
        done: (page) => expect(page.getByText('1 shape selected')).toBeVisible(),
      },
      {
        name: 'select nothing',
        key: 'Escape',
        place: button(/nothing|none/i),
        done: (page) => expect(page.getByText('1 shape selected')).toHaveCount(0),
      },
      LABELS,
      HELP,
      {
        name: 'build it',
        key: 'Enter',
        place: (page) => main(page).getByRole('link', { name: 'Build', exact: true }),
        done: addressHas(/shape=/),
      },
    ],
  },
]
