import type { APIRoute } from 'astro'
import * as v from 'valibot'
import { readBody } from '../_respond.ts'
import { type Work, writingOnThread } from '../_work.ts'

/** `GET /api/data`: where all of it lies, and how large it is. */
export const GET: APIRoute = ({ locals }) => Response.json(locals.data.about())

/** Said in words, so that no request does it by mistake. */
const Meant = v.strictObject({ delete: v.literal('everything', 'everything') })

/** `DELETE /api/data`: all that is kept, and the copies of it. */
export const work: Work = async ({ request, locals }) => {
  const meant = await readBody(request, Meant)
  if (!meant.ok) return meant.response
  locals.data.deleteAll()
  return new Response(null, { status: 204 })
}

export const DELETE = writingOnThread('data/index')
