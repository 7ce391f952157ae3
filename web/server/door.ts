/** The door of a server that listens beyond this machine: nothing is served to whoever has not come in. */
import express from 'express'
import { enterPage } from './enterPage.ts'
import { type Guard, isListed, MOST_TRIES, placeAfter } from './guard.ts'
import { leavePage } from './plainPage.ts'

/** What the page at the door itself needs, and what tells that the server runs. */
const OPEN = new Set(['/enter.css', '/nestling.svg', '/manifest.webmanifest', '/healthz'])

export function doorOf(guard: Guard, hosts: ReadonlySet<string>): express.Router {
  const door = express.Router()
  const from = (request: express.Request): string => request.socket.remoteAddress ?? ''
  const isIn = ({ headers: { cookie, authorization } }: express.Request, address: string): Promise<boolean> =>
    guard.admits({ cookie, authorization }, address)

  door.use((request, response, next) => {
    const { host } = request.headers
    if (isListed(host, hosts)) return next()
    response.status(403).json({
      error: `Nestling does not answer to ${(host ?? 'no name').slice(0, 60)}; set NESTLING_HOSTS to the names that it has`,
      field: 'host',
      at: 0,
      expected: 'a name in NESTLING_HOSTS',
    })
  })
  door.get('/enter', async (request, response) => {
    const to = placeAfter(request.query['to'])
    if (await isIn(request, from(request))) return response.redirect(303, to)
    return response.type('html').send(enterPage(to, undefined))
  })
  door.post('/enter', express.urlencoded({ extended: false, limit: '4kb' }), async (request, response) => {
    const { passphrase, to } = (request.body ?? {}) as Record<string, unknown>
    const { origin, host } = request.headers
    const page = (status: number, problem: string) =>
      response
        .status(status)
        .type('html')
        .send(enterPage(placeAfter(to), problem))
    if (origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host))
      return page(403, 'Come in from this page, not from another one.')
    if (typeof passphrase !== 'string' || passphrase === '') return page(400, 'The passphrase is missing.')
    const secure = request.headers['x-forwarded-proto'] === 'https'
    const entered = await guard.enter(passphrase.slice(0, 200), from(request), secure)
    if (entered.kind === 'in') return response.setHeader('set-cookie', entered.cookie).redirect(303, placeAfter(to))
    if (entered.kind === 'wrong')
      return page(
        401,
        `That is not it. ${entered.left === 0 ? 'Wait a quarter of an hour now.' : `Tries left: ${entered.left} of ${MOST_TRIES}.`}`,
      )
    response.setHeader('retry-after', entered.seconds)
    return page(429, `Too many wrong tries. Try again in ${Math.ceil(entered.seconds / 60)} minutes.`)
  })
  door.use(async (request, response, next) => {
    if (OPEN.has(request.path) || (await isIn(request, from(request)))) return next()
    if (request.method === 'GET' && !request.path.startsWith('/api/') && !request.path.startsWith('/_astro/'))
      return response.redirect(303, `/enter?to=${encodeURIComponent(request.originalUrl)}`)
    return response.status(401).setHeader('www-authenticate', 'Bearer').json({
      error: 'this needs the passphrase; expected a session, or authorization: Bearer and the passphrase',
      field: 'authorization',
      at: 0,
      expected: 'Bearer and the passphrase',
    })
  })
  // Behind the door: only who is in can leave.
  door.get('/leave', (_request, response) => response.type('html').send(leavePage()))
  door.post('/leave', express.urlencoded({ extended: false, limit: '4kb' }), (request, response) => {
    const { origin, host, cookie } = request.headers
    if (origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host))
      return response.status(403).type('html').send(leavePage())
    const { where } = (request.body ?? {}) as Record<string, unknown>
    return response.setHeader('set-cookie', guard.leave(cookie, where === 'everywhere')).redirect(303, '/enter')
  })
  return door
}
