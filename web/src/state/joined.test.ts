import fc from 'fast-check'
import { expect, test } from 'vitest'
import { joined } from './joined.ts'

const fields = fc.record({
  name: fc.integer({ max: 2, min: 0 }),
  note: fc.integer({ max: 2, min: 0 }),
  tags: fc.array(fc.integer({ max: 1, min: 0 }), { maxLength: 2 }),
})

test('a name given here and a note written there are both kept', () => {
  const before = { name: 'verse', note: '', tags: ['trio'] }
  expect(joined(before, { ...before, name: 'bridge' }, { ...before, note: 'softly' })).toEqual({
    value: { name: 'bridge', note: 'softly', tags: ['trio'] },
    both: [],
  })
  expect(joined(before, { ...before, name: 'bridge' }, { ...before, name: 'coda' }).both).toEqual(['name'])
  expect(joined(before, { ...before, name: 'coda' }, { ...before, name: 'coda' }).both).toEqual([])
})

test('nobody’s change is lost, and what nobody changed stays', () =>
  fc.assert(
    fc.property(fields, fields, fields, (before, mine, theirs) => {
      const { value, both } = joined(before, mine, theirs)
      for (const name of ['name', 'note', 'tags'] as const) {
        const [was, here, there] = [before[name], mine[name], theirs[name]].map((one) => JSON.stringify(one))
        expect(JSON.stringify(value[name])).toBe(here === was ? there : here)
        expect(both.includes(name)).toBe(here !== was && there !== was && here !== there)
      }
      expect(joined(before, before, theirs).value).toEqual(theirs)
    }),
  ))
