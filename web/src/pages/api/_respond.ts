/** What every endpoint needs: say no in one shape, read a body within limits, read a query into one schema. */
import type { FieldError } from '@nestling/core/build'
import * as v from 'valibot'
import type { Problem } from '../../contracts/problem.ts'

export const problem = (
  status: number,
  { error, field, at = 0, expected }: Omit<Problem, 'at'> & { readonly at?: number },
): Response => Response.json({ error, field, at, expected } satisfies Problem, { status })

/** What core says of a text, as a refusal of the field that it stood in. */
export const refuse = (field: string, { message, at, expected }: Omit<FieldError, 'field'>): Response =>
  problem(400, { error: message, field, at, expected })

/** The first issue of a failed parse as a refusal. */
export function invalid(issues: readonly [v.BaseIssue<unknown>, ...v.BaseIssue<unknown>[]]): Response {
  const issue = issues[0]
  const field = v.getDotPath(issue) ?? 'body'
  return problem(400, { error: `${field}: ${issue.message}`, field, expected: issue.expected ?? issue.message })
}

const MOST_BODY_CHARACTERS = 64 * 1024

/** The request's JSON checked against a schema, or the refusal to answer with. */
export async function readBody<Schema extends v.GenericSchema>(
  request: Request,
  schema: Schema,
): Promise<
  { readonly ok: true; readonly value: v.InferOutput<Schema> } | { readonly ok: false; readonly response: Response }
> {
  const text = await request.text()
  if (text.length > MOST_BODY_CHARACTERS)
    return {
      ok: false,
      response: problem(413, {
        error: 'the request is too large; expected at most 64 KB',
        field: 'body',
        expected: 'at most 65536 bytes',
      }),
    }
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    return {
      ok: false,
      response: problem(400, { error: 'the body is not JSON', field: 'body', expected: 'a JSON object' }),
    }
  }
  const parsed = v.safeParse(schema, json)
  return parsed.success ? { ok: true, value: parsed.output } : { ok: false, response: invalid(parsed.issues) }
}

/** A query string as an object; a field given twice is refused rather than half-read. */
export function readQuery<Schema extends v.GenericSchema>(
  url: URL,
  schema: Schema,
): { readonly ok: true; readonly value: v.InferOutput<Schema> } | { readonly ok: false; readonly response: Response } {
  const fields: Record<string, string> = {}
  for (const [field, value] of url.searchParams) {
    if (field in fields)
      return {
        ok: false,
        response: problem(400, { error: `${field} is given twice; expected once`, field, expected: 'each field once' }),
      }
    fields[field] = value
  }
  const parsed = v.safeParse(schema, fields)
  return parsed.success ? { ok: true, value: parsed.output } : { ok: false, response: invalid(parsed.issues) }
}

export const idFrom = (text: string | undefined): number | undefined =>
  text !== undefined && /^\d{1,12}$/.test(text) ? Number(text) : undefined

export const noSuch = (what: string): Response =>
  problem(404, { error: `there is no such ${what} in the Book`, field: 'id', expected: `the id of a ${what}` })
