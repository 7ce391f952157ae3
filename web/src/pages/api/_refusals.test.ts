/** What is wrong with a request is told in our words, with what would be right. */
import * as v from 'valibot'
import { expect, test } from 'vitest'
import { invalid } from './_respond.ts'

const Draft = v.strictObject({
  name: v.pipe(v.string(), v.minLength(1, 'a name')),
  count: v.pipe(v.number(), v.integer()),
  kind: v.picklist(['run', 'card']),
  shown: v.boolean(),
  tags: v.array(v.string()),
  tempo: v.optional(v.pipe(v.number(), v.minValue(20), v.maxValue(400))),
})
const right = { name: 'a', count: 1, kind: 'run', shown: true, tags: [] }

test.each([
  [{ ...right, name: 3 }, 'name', 'a text'],
  [{ ...right, name: '' }, 'name', 'a name'],
  [{ ...right, count: 'three' }, 'count', 'a number'],
  [{ ...right, count: 1.5 }, 'count', 'a whole number'],
  [{ ...right, kind: 'walk' }, 'kind', 'run, card'],
  [{ ...right, shown: 'yes' }, 'shown', 'true or false'],
  [{ ...right, tags: 'trio' }, 'tags', 'a list'],
  [{ ...right, tags: [3] }, 'tags.0', 'a text'],
  [{ ...right, colour: 'red' }, 'colour', 'not given: there is no such field'],
  [{ ...right, name: undefined }, 'name', 'a text'],
  [{ ...right, tempo: 5 }, 'tempo', 'at least 20'],
  [{ ...right, tempo: 1e300 }, 'tempo', 'at most 400'],
])('%# is told', async (body, field, expected) => {
  const read = v.safeParse(Draft, body)
  if (read.success) throw new Error('this should be wrong')
  const response = invalid(read.issues)
  expect(response.status).toBe(400)
  expect(await response.json()).toEqual({ error: `${field}: ${expected}`, field, at: 0, expected })
})

test('a field that is missing is said to be', async () => {
  const { name: _, ...without } = right
  const read = v.safeParse(Draft, without)
  if (read.success) throw new Error('this should be wrong')
  expect(await invalid(read.issues).json()).toMatchObject({
    error: 'name is missing; expected it to be given',
    field: 'name',
  })
})
