/** What every page needs, read again after any change and not before. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, expect, test } from 'vitest'
import { cookieOf } from '../contracts/chosenCookie.ts'
import { openBeside, openDatabase, stampOf } from './database.ts'
import { oftenAsked, pageFor } from './pageData.ts'
import { createRepositories, type Served } from './repositories.ts'

const folder = mkdtempSync(join(tmpdir(), 'nestling-page-'))
process.env['NESTLING_MIGRATIONS'] = fileURLToPath(new URL('../../drizzle', import.meta.url))
const opened = openDatabase(folder)
const beside = openBeside(folder)
afterAll(() => {
  beside.close()
  opened.close()
  rmSync(folder, { recursive: true, force: true })
})

test('the same between changes; new after one’s own, after another connection’s, after a setting that is cleared', () => {
  const kept = createRepositories(opened.db)
  const { page, contents } = oftenAsked({ ...kept, stamp: stampOf(opened.sqlite) } as Served)
  const first = page()
  expect(page()).toBe(first)
  kept.settings.change({ tempo: 96 })
  expect(page().settings.tempo).toBe(96)
  createRepositories(beside.db).settings.change({ instrumentId: 7 })
  expect(page().settings.instrumentId).toBe(7)
  kept.settings.change({ instrumentId: null })
  expect(page().settings.instrumentId).toBeNull()
  // What is refused has changed nothing.
  const last = page()
  expect(kept.settings.change({ tempo: 70 }, { tempo: 80 })).toMatchObject({ kind: 'stale' })
  expect(page()).toEqual(last)
  const before = contents()
  expect(contents()).toBe(before)
  createRepositories(beside.db).shapes.add(
    {
      name: 'Fm9',
      chord: 'Fm9',
      frets: 'x8688x',
      tuning: 'E2,A2,D3,G3,B3,E4',
      fingers: '',
      note: '',
      tune: null,
      tags: [],
    },
    new Date(),
  )
  expect(contents().shapes).toBe(before.shapes + 1)
})

test('a browser is given what it has chosen beside what is kept; what is kept by then or can’t be read is not told', () => {
  const { page } = oftenAsked({ ...createRepositories(opened.db), stamp: stampOf(opened.sqlite) } as Served)
  const { tempo } = page().settings
  const [chosen = ''] = cookieOf({ labels: 'note', tempo }).split(';')
  expect(pageFor(`nestling=token; ${chosen}`, page())).toEqual({ ...page(), chosen: { labels: 'note' } })
  for (const cookies of [
    '',
    cookieOf({ tempo }),
    cookieOf({ labels: 'colour' }),
    'nestling-chosen=%7B',
    'nestling-chosen=%',
  ])
    expect(pageFor(cookies, page()), cookies).toBe(page())
})
