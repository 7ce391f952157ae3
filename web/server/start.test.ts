import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { expect, test } from 'vitest'

const start = (environment: Record<string, string>) =>
  spawnSync('node', ['--import', 'tsx', 'server/start.ts'], {
    cwd: join(import.meta.dirname, '..'),
    env: { ...process.env, ...environment },
    encoding: 'utf8',
    timeout: 60_000,
  })

test.each(['grande', '70000', '-1'])('PORT=%s is refused in one line', (port) => {
  const { status, stderr } = start({ PORT: port })
  expect(status).toBe(1)
  expect(stderr.trim()).toBe(`PORT is ${port}; expected a number from 0 to 65535.`)
})

/** Below a file, a file itself, and where the system allows no folder. */
test.each(['file/x', 'file', '/proc/x/y'])('a data folder that can’t be made is refused in one line: %s', (place) => {
  const folder = mkdtempSync(join(tmpdir(), 'nestling-start-'))
  writeFileSync(join(folder, 'file'), '')
  const { status, stderr } = start({ PORT: '0', NESTLING_DATA: resolve(folder, place) })
  expect(status).toBe(1)
  expect(stderr.trim().split('\n')).toHaveLength(1)
  expect(stderr).toMatch(/can't be written/)
  rmSync(folder, { recursive: true })
})

test.each([undefined, 'too short'])('beyond this machine it does not start without a passphrase: %s', (passphrase) => {
  const { status, stderr } = start({ HOST: '0.0.0.0', PORT: '0', NESTLING_PASSPHRASE: passphrase ?? '' })
  expect(status).toBe(1)
  expect(stderr.trim()).toBe(
    'HOST is 0.0.0.0: beyond this machine Nestling asks for a passphrase. Set NESTLING_PASSPHRASE to one of at least 12 characters.',
  )
})

test('a build without the file of its threads is told in one line: nothing begins that would fail at the first question', () => {
  const folder = mkdtempSync(join(tmpdir(), 'nestling-start-'))
  const { status, stderr } = start({ PORT: '0', NESTLING_DATA: folder, NESTLING_WORK_THREAD: join(folder, 'work.mjs') })
  expect(status).toBe(1)
  expect(stderr.trim()).toBe('The built application is missing or broken (the file of its threads). Run npm run build.')
  rmSync(folder, { recursive: true })
})
