/** The server under load: each question at its worst with others beside it, then fifty clients at once, then how much memory it has. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { watchHost } from './host.ts'
import { CHORDS, FRETS, fillBook, filled, fillLog, LOG_SIZE, SHAPES, STANDARD } from './largeBook.ts'
import { serverOver, type Turn } from './server.ts'
import { printTable } from './table.ts'

const CLIENTS = 50
const LOAD_S = 60
/** After the load: minutes with a steady load, the memory told for each. */
const minutes = Number(process.argv[2] ?? 1)

const folder = mkdtempSync(join(tmpdir(), 'nestling-load-'))
filled(folder, (kept) => {
  fillBook(kept)
  fillLog(kept)
})
const { address, stop, pid, longestTurn } = await serverOver(folder)

interface Asked {
  readonly ms: number
  readonly status: number
  readonly text: string
}
async function ask(path: string, body?: unknown, method = body === undefined ? 'GET' : 'POST'): Promise<Asked> {
  const start = performance.now()
  const answer = await fetch(`${address}${path}`, {
    method,
    ...(body === undefined
      ? {}
      : {
          headers: { 'content-type': 'application/json' },
          body: typeof body === 'string' ? body : JSON.stringify(body),
        }),
  })
  const text = await answer.text()
  return { ms: performance.now() - start, status: answer.status, text }
}
const rank = (values: readonly number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? 0
const whole = (value: number) => `${value.toFixed(0)} ms`
/** What it worked, and how long others waited for it: they have the cores too. */
const turn = ({ worked, held }: Turn) => [whole(worked), whole(held)]

const TEN = 'E1,A1,D2,G2,C3,F3,A3,D4,G4,C5'
const ten = `tuning=${TEN}`
const tune = (bars: number) => `4/4 =120\n| ${Array.from({ length: bars }, (_, bar) => CHORDS[bar % 8]).join(' | ')} |`
const notebook = JSON.parse((await ask('api/notebook')).text)
for (const shape of notebook.shapes) shape.note = `${shape.note} otherwise`
const changed = JSON.stringify(notebook)
const query = `chart=${encodeURIComponent(tune(500))}`
const long = await ask('api/tunes', {
  title: 'The longest',
  tune: { chart: tune(500), way: Array.from({ length: 500 }, (_, index) => FRETS[index % 8]).join(',') },
})
const longest = `api/tunes/${JSON.parse(long.text).id}`
const copy = JSON.parse((await ask('api/copies', {})).text).id

/** As much as each question may ask for. */
const WORST: readonly (readonly [what: string, path: string, body?: unknown])[] = [
  [
    'shapes, ten strings, anything goes',
    `api/voicings?chord=C13%2311&${ten}&arrangement=any&open=allow&doubling=free&limit=20000`,
  ],
  [
    'shapes, ten strings, one wanted',
    `api/voicings?chord=C13%2311&${ten}&arrangement=any&open=allow&doubling=free&limit=1`,
  ],
  ['names of ten tones', `api/names?frets=3-2-4-3-5-4-3-5-4-6&${ten}`],
  ['a check of ten tones', `api/check?frets=3-2-4-3-5-4-3-5-4-6&${ten}&symbol=C13%2311`],
  ['neighbours, two tones of ten', `api/neighbours?frets=3-2-4-3-5-4-3-5-4-6&${ten}&tones=2`],
  ['a key with thirteenths', 'api/key?tonic=F%23&scale=harmonic%20minor&depth=thirteenths'],
  ['a lane, ten strings', `api/lane?tonic=F%23&scale=harmonic%20minor&depth=thirteenths&${ten}&fretMax=24`],
  ['chords in between', 'api/between?from=C13%2311&to=F%23maj13'],
  ['an arpeggio, ten strings', `api/arpeggio?chord=C13%2311&${ten}&octaves=4&way=diagonal`],
  [
    'a run of many shapes',
    `api/run?material=${encodeURIComponent(CHORDS.map((chord, index) => `${chord}=${FRETS[index]}`).join(','))}&all=true`,
  ],
  ['a path of 128 chords, ten strings', 'api/path', { chart: tune(128), tuning: TEN, open: 'allow', k: 5 }],
  ['a path of 128 chords, six strings', 'api/path', { chart: tune(128), fretMax: 24, open: 'allow', k: 5 }],
  ['the Book, 500 of them by chord', 'api/shapes?by=chord&limit=500'],
  ['the Book, the last 500 by tune', 'api/shapes?by=tune&from=9500&limit=500'],
  ['the Book, found by three words', 'api/shapes?find=take%20thin%20fm9&limit=500'],
  ['the Book’s page', 'book'],
  ['the Build page', '?chord=Cmaj7'],
  ['the Path page, a tune of 500 bars', `path?${query}`],
  ['the Sheet page', 'sheet'],
  ['what the log counts, ten years', 'api/log/summary?to=2030-01-01'],
  ['the log as a table', 'api/log?format=csv'],
  ['the Book as a table', 'api/shapes.csv'],
  ['a tune of 500 bars as MusicXML', `${longest}.musicxml`],
  ['a tune of 500 bars as MIDI', `${longest}.mid`],
  ['a tune of 500 bars as TAB', `${longest}.txt`],
  ['the notebook written', 'api/notebook'],
  ['a notebook compared', 'api/notebook/preview', changed],
  [
    'a notebook put in',
    'api/notebook/apply',
    `{"notebook":${changed},"choices":{"fresh":"take","different":"take","each":{}}}`,
  ],
  [
    'ten thousand shapes tagged',
    'api/shapes/many',
    { all: { find: '', by: 'newest' }, act: { kind: 'tag', tag: 'load' } },
  ],
  ['a copy saved', 'api/copies', {}],
  ['back to a copy', `api/copies/${copy}/restore`, {}],
]

/** Others meanwhile: what a page asks while it is used. */
const OTHERS = ['api/tray', 'api/settings', 'api/shapes?limit=20', 'api/chord?symbol=Ebmaj7%239']
async function beside(until: Promise<unknown>): Promise<readonly number[]> {
  const times: number[] = []
  let isOver = false
  void until.finally(() => {
    isOver = true
  })
  for (let index = 0; !isOver || times.length < 8; index++) {
    const { ms, status } = await ask(OTHERS[index % OTHERS.length] as string)
    if (status !== 200) throw new Error(`${OTHERS[index % OTHERS.length]}: ${status}`)
    times.push(ms)
    await new Promise((resolve) => setTimeout(resolve, 10))
  }
  return times
}

const taken = watchHost()
// Threads take their time to begin: everything once before it counts.
for (const path of [...OTHERS, WORST[2]?.[1] ?? '', 'api/copies']) await ask(path)
const rows: string[][] = []
const all: number[] = []
for (const [what, path, body] of WORST) {
  const answers: Asked[] = []
  const others: number[] = []
  const first = await ask(path, body)
  await longestTurn()
  for (let round = 0; round < 3; round++) {
    const one = ask(path, body)
    others.push(...(await beside(one)))
    answers.push(await one)
  }
  all.push(...others)
  const times = answers.map((answer) => answer.ms)
  const short = first.status === 200 || first.status === 201 ? '' : first.text.slice(0, 90)
  rows.push([
    what,
    String(first.status),
    whole(first.ms),
    whole(rank(times, 0.5)),
    whole(Math.max(...times)),
    ...turn(await longestTurn()),
    whole(Math.max(...others)),
    short,
  ])
}
console.log(`\nA Book of ${SHAPES} shapes, a log of ${LOG_SIZE} entries; three times each, others asking meanwhile\n`)
printTable(
  ['what', 'answer', 'first', 'middle', 'longest', 'main thread worked', 'was held up', 'longest of others', ''],
  rows,
)
console.log(`\nOthers meanwhile: p99 ${whole(rank(all, 0.99))} of ${all.length}\n`)

const sixWeeksAgo = new Date(Date.now() - 42 * 24 * 3600_000).toISOString().slice(0, 10)
/** In forty: a shape is kept, the logbook is opened, the Book. */
const SELDOM: Readonly<Record<number, string>> = {
  13: `api/log/summary?from=${sixWeeksAgo}&to=2030-01-01`,
  26: 'book',
  39: 'api/shapes',
}
/** What a player’s page asks in an evening, in turn, each client from another place on. */
const USUAL = [
  '?chord=Ebmaj7',
  'api/voicings?chord=Ebmaj7&strings=5432',
  'api/names?frets=x68786',
  'api/tray',
  'api/shapes?find=fm9&limit=100',
  'api/key?tonic=Bb',
  'api/lane?tonic=D&root=6',
  'api/chord?symbol=F%2313',
  'api/settings',
  'api/run?material=m7b5',
  'api/neighbours?frets=x68786',
]
const kept = (index: number) => ({ name: `kept ${index}`, chord: 'Fm9', frets: 'x8688x', tuning: STANDARD })
async function loaded(clients: number, seconds: number, pauseMs: number): Promise<ReadonlyMap<string, number[]>> {
  const times = new Map<string, number[]>()
  const ends = performance.now() + seconds * 1000
  const client = async (number: number) => {
    // Players don't begin at one instant.
    await new Promise((resolve) => setTimeout(resolve, number * 40))
    for (let index = number; performance.now() < ends; index++) {
      const path = SELDOM[index % 40] ?? (USUAL[index % USUAL.length] as string)
      const { ms, status, text } = await ask(path, path === 'api/shapes' ? kept(index) : undefined)
      if (status >= 300) throw new Error(`${path}: ${status} ${text.slice(0, 200)}`)
      times.set(path, [...(times.get(path) ?? []), ms])
      await new Promise((resolve) => setTimeout(resolve, pauseMs * (0.5 + Math.random())))
    }
  }
  await Promise.all(Array.from({ length: clients }, (_, number) => client(number)))
  return times
}
const memory = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024

/** A player who is quick asks twice a second. */
const PAUSE_MS = 500
await longestTurn()
const byPath = await loaded(CLIENTS, LOAD_S, PAUSE_MS)
const [worked, held] = turn(await longestTurn())
const load = [...byPath.values()].flat()
console.log(
  `${CLIENTS} clients for ${LOAD_S} s, each asking twice a second; the main thread worked ${worked} at the longest, was held up ${held}\n`,
)
printTable(
  ['what', 'answers', 'p50', 'p99', 'longest'],
  [...byPath, ['all', load] as const].map(([path, times]) => [
    path,
    String(times.length),
    whole(rank(times, 0.5)),
    whole(rank(times, 0.99)),
    whole(Math.max(...times)),
  ]),
)
const megabytes = [memory()]
for (let minute = 0; minute < minutes; minute++) {
  await loaded(10, 60, PAUSE_MS)
  megabytes.push(memory())
}
console.log(`Memory by the minute, ten clients: ${megabytes.map((mb) => mb.toFixed(0)).join(', ')} MB`)
console.log(taken())
stop()
rmSync(folder, { recursive: true, force: true })
