import { readProgression } from '@nestling/core/progression'
import type { APIRoute } from 'astro'
import { progressionTexts } from '../../../contracts/progression.ts'
import { KeptSetDraft } from '../../../contracts/progressionSchema.ts'
import { readBody, refuse } from '../_respond.ts'

const MOST_LISTED = 200

export const GET: APIRoute = ({ locals }) => {
  const { sets, total } = locals.sets.list(MOST_LISTED)
  return Response.json({ count: total, sets, truncated: total > sets.length })
}

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, KeptSetDraft)
  if (!draft.ok) return draft.response
  const read = readProgression(progressionTexts(draft.value))
  if (!read.ok) return refuse(read.error.field, read.error)
  return Response.json(locals.sets.add(draft.value, new Date()), { status: 201 })
}
