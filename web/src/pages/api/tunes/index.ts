import type { APIRoute } from 'astro'
import { TuneDraft } from '../../../contracts/tune.ts'
import { readBody } from '../_respond.ts'
import { refusedTune } from '../_tune.ts'

const MOST_LISTED = 200

export const GET: APIRoute = ({ locals }) => {
  const { tunes, total } = locals.tunes.list(MOST_LISTED)
  return Response.json({ count: total, tunes, truncated: total > tunes.length })
}

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, TuneDraft)
  if (!draft.ok) return draft.response
  return refusedTune(draft.value) ?? Response.json(locals.tunes.add(draft.value, new Date()), { status: 201 })
}
