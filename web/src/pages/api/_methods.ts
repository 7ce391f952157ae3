/** What can be asked of each address: told when somebody asks for something else. */
import type { APIContext } from 'astro'
import { problem } from './_respond.ts'

const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const

/** Loaded when it is asked for; by the route's pattern, `/api/shapes/[id]`. */
const endpoints = new Map(
  Object.entries(
    import.meta.glob<Readonly<Record<string, unknown>>>(['./**/*.ts', '!./**/_*.ts', '!./**/*.test.ts']),
  ).map(([file, load]) => [`/api/${file.slice(2, -3)}`.replace(/\/index$/, ''), load] as const),
)

/** @returns 405 with the methods that the address knows; the answer as it was where it knows this one. */
export async function unknownMethod(
  { request, routePattern, url }: Pick<APIContext, 'request' | 'routePattern' | 'url'>,
  answer: Response,
): Promise<Response> {
  const load = endpoints.get(routePattern.replace(/\/$/, ''))
  if (!load) return answer
  const knows = await load()
  const { method } = request
  if (method in knows || (method === 'HEAD' && 'GET' in knows)) return answer
  const allowed = METHODS.filter((one) => one in knows).flatMap((one) => (one === 'GET' ? ['GET', 'HEAD'] : [one]))
  const refused = problem(405, {
    error: `${url.pathname} knows no ${method}; expected ${allowed.join(', ')}`,
    field: 'method',
    expected: allowed.join(', '),
  })
  refused.headers.set('allow', allowed.join(', '))
  return refused
}
