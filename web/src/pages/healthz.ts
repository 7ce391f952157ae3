import type { APIRoute } from 'astro'
import { afterOthers } from '../data/turns.ts'

/** Well only when the database keeps what it is given. */
export const GET: APIRoute = async ({ locals }) => {
  await afterOthers()
  locals.probe()
  return Response.json({ ok: true })
}
