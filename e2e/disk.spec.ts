/** A full disk: no write is told as kept that is not, whatever it was, and nothing that was kept is lost. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fullRound, killRound, migrationRound } from '../scripts/ordeal/rounds.ts'
import { endAll, startServer, stopped } from '../scripts/ordeal/server.ts'
import { smallDisk } from '../scripts/ordeal/smallDisk.ts'
import { ask, kept, routesThatWrite, writesOn } from '../scripts/ordeal/writes.ts'
import { expect, test } from './support/test.ts'

test.afterEach(endAll)

test('every request that writes is in the table of writes', async () => {
  const disk = smallDisk(16)
  test.skip(disk === undefined, 'nothing may be mounted here')
  if (!disk) return
  try {
    const server = await startServer({ PORT: '0', NESTLING_DATA: disk.folder })
    const writes = await writesOn(server.address, 'a')
    expect(writes.map(({ route }) => route).toSorted()).toEqual(routesThatWrite())
    // Each of them is a write that works, while there is room.
    for (const { route, path, body } of writes) {
      const { status, json } = await ask(server.address, route.split(' ')[0] as string, path, body)
      expect([200, 201, 204], `${route}: ${JSON.stringify(json)}`).toContain(status)
    }
    await stopped(server)
  } finally {
    disk.remove()
  }
})

test('on a full disk every write is refused with 507 and nothing is changed; with room again all goes on', async () => {
  const disk = smallDisk(16)
  test.skip(disk === undefined, 'nothing may be mounted here')
  if (!disk) return
  try {
    const first = await startServer({ PORT: '0', NESTLING_DATA: disk.folder })
    const writes = await writesOn(first.address, 'a')
    await stopped(first)
    // A new log has no room of its own to go round in.
    const { address, child } = await startServer({ PORT: '0', NESTLING_DATA: disk.folder })
    const before = await kept(address)
    expect((await fetch(`${address}healthz`)).status).toBe(200)
    disk.fillUp()
    for (const { route, path, body } of writes) {
      const { status, json } = await ask(address, route.split(' ')[0] as string, path, body)
      expect(json, route).toMatchObject({ error: expect.stringContaining('Nothing was kept.'), field: 'storage' })
      expect(status, route).toBe(507)
    }
    expect(await kept(address)).toEqual(before)
    const health = await fetch(`${address}healthz`)
    expect([health.status, await health.json()]).toMatchObject([507, { field: 'storage' }])
    // Reading goes on.
    expect((await fetch(`${address}book`)).status).toBe(200)
    // Killed in that state, and begun again where there is room: nothing is missing.
    child.kill('SIGKILL')
    disk.free()
    const third = await startServer({ PORT: '0', NESTLING_DATA: disk.folder })
    expect(await kept(third.address)).toEqual(before)
    expect((await fetch(`${third.address}healthz`)).status).toBe(200)
    expect((await ask(third.address, 'PATCH', 'settings', { tempo: 91 })).status).toBe(200)
    await stopped(third)
  } finally {
    disk.remove()
  }
})

/** The same in the hundreds: `npm run ordeal`. */
test('an older database whose upgrade is killed at three moments has all that was in it at the next start', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'nestling-older-'))
  try {
    for (const [round, afterMs] of [400, 700, 1000].entries()) {
      const own = join(folder, String(round))
      const { acknowledged, lost } = await migrationRound(own, 1 + 4 * round, `older${round}x`, afterMs)
      expect([acknowledged, lost]).toEqual([2000, []])
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
})

test('three times killed while it writes: what was acknowledged is there', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'nestling-kills-'))
  try {
    for (const [round, afterMs] of [0, 60, 170].entries()) {
      const { acknowledged, lost, kept } = await killRound(folder, `round${round}`, afterMs)
      expect([lost, kept]).toEqual([[], []])
      expect(acknowledged).toBeGreaterThan(0)
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
})

test('twice the disk runs full while it writes: what was acknowledged is there, what was refused is not', async () => {
  for (const [round, afterMs] of [120, 300].entries()) {
    const disk = smallDisk(8)
    test.skip(disk === undefined, 'nothing may be mounted here')
    if (!disk) return
    try {
      const { acknowledged, refused, lost, kept } = await fullRound(disk, `round${round}`, afterMs)
      expect([lost, kept]).toEqual([[], []])
      expect(acknowledged).toBeGreaterThan(0)
      expect(refused).toBeGreaterThan(0)
    } finally {
      disk.remove()
    }
  }
})
