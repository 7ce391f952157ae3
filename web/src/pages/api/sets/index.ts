import type { APIRoute } from 'astro'
import { KeptSetDraft } from '../../../contracts/tray.ts'
import { readBody } from '../_respond.ts'

const MOST_LISTED = 200

export const GET: APIRoute = ({ locals }) => {
  const { sets, total } = locals.sets.list(MOST_LISTED)
  return Response.json({ count: total, sets, truncated: total > sets.length })
}

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, KeptSetDraft)
  return draft.ok ? Response.json(locals.sets.add(draft.value, new Date()), { status: 201 }) : draft.response
}
