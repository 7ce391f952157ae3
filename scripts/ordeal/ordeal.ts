/** `npm run ordeal`: what is kept, attacked in the hundreds; a table of what was tried and what held. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { printTable } from '../bench/table.ts'
import { migrationCount } from './olderBook.ts'
import { browserOf, browsersRound, clockRound, mixedRound, tabsRound, upgradeRound } from './pageRounds.ts'
import { fullRound, killRound, migrationRound, type Round } from './rounds.ts'
import { startServer, stopped } from './server.ts'
import { smallDisk } from './smallDisk.ts'

const rounds = Number(process.argv[2] ?? 100)
/** `npm run ordeal -- 100 20`: the last is minutes of mixed use. */
const minutes = Number(process.argv[3] ?? 1)
const rows: string[][] = []
let held = true

function told(what: string, all: readonly Round[]): void {
  const sum = (of: (round: Round) => number) => all.reduce((total, round) => total + of(round), 0)
  const lost = sum((round) => round.lost.length)
  const kept = sum((round) => round.kept.length)
  const right = all.length > 0 && lost === 0 && kept === 0 && sum((round) => round.acknowledged) > 0
  held &&= right || all.length === 0
  rows.push([
    what,
    String(all.length),
    String(sum((round) => round.acknowledged)),
    String(sum((round) => round.refused)),
    String(lost),
    String(kept),
    all.length === 0 ? 'not tried: nothing may be mounted here' : right ? 'held' : 'DID NOT HOLD',
  ])
}

const folder = mkdtempSync(join(tmpdir(), 'nestling-ordeal-'))
const kills: Round[] = []
for (let round = 0; round < rounds; round++) {
  kills.push(await killRound(folder, `k${round}x`, 20 + ((round * 37) % 400)))
  if (round % 10 === 9) console.log(`${round + 1} of ${rounds} kills`)
}
told('killed while it writes', kills)
rmSync(folder, { recursive: true, force: true })

/** A start takes about a second; the tables are changed somewhere in it. */
const upgrades: Round[] = []
for (let round = 0; round < Math.ceil(rounds / 2); round++) {
  const older = mkdtempSync(join(tmpdir(), 'nestling-older-'))
  upgrades.push(
    await migrationRound(older, 1 + (round % (migrationCount() - 1)), `m${round}x`, 200 + ((round * 61) % 1200)),
  )
  rmSync(older, { recursive: true, force: true })
  if (round % 10 === 9) console.log(`${round + 1} of ${Math.ceil(rounds / 2)} upgrades`)
}
told('killed while an older database is brought up to date', upgrades)

const full: Round[] = []
for (let round = 0; round < Math.ceil(rounds / 2); round++) {
  const disk = smallDisk(8)
  if (!disk) break
  try {
    full.push(await fullRound(disk, `f${round}x`, 30 + ((round * 53) % 500)))
  } finally {
    disk.remove()
  }
  if (round % 10 === 9) console.log(`${round + 1} of ${Math.ceil(rounds / 2)} full disks`)
}
told('the disk runs full while it writes, then killed', full)

/** At pages: each in a folder of its own. */
const browser = await browserOf()
async function atPages(what: string, count: number, round: (folder: string, index: number) => Promise<Round>) {
  const all: Round[] = []
  for (let index = 0; index < count; index++) {
    const own = mkdtempSync(join(tmpdir(), 'nestling-pages-'))
    all.push(await round(own, index))
    rmSync(own, { recursive: true, force: true })
  }
  console.log(`${count} of ${what}`)
  told(what, all)
}
const few = Math.ceil(rounds / 20)
await atPages('two tabs, the server away, one closed', few, (own, index) => tabsRound(browser, own, index))
await atPages('two browsers keep one tune', few, (own, index) => browsersRound(browser, own, index))
await atPages('an upgrade under an open page', few, (own, index) => upgradeRound(browser, own, index))
await atPages('copies under a clock that goes back', Math.ceil(few / 3), clockRound)
await atPages(`three browsers, ${minutes} min of mixed use`, 1, (own) => mixedRound(browser, own, minutes))
await browser.close()

/** Odd requests: nothing may end in a fault of the server's own. */
const server = mkdtempSync(join(tmpdir(), 'nestling-odd-'))
const running = await startServer({ PORT: '0', NESTLING_DATA: server })
const ODD = [
  '',
  '%00',
  '%ff',
  '../../etc/passwd',
  '1e9',
  '-1',
  'null',
  '{}',
  '"',
  'É',
  'a'.repeat(3000),
  '%F0%9F%8E%B8',
]
const PATHS = [
  'voicings?chord=',
  'names?frets=',
  'key?tonic=',
  'lane?tonic=',
  'arpeggio?chord=',
  'shapes?find=',
  'chord?symbol=',
  'run?material=',
  'shapes/',
  'tunes/',
  'sheets/',
  'changes/',
]
let asked = 0
const faults: string[] = []
for (let round = 0; round < rounds; round++)
  await Promise.all(
    PATHS.map(async (path, index) => {
      const odd = ODD[(round + index) % ODD.length] as string
      const more = ODD[(round * 7 + index) % ODD.length] as string
      const response = await fetch(`${running.address}api/${path}${odd}${path.includes('?') ? `&limit=${more}` : more}`)
      asked++
      if (response.status >= 500) faults.push(`${path}${odd}: ${response.status}`)
      await response.arrayBuffer()
    }),
  )
await stopped(running)
rmSync(server, { recursive: true, force: true })
held &&= faults.length === 0
rows.push(['odd requests', String(asked), '', '', '', '', faults.length === 0 ? 'held' : `DID NOT HOLD: ${faults[0]}`])

printTable(['what was tried', 'rounds', 'acknowledged', 'refused', 'lost', 'kept though refused', ''], rows)
process.exit(held ? 0 : 1)
