/** A tune on staff and TAB, in Path and on a sheet. */

import { settings } from './support/arpeggio.ts'
import { readBack } from './support/engraved.ts'
import { typeOver } from './support/hands.ts'
import { choose } from './support/sentence.ts'
import { expect, type Page, test } from './support/test.ts'

const written = (page: Page) => page.getByTestId('written-tune')
async function open(page: Page, chart: string, more = '') {
  await page.goto(`/path?chart=${encodeURIComponent(chart)}&strings=5432&frets=1-12${more}`)
  await expect(page.locator('[data-alive]')).toBeVisible()
}
async function write(page: Page) {
  await page.getByRole('button', { name: 'on staff and TAB' }).click()
  await expect(written(page)).toHaveAttribute('data-bars', /\d/)
}
const shapes = (page: Page) =>
  page.getByTestId('tune-chord').evaluateAll((all) => all.map((one) => one.getAttribute('data-frets') ?? ''))
/** The digits of a shape on six strings, the lowest string first. */
const digits = (frets: string) =>
  frets.split(frets.includes('-') ? '-' : '').flatMap((fret, index) => (fret === 'x' ? [] : [`${6 - index}:${fret}`]))

test('a tune read back from its drawing: each chord is struck as its shape, through metres and silence', async ({
  page,
}) => {
  await open(
    page,
    'key: Ab\n| Fm9 | Bbm7 Eb13 | N.C. | N.C. |\n3/4 =90\n[B] | Abmaj9 |\n6/8\n| Dbmaj7 |',
    '&hand=1/4_c',
  )
  await expect(page.getByTestId('tune-chord')).toHaveCount(5)
  const wanted = await shapes(page)
  await write(page)
  const { tabs } = await readBack(written(page))
  const read = tabs.map((note) =>
    note
      .map(({ string, fret }) => `${string}:${fret}`)
      .toSorted()
      .toReversed(),
  )
  // Quarters: four, two and two, three, and of a bar of six eighths three, the middle one held over the beat.
  const times = [4, 2, 2, 3, 4]
  const expected = wanted.flatMap((frets, index) => Array.from({ length: times[index] ?? 0 }, () => digits(frets)))
  // The pattern strikes the chord without its bass.
  expect(read).toEqual(expected.map((all) => all.slice(1)))
  await expect(written(page)).toContainText('N.C.')
  await expect(written(page)).toContainText('E♭13')
  await expect(written(page)).toContainText('= 90')
  // Two silent bars are one sign with a 2; the metre is told at each change.
  await expect(written(page).locator('.vf-timesignature')).toHaveCount(3)
  await expect(written(page).locator('.vf-keysignature')).not.toHaveCount(0)
})

test('no system meets the next, no digit a head: heights come from what was drawn', async ({ page }) => {
  await open(page, '| C | Em7 | E/G# | Am | F | G7 | C | E |', '&hand=1/8_p_i_m_a_m_i')
  await write(page)
  const systems = await written(page).evaluate((box) =>
    [...box.querySelectorAll('svg > g')].map((group) => {
      const lines = [...group.querySelectorAll('.vf-stave path')].map((path) => path.getBoundingClientRect().top)
      const heads = [...group.querySelectorAll('.vf-notehead text')].map((head) => {
        const { top, bottom } = head.getBoundingClientRect()
        return (top + bottom) / 2
      })
      const numbers = [...group.querySelectorAll('.vf-tabnote text')].map((digit) => digit.getBoundingClientRect().top)
      return {
        top: Math.min(...lines, ...heads),
        lowestHead: Math.max(...heads),
        firstDigit: Math.min(...numbers),
        bottom: Math.max(...lines),
      }
    }),
  )
  expect(systems.length).toBeGreaterThan(2)
  for (const [index, { lowestHead, firstDigit, top }] of systems.entries()) {
    expect(lowestHead).toBeLessThan(firstDigit)
    if (index > 0) expect(top).toBeGreaterThan((systems[index - 1]?.bottom ?? 0) + 10)
  }
})

test('a note that is pressed chooses its chord; what sounds is lit; tempo and swing stand above', async ({
  page,
  request,
}) => {
  await settings(request, { tempo: 80, swing: 0 })
  await open(page, 'key: C\n| Dm7 | G7 | Cmaj7 | % |', '&hand=1/4_c')
  await write(page)
  await written(page).locator('.vf-tabnote').nth(5).locator('text').first().click()
  await expect(page.getByTestId('chosen-name')).toContainText('G7')
  await expect(written(page).locator('.vf-tabnote[data-selected]')).toHaveCount(4)
  await expect(page.getByTestId('tempo-mark')).toContainText('= 80')
  await expect(page.getByTestId('tempo-mark')).not.toContainText('swung')
  await choose(page, 'Swing', 'swung as triplets')
  await expect(page.getByTestId('tempo-mark')).toContainText('swung as triplets')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(written(page).locator('[data-now]').first()).toBeVisible()
  await page.keyboard.press('Space')
  await choose(page, 'Swing', 'straight')
  await expect(page.getByTestId('tempo-mark')).not.toContainText('swung')
})

test('a tempo that changes on the way is written as it is played', async ({ page, request }) => {
  await open(page, '=80\n| C | F |\n=120\n| G7 | C |')
  await write(page)
  await expect(page.getByTestId('tempo-mark')).toContainText('= 80')
  await expect(written(page)).toContainText('= 120')
  const tempo = page.getByLabel('Tempo, beats per minute')
  await typeOver(tempo, '40')
  await tempo.press('Enter')
  await expect(page.getByTestId('tempo-mark')).toContainText('= 40')
  await expect(written(page)).toContainText('= 60')
  await settings(request, { tempo: 80 })
})

test('on a sheet the signs are the notation’s own, and bars stand under their necks', async ({ page, request }) => {
  const { tunes } = await (await request.get('/api/tunes')).json()
  const tune = tunes.find(({ title }: { readonly title: string }) => title === 'Low Tide Waltz')
  const sheet = {
    title: 'Staves',
    paper: 'A4',
    lying: true,
    barsALine: 4,
    necks: 'lying',
    labels: 'degree',
    ink: 'colour',
  }
  const block = { id: 'a', kind: 'chart', source: { kind: 'kept', tune: tune.id }, under: 'staff', moves: false }
  const made = await (await request.post('/api/sheets', { data: { ...sheet, blocks: [block] } })).json()
  await page.goto(`/sheet?sheet=${made.id}`)
  const staff = page.locator('[data-staff]').first()
  await expect(staff).toBeAttached()
  const found = await staff.evaluate((drawn) => {
    const clef = drawn.querySelector('.vf-clef text') as Element
    const heads = [...drawn.querySelectorAll('.vf-notehead')].map((head) => head.getBoundingClientRect().left)
    const necks = [...(drawn.closest('svg')?.querySelectorAll('text') ?? [])]
      .filter((text) => ['B♭maj7', 'Gm7', 'Cm9', 'F13'].includes(text.textContent ?? ''))
      .map((text) => text.getBoundingClientRect().left)
    return { font: getComputedStyle(clef).fontFamily, heads, necks }
  })
  expect(found.font).toContain('Bravura')
  expect(found.necks).toHaveLength(4)
  // The first note of each later bar stands under its name, not under another's.
  for (const [index, left] of found.necks.slice(1).entries()) {
    const next = found.necks[index + 2] ?? Number.POSITIVE_INFINITY
    expect(found.heads.some((head) => head > left - 4 && head < left + (Math.min(next, left + 400) - left) / 3)).toBe(
      true,
    )
  }
  await request.delete(`/api/sheets/${made.id}`, { headers: { 'content-type': 'application/json' } })
})
