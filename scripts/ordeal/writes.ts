/** Every request that changes what is kept, each with something that it can be asked of. */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

const api = join(import.meta.dirname, '..', '..', 'web', 'src', 'pages', 'api')

/** They work on what they are sent and keep nothing. */
const KEEP_NOTHING = ['POST path', 'POST transpose', 'POST notebook/preview']

/** Nothing unreadable comes in by a request, so that there is nothing to ask it of; `unreadable.test.ts` has its own. */
const OF_DAMAGE = ['DELETE unreadable/[id]']

/** `PUT tunes/[id]` for every file that exports such a method. */
export const routesThatWrite = (): readonly string[] =>
  readdirSync(api, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.includes('test') && !/(^|\/)_/.test(file))
    .flatMap((file) =>
      [...readFileSync(join(api, file), 'utf8').matchAll(/export const (POST|PUT|PATCH|DELETE)\b/g)].map(
        ([, method]) => `${method} ${file.replace(/(\/index)?\.ts$/, '')}`,
      ),
    )
    .filter((route) => ![...KEEP_NOTHING, ...OF_DAMAGE].includes(route))
    .toSorted()

export interface Write {
  /** As `routesThatWrite` calls it. */
  readonly route: string
  readonly path: string
  readonly body?: unknown
}

const TUNING = 'E2,A2,D3,G3,B3,E4'
/** Long enough to need a page of its own. */
const NOTE = 'the third stays under the hand '.repeat(15)

export async function ask(address: string, method: string, path: string, body?: unknown) {
  const response = await fetch(`${address}api/${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })
  const text = await response.text()
  const json = text === '' ? undefined : JSON.parse(text)
  return { status: response.status, json }
}

/** Everything that is kept, as the notebook tells it; the moment of telling left out. */
export async function kept(address: string): Promise<unknown> {
  const { json } = await ask(address, 'GET', 'notebook')
  return { ...json, savedAt: undefined }
}

const shape = (name: string) => ({ name, chord: 'Am7', frets: '5x555x', tuning: TUNING, note: NOTE })
const step = (id: string) => ({
  id,
  beats: 4,
  chord: 'Am7',
  shape: { chord: 'Am7', frets: '5x555x', tuning: TUNING },
  held: false,
})
const set = (title: string) => ({ title, steps: [step('a'), step('b')] })
const sheet = (title: string) => ({
  ...{ title, paper: 'A4', lying: true, barsALine: 4, necks: 'lying', labels: 'none', ink: 'colour' },
  blocks: [{ id: 'a', kind: 'words', text: NOTE }],
})
const tune = (title: string) => ({
  title,
  tune: { chart: '| Am7 | Dm7 |', way: '5x555x,none' },
  remarks: NOTE,
})
const instrument = (name: string) => ({
  ...{ name, tuningName: '', tuning: 'D2,A2,D3,G3,B3,E4', capo: null, frets: 20, scaleLengthMm: 640 },
  ...{ spacingNutMm: 7.2, spacingBridgeMm: 10.4, lastReachableFret: 15, handed: 'right', pluck: 'fingers' },
})
const attempt = (id: string) => ({
  ...{ id, kind: 'run', run: { id: 'evening-run', query: '', title: '', startedAt: '2026-11-02T18:00:00.000Z' } },
  ...{ at: '2026-11-02T18:01:00.000Z', day: '2026-11-02', material: 'Am7', grade: 'had', seconds: 4 },
})

/** Puts in what the writes need, and tells them all. Each asks of a thing of its own, so that any order will do. */
export async function writesOn(address: string, mark: string): Promise<readonly Write[]> {
  const made = async (path: string, body?: unknown, method = 'POST') => {
    const { status, json } = await ask(address, method, path, body)
    if (status >= 300) throw new Error(`${method} ${path}: ${status} ${JSON.stringify(json)}`)
    return json
  }
  const shapes = await Promise.all([1, 2, 3, 4].map((index) => made('shapes', shape(`${mark} ${index}`))))
  const [changed, goes, gone, many] = shapes.map(({ id }) => id)
  await made(`shapes/${gone}`, undefined, 'DELETE')
  const pairOf = async (path: string, draft: (title: string) => object) => {
    const [one, two, three] = await Promise.all(['a', 'b', 'c'].map((letter) => made(path, draft(`${mark} ${letter}`))))
    await made(`${path}/${three.id}`, undefined, 'DELETE')
    return { one, two, three }
  }
  const sets = await pairOf('sets', set)
  const sheets = await pairOf('sheets', sheet)
  const tunes = await pairOf('tunes', tune)
  const guitars = [
    await made('instruments', instrument(`${mark} a`)),
    await made('instruments', instrument(`${mark} b`)),
  ]
  const tuning = await made('tunings', { name: mark, tuning: 'C2,G2,D3,G3,B3,E4' })
  for (const id of ['x', 'y', 'z']) await made('practice/attempts', attempt(`${mark}-attempt-${id}`))
  await made(`practice/attempts/${mark}-attempt-z`, undefined, 'DELETE')
  const { undo } = await made('shapes/many', { ids: [many], act: { kind: 'tag', tag: 'before' } })
  const copy = await made('copies')
  const notebook = await made('notebook', undefined, 'GET')
  const { version } = await made('tray', undefined, 'GET')
  return [
    { route: 'POST shapes', path: 'shapes', body: shape(`${mark} new`) },
    {
      route: 'PATCH shapes/[id]',
      path: `shapes/${changed}`,
      body: { name: `${mark} renamed`, note: NOTE, version: 1 },
    },
    { route: 'DELETE shapes/[id]', path: `shapes/${goes}` },
    { route: 'POST shapes/[id]/restore', path: `shapes/${gone}/restore` },
    { route: 'POST shapes/many', path: 'shapes/many', body: { ids: [many], act: { kind: 'tag', tag: 'after' } } },
    { route: 'POST changes/[id]/undo', path: `changes/${undo}/undo` },
    { route: 'POST sets', path: 'sets', body: set(`${mark} new`) },
    { route: 'DELETE sets/[id]', path: `sets/${sets.two.id}` },
    { route: 'POST sets/[id]/restore', path: `sets/${sets.three.id}/restore` },
    { route: 'POST sheets', path: 'sheets', body: sheet(`${mark} new`) },
    { route: 'PUT sheets/[id]', path: `sheets/${sheets.one.id}`, body: { ...sheet(`${mark} again`), version: 1 } },
    { route: 'DELETE sheets/[id]', path: `sheets/${sheets.two.id}` },
    { route: 'POST sheets/[id]/restore', path: `sheets/${sheets.three.id}/restore` },
    { route: 'POST tunes', path: 'tunes', body: tune(`${mark} new`) },
    { route: 'PUT tunes/[id]', path: `tunes/${tunes.one.id}`, body: { ...tune(`${mark} again`), version: 1 } },
    { route: 'DELETE tunes/[id]', path: `tunes/${tunes.two.id}` },
    { route: 'POST tunes/[id]/restore', path: `tunes/${tunes.three.id}/restore` },
    { route: 'POST instruments', path: 'instruments', body: instrument(`${mark} new`) },
    {
      route: 'PUT instruments/[id]',
      path: `instruments/${guitars[0].id}`,
      body: { ...instrument(`${mark} again`), version: 1 },
    },
    { route: 'DELETE instruments/[id]', path: `instruments/${guitars[1].id}` },
    { route: 'POST tunings', path: 'tunings', body: { name: `${mark} new`, tuning: 'D2,A2,D3,G3,A3,D4' } },
    { route: 'DELETE tunings/[id]', path: `tunings/${tuning.id}` },
    { route: 'PUT tray', path: 'tray', body: { ...set(mark), version } },
    { route: 'PATCH settings', path: 'settings', body: { tempo: 93 } },
    { route: 'POST practice/attempts', path: 'practice/attempts', body: attempt(`${mark}-attempt-new`) },
    {
      route: 'PATCH practice/attempts/[id]',
      path: `practice/attempts/${mark}-attempt-x`,
      body: { grade: 'lost', version: 1 },
    },
    { route: 'DELETE practice/attempts/[id]', path: `practice/attempts/${mark}-attempt-y` },
    { route: 'POST practice/attempts/[id]/restore', path: `practice/attempts/${mark}-attempt-z/restore` },
    { route: 'POST practice/cards', path: 'practice/cards', body: { material: 'Am7', cards: ['spell|A|#5'] } },
    { route: 'POST copies', path: 'copies' },
    { route: 'POST copies/[id]/restore', path: `copies/${copy.id}/restore` },
    {
      route: 'POST notebook/apply',
      path: 'notebook/apply',
      body: { notebook, choices: { fresh: 'both', different: 'take', each: {} } },
    },
    // Last: nothing that the others ask of is there after it.
    { route: 'DELETE data', path: 'data', body: { delete: 'everything' } },
  ]
}
