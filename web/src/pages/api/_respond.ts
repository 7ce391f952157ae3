/** What every endpoint needs: say no in one shape, read a body within limits, read a query into one schema. */

import { MOST_NOTEBOOK_BYTES, megabytes, readText } from '@nestling/formats/file'
import * as v from 'valibot'
import type { Problem } from '../../contracts/problem.ts'
import type { Outcome } from '../../data/outcome.ts'
import { afterOthers } from '../../data/turns.ts'
import { type ToldError, type Words, wordsOf } from '../../words/errors.ts'
import { fileWords } from '../../words/files.ts'

export const problem = (
  status: number,
  { error, field, at = 0, expected }: Omit<Problem, 'at'> & { readonly at?: number },
): Response => Response.json({ error, field, at, expected } satisfies Problem, { status })

/** What core says of a text, as a refusal of the field that it stood in. */
export const refuse = (field: string, error: ToldError & { readonly at: number }): Response =>
  refuseWith(field, { at: error.at, ...wordsOf(error) })

export const refuseWith = (field: string, { message, at = 0, expected }: Words & { readonly at?: number }): Response =>
  problem(400, { error: message, field, at, expected })

/** The first issue of a failed parse as a refusal. */
export function invalid(issues: readonly [v.BaseIssue<unknown>, ...v.BaseIssue<unknown>[]]): Response {
  const issue = issues[0]
  const field = v.getDotPath(issue) ?? 'body'
  const expected = expectedOf(issue)
  const error = expected === GIVEN ? `${field} is missing; expected it to be given` : `${field}: ${expected}`
  return problem(400, { error, field, expected })
}

const GIVEN = 'given'

/** In our words: what a schema says of itself, or what the library's kind of thing is called among people. */
function expectedOf({ message, type, expected, received }: v.BaseIssue<unknown>): string {
  if (!message.startsWith('Invalid')) return message
  if (type === 'strict_object')
    return received === 'undefined' || expected !== 'never' ? GIVEN : 'not given: there is no such field'
  return KINDS[type] ?? limitIn(expected ?? '') ?? choicesIn(expected ?? '')
}

/** `>=20` as the library writes a limit: at least 20. */
function limitIn(expected: string): string | undefined {
  const limit = /^([<>]=?)(-?\d+(?:\.\d+)?)$/.exec(expected)
  return limit ? `${LIMITS[limit[1] ?? '']} ${limit[2]}` : undefined
}
const LIMITS: Readonly<Record<string, string>> = {
  '>=': 'at least',
  '<=': 'at most',
  '>': 'more than',
  '<': 'less than',
}
const KINDS: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  finite: 'a number',
  integer: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
  record: 'an object',
}

/** `("a" | "b")` as the library writes it: a, b. */
const choicesIn = (expected: string): string =>
  expected === ''
    ? 'something else'
    : expected
        .replace(/^\(|\)$/g, '')
        .replaceAll('"', '')
        .replaceAll(' | ', ', ')

type Read<Value> = { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly response: Response }

const MOST_BODY_CHARACTERS = 64 * 1024

/** A body piece by piece: what grows beyond the limit is not read to its end. */
export async function readBytes(request: Request, most: number): Promise<Read<Uint8Array>> {
  const pieces: Uint8Array[] = []
  let bytes = 0
  if (request.body)
    for await (const piece of request.body as unknown as AsyncIterable<Uint8Array>) {
      bytes += piece.length
      if (bytes > most)
        return {
          ok: false,
          response: problem(413, {
            error: `the request is too large; expected at most ${megabytes(most)}`,
            field: 'body',
            expected: `at most ${most} bytes`,
          }),
        }
      pieces.push(piece)
    }
  const whole = new Uint8Array(bytes)
  let at = 0
  for (const piece of pieces) {
    whole.set(piece, at)
    at += piece.length
  }
  return { ok: true, value: whole }
}

/** The text of a notebook. */
export async function readLargeText(request: Request): Promise<Read<string>> {
  const whole = await readBytes(request, MOST_NOTEBOOK_BYTES)
  if (!whole.ok) return whole
  const text = readText(whole.value, { most: MOST_NOTEBOOK_BYTES, oneLine: true })
  if (text.ok) return { ok: true, value: text.value.text }
  return {
    ok: false,
    response: problem(400, { error: fileWords(text.error), field: 'body', expected: 'a JSON object' }),
  }
}

/** The request's JSON checked against a schema, or the refusal to answer with. */
export async function readBody<Schema extends v.GenericSchema>(
  request: Request,
  schema: Schema,
): Promise<Read<v.InferOutput<Schema>>> {
  const refused = (status: number, error: string, expected: string) =>
    ({ ok: false, response: problem(status, { error, field: 'body', expected }) }) as const
  // A client that goes while it sends.
  const text = await request.text().catch(() => undefined)
  if (text === undefined) return refused(400, 'the request ended before its body', 'a whole JSON object')
  if (text.length > MOST_BODY_CHARACTERS)
    return refused(413, 'the request is too large; expected at most 64 KB', 'at most 65536 bytes')
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    return refused(400, 'the body is not JSON', 'a JSON object')
  }
  const parsed = v.safeParse(schema, json)
  // A body may have come while a large change began: the last wait before what is written here.
  await afterOthers()
  return parsed.success ? { ok: true, value: parsed.output } : { ok: false, response: invalid(parsed.issues) }
}

/** A query string as an object; a field given twice is refused rather than half-read. */
export function readQuery<Schema extends v.GenericSchema>(url: URL, schema: Schema): Read<v.InferOutput<Schema>> {
  const fields = new Map<string, string>()
  for (const [field, value] of url.searchParams) {
    if (fields.has(field))
      return {
        ok: false,
        response: problem(400, { error: `${field} is given twice; expected once`, field, expected: 'each field once' }),
      }
    fields.set(field, value)
  }
  const parsed = v.safeParse(schema, Object.fromEntries(fields))
  return parsed.success ? { ok: true, value: parsed.output } : { ok: false, response: invalid(parsed.issues) }
}

/** `?version=3` of a deletion: the version that was seen, where it is told; what was changed since then is not deleted unseen. */
export const versionIn = (url: URL): Read<{ readonly version?: number | undefined }> => readQuery(url, SEEN)
const SEEN = v.strictObject({
  version: v.optional(v.pipe(v.string(), v.regex(/^\d{1,9}$/, 'the version that was seen'), v.transform(Number))),
})

export const idFrom = (text: string | undefined): number | undefined =>
  text !== undefined && /^\d{1,12}$/.test(text) ? Number(text) : undefined

export interface About<Value> {
  /** `shape`, `instrument`, `deleted set`. */
  readonly what: string
  /** The name that was wanted, where a name can be taken. */
  readonly name?: string | undefined
  /** What the page tried to keep: told beside what is there when the two do not agree. */
  readonly yours?: unknown
  readonly staleWords?: ((now: Value) => string) | undefined
  /** 201 for what is new. */
  readonly status?: number | undefined
}

/** The one answer to each outcome of a change. */
export function answerOutcome<Value>(outcome: Outcome<Value>, about: About<Value>): Response {
  switch (outcome.kind) {
    case 'done':
      return outcome.value === undefined
        ? new Response(null, { status: 204 })
        : Response.json(outcome.value, { status: about.status ?? 200 })
    case 'missing':
      return noSuch(about.what)
    case 'name-taken':
      return problem(409, {
        error: `there is ${article(about.what)} ${about.what} called ${about.name} already`,
        field: 'name',
        expected: 'another name',
      })
    case 'stale': {
      const { now } = outcome
      const version = (now as { readonly version?: number }).version ?? 0
      return Response.json(
        {
          error: about.staleWords?.(now) ?? `the ${about.what} was changed on another page`,
          field: 'version',
          at: 0,
          expected: String(version),
          now,
          yours: about.yours,
        },
        { status: 409 },
      )
    }
  }
}

const article = (word: string): string => (/^[aeiou]/.test(word) ? 'an' : 'a')

export const noSuch = (what: string): Response =>
  problem(404, { error: `there is no such ${what}`, field: 'id', expected: `the id of ${article(what)} ${what}` })
