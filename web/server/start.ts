/**
 * Starts Nestling: opens the database (migrations first), then serves pages, endpoints and files.
 * Every expected failure is one line and exit code 1.
 */
import { createHash } from 'node:crypto'
import { existsSync } from 'node:fs'
import { readdir } from 'node:fs/promises'
import { createServer, type RequestListener } from 'node:http'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import compression from 'compression'
import express from 'express'
import { dataFolder } from '../../scripts/dataFolder.mjs'
import { BUILD_HEADER } from '../src/contracts/build.ts'
import { DataProblem, openDatabase } from '../src/data/database.ts'
import { isLoopback, listeningHost } from '../src/pages/api/_border.ts'
import { VIEWS } from '../src/shell/views.ts'
import { doorOf } from './door.ts'
import { drawn } from './drawn.ts'
import { createGuard, hostsFor, LEAST_PASSPHRASE } from './guard.ts'
import { noteRunning, runningOn } from './oneServer.ts'
import { drawer, viewsBy } from './views.ts'

const web = join(dirname(fileURLToPath(import.meta.url)), '..')
process.env['NODE_ENV'] ??= 'production'
process.env['NESTLING_MIGRATIONS'] ??= join(web, 'drizzle')
process.env['NESTLING_WORK_THREAD'] ??= join(web, 'dist', 'threads', 'work.mjs')
const folder = dataFolder('own')
// The built application opens the same folder.
process.env['NESTLING_DATA'] = folder

const quit = (line: string): never => {
  console.error(line)
  process.exit(1)
}

const host = listeningHost(process.env)
const portText = process.env['PORT'] || '4321'
const port =
  /^\d+$/.test(portText) && Number(portText) < 65_536
    ? Number(portText)
    : quit(`PORT is ${portText}; expected a number from 0 to 65535.`)

/** Beyond this machine nobody comes in without it. */
const passphrase = isLoopback(host) ? undefined : (process.env['NESTLING_PASSPHRASE'] ?? '')
if (passphrase !== undefined && passphrase.length < LEAST_PASSPHRASE)
  quit(
    `HOST is ${host}: beyond this machine Nestling asks for a passphrase. Set NESTLING_PASSPHRASE to one of at least ${LEAST_PASSPHRASE} characters.`,
  )

const onlyOne = (other: string | undefined): void => {
  if (other !== undefined)
    quit(`Nestling runs on this folder already, at ${other}. Open it there, or set NESTLING_DATA to another folder.`)
}
onlyOne(await runningOn(folder))

try {
  openDatabase(folder).close()
} catch (error) {
  if (error instanceof DataProblem) quit(error.message)
  throw error
}

const threads = process.env['NESTLING_WORK_THREAD'] ?? ''
if (!existsSync(threads))
  quit('The built application is missing or broken (the file of its threads). Run npm run build.')
const entry = new URL('../dist/server/entry.mjs', import.meta.url).href
const broken = (error: unknown): never =>
  quit(
    `The built application is missing or broken (${error instanceof Error ? error.message.split('\n')[0] : error}). Run npm run build.`,
  )
const { handler, pageMap } = (await import(entry).catch(broken)) as {
  readonly handler: RequestListener & express.RequestHandler
  readonly pageMap: ReadonlyMap<string, () => Promise<unknown>>
}
const views = VIEWS.map(({ href }) => href)
const ready = drawer(join(web, 'dist', 'threads', 'draw.mjs'), { entry, views }).catch(broken)
// What is read and compiled while somebody asks for it holds up all others.
for (const [file, load] of pageMap) if (file.startsWith('src/pages/')) await load()
await drawn(handler, { method: 'GET', url: '/healthz', headers: { host: '127.0.0.1' } })
const draw = await ready

/** Files carry their contents in their names: all names together are the build. */
const build = createHash('sha256')
  .update((await readdir(join(web, 'dist/client/_astro'))).toSorted().join())
  .digest('hex')
  .slice(0, 16)

const app = express()
app.disable('x-powered-by')
app.use((_request, response, next) => {
  response.setHeader('x-content-type-options', 'nosniff')
  response.setHeader(BUILD_HEADER, build)
  response.setHeader('referrer-policy', 'same-origin')
  response.setHeader('x-frame-options', 'DENY')
  response.setHeader('cross-origin-resource-policy', 'same-origin')
  response.setHeader('cross-origin-opener-policy', 'same-origin')
  response.setHeader('permissions-policy', 'microphone=(self), camera=(), geolocation=(), payment=(), usb=()')
  // Pages say more; what is no page runs nothing and stands in no frame.
  response.setHeader(
    'content-security-policy',
    "default-src 'self'; object-src 'none'; base-uri 'none'; frame-ancestors 'none'",
  )
  next()
})
if (passphrase !== undefined) app.use(doorOf(await createGuard(passphrase), hostsFor(process.env['NESTLING_HOSTS'])))
// Fetched once and kept for a year: worth the longer while.
app.use('/_astro', compression({ level: 9 }))
app.use(compression())
app.use('/_astro', express.static(join(web, 'dist/client/_astro'), { immutable: true, maxAge: '1y' }))
const files = express.static(join(web, 'dist/client'), { index: false, redirect: false })
// Only files have an ending: for what is worked out the disk is not asked.
app.use((request, response, next) => (/\.\w+$/.test(request.path) ? files(request, response, next) : next()))
app.use((request, response, next) => {
  if (!isDecodable(request.path)) return nothingAt(request, response, 400)
  // The framework's own resizing of pictures: there are none, and nobody needs to make the server work on them.
  if (request.path === '/_image') return nothingAt(request, response, 404)
  return next()
})
app.use(viewsBy(views, draw))
app.use(handler)
// What no page and no endpoint answers: scripts are told in their own form, people by a page with the ways back.
app.use((request, response, next) => {
  if (request.path.startsWith('/api/')) {
    nothingAt(request, response, 404)
    return
  }
  request.url = '/404'
  handler(request, response, next)
})

function nothingAt({ path }: express.Request, response: express.Response, status: 400 | 404): void {
  const expected = 'an address that /api lists'
  response
    .status(status)
    .json({ error: `there is nothing at ${path}; expected ${expected}`, field: 'address', at: 0, expected })
}

function isDecodable(path: string): boolean {
  try {
    decodeURIComponent(path)
    return true
  } catch {
    return false
  }
}

const server = createServer(app)
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE')
    quit(`Port ${port} is in use. Set PORT to another number, for example PORT=${port + 1} npm run demo.`)
  quit(`The server can't listen on ${host}:${port} (${error.message}).`)
})
server.listen(port, host, async () => {
  const address = server.address()
  const actual = typeof address === 'object' && address !== null ? address.port : port
  // An address of the sixth version stands in brackets.
  const name = `http://${host.includes(':') && !host.startsWith('[') ? `[${host}]` : host}:${actual}/`
  // All addresses are no address to be asked at.
  onlyOne(await noteRunning(folder, /^(0\.0\.0\.0|\[?::\]?)$/.test(host) ? `http://127.0.0.1:${actual}/` : name))
  console.log(`Nestling is ready at ${name}`)
})

/** One press of Ctrl+C comes from the terminal and once more from the command above: that is still one. */
const ONE_PRESS_MS = 250
let asked: number | undefined
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    if (asked !== undefined && performance.now() - asked > ONE_PRESS_MS) process.exit(1)
    asked ??= performance.now()
    server.close(() => process.exit(0))
    server.closeAllConnections()
  })
