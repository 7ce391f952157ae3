import { describe, expect, test } from 'vitest'
import { createGuard, hostsFor, isListed, MOST_TRIES, placeAfter } from './guard.ts'

const PHRASE = 'the clarinet has the root'
const cookieOf = (cookie: string) => cookie.split(';')[0] as string

describe('who is let in', () => {
  test('whoever knows the passphrase, by a session that scripts of a page cannot read; nobody else', async () => {
    const guard = await createGuard(PHRASE)
    expect(await guard.admits({}, 'a')).toBe(false)
    expect(await guard.enter('the clarinet has the fifth', 'a', false)).toEqual({ kind: 'wrong', left: MOST_TRIES - 1 })
    const entered = await guard.enter(PHRASE, 'a', true)
    if (entered.kind !== 'in') throw new Error(entered.kind)
    expect(entered.cookie).toMatch(/; HttpOnly; SameSite=Strict; Path=\/; Max-Age=\d+; Secure$/)
    expect(await guard.admits({ cookie: `x=1; ${cookieOf(entered.cookie)}` }, 'b')).toBe(true)
    expect(await guard.admits({ cookie: `${cookieOf(entered.cookie)}x` }, 'b')).toBe(false)
    // Another start of the server knows nothing of it.
    expect(await (await createGuard(PHRASE)).admits({ cookie: cookieOf(entered.cookie) }, 'b')).toBe(false)
  })

  test('who leaves ends one session, or all of them', async () => {
    const guard = await createGuard(PHRASE)
    const browsers: string[] = []
    for (const from of ['a', 'b', 'c']) {
      const entered = await guard.enter(PHRASE, from, false)
      if (entered.kind !== 'in') throw new Error(entered.kind)
      browsers.push(cookieOf(entered.cookie))
    }
    const inside = async () => {
      const answers: boolean[] = []
      for (const cookie of browsers) answers.push(await guard.admits({ cookie }, 'a'))
      return answers
    }
    expect(guard.leave(`x=1; ${browsers[0]}`, false)).toMatch(/^nestling=; .*Max-Age=0$/)
    expect(await inside()).toEqual([false, true, true])
    // Who has none ends none.
    guard.leave(undefined, false)
    expect(await inside()).toEqual([false, true, true])
    guard.leave(browsers[1], true)
    expect(await inside()).toEqual([false, false, false])
  })

  test('a session ends after thirty days', async () => {
    let now = 0
    const guard = await createGuard(PHRASE, () => now)
    const entered = await guard.enter(PHRASE, 'a', false)
    if (entered.kind !== 'in') throw new Error(entered.kind)
    expect(entered.cookie).not.toContain('Secure')
    now = 29 * 86_400_000
    expect(await guard.admits({ cookie: cookieOf(entered.cookie) }, 'a')).toBe(true)
    now = 31 * 86_400_000
    expect(await guard.admits({ cookie: cookieOf(entered.cookie) }, 'a')).toBe(false)
  })

  test('after five wrong tries an address waits, the right passphrase too; others do not; later it may again', async () => {
    let now = 1000
    const guard = await createGuard(PHRASE, () => now)
    // All at once counts like one after another.
    const tried = await Promise.all(Array.from({ length: MOST_TRIES + 2 }, () => guard.enter('guess', 'a', false)))
    expect(tried.filter(({ kind }) => kind === 'wrong')).toHaveLength(MOST_TRIES)
    expect(await guard.enter(PHRASE, 'a', false)).toEqual({ kind: 'wait', seconds: 900 })
    expect(await guard.admits({ authorization: `Bearer ${PHRASE}` }, 'a')).toBe(false)
    expect((await guard.enter(PHRASE, 'b', false)).kind).toBe('in')
    now += 15 * 60_000 + 1
    expect((await guard.enter(PHRASE, 'a', false)).kind).toBe('in')
  })

  test('a script sends it as a bearer token; wrong ones are tries as well', async () => {
    const guard = await createGuard(PHRASE)
    expect(await guard.admits({ authorization: `Bearer ${PHRASE}` }, 'a')).toBe(true)
    expect(await guard.admits({ authorization: `Basic ${PHRASE}` }, 'a')).toBe(false)
    for (let count = 0; count < MOST_TRIES; count++)
      expect(await guard.admits({ authorization: `Bearer guess ${count}` }, 'c')).toBe(false)
    expect((await guard.enter(PHRASE, 'c', false)).kind).toBe('wait')
  })
})

test('names: those that are given, or this machine’s own', () => {
  const given = hostsFor('studio.local, 10.0.0.7')
  expect(isListed('Studio.local:4321', given)).toBe(true)
  expect(isListed('10.0.0.7', given)).toBe(true)
  expect(isListed('elsewhere.example', given)).toBe(false)
  expect(isListed(undefined, given)).toBe(false)
  const own = hostsFor(undefined)
  expect(isListed('127.0.0.1:4321', own)).toBe(true)
  expect(isListed('elsewhere.example', own)).toBe(false)
})

test.each([
  ['/map?chord=C', '/map?chord=C'],
  ['//elsewhere.example', '/'],
  ['/\\elsewhere.example', '/'],
  ['https://elsewhere.example', '/'],
  ['/a\r\nset-cookie: x', '/'],
  [['/a'], '/'],
  [undefined, '/'],
])('after entering %j leads to %s', (to, place) => expect(placeAfter(to)).toBe(place))
