import type { APIRoute } from 'astro'
import { SheetDraft } from '../../../contracts/sheet.ts'
import { readBody } from '../_respond.ts'

const MOST_LISTED = 500

export const GET: APIRoute = ({ locals }) => {
  const { sheets, total } = locals.sheets.list(MOST_LISTED)
  return Response.json({ count: total, sheets, truncated: total > sheets.length })
}

export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, SheetDraft)
  return draft.ok ? Response.json(locals.sheets.add(draft.value, new Date()), { status: 201 }) : draft.response
}
