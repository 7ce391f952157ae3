import { expect, test } from 'vitest'
import { EMPTY_TABLES, NOTEBOOK_TABLES, NOTEBOOK_VERSION, readNotebook, writeNotebook } from './index.ts'

test('what is written is read back, table by table', () => {
  const tables = { ...EMPTY_TABLES, shapes: [{ name: 'turn', tags: ['["'] }], settings: [{ key: 'tempo', value: 80 }] }
  expect(readNotebook(writeNotebook(tables, '2026-11-23T18:00:00.000Z'))).toEqual({
    ok: true,
    value: { version: NOTEBOOK_VERSION, savedAt: '2026-11-23T18:00:00.000Z', tables },
  })
})

test('a notebook of the first version gets what came later, empty', () => {
  const old = { format: 'nestling-notebook', version: 1, shapes: [{ name: 'turn' }], tunes: [{ title: 'Slow Ferry' }] }
  const read = readNotebook(JSON.stringify(old))
  if (!read.ok) throw new Error(read.error.code)
  expect(read.value.tables.shapes).toEqual([{ name: 'turn', tune: null, tags: [] }])
  expect(read.value.tables.tunes).toEqual([{ title: 'Slow Ferry', remarks: '' }])
  expect(Object.keys(read.value.tables)).toEqual([...NOTEBOOK_TABLES])
})

test.each([
  [{ format: 'nestling-notebook', version: 'two' }, 'not_notebook', 'version'],
  [{ format: 'nestling-notebook', version: 2, tunes: {} }, 'not_notebook', 'tunes'],
])('%j is refused as %s: %s', (json, code, text) =>
  expect(readNotebook(JSON.stringify(json))).toMatchObject({ ok: false, error: { code, text } }),
)
