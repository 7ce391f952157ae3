import type { APIRoute } from 'astro'

/** Well only when the database keeps what it is given. */
export const GET: APIRoute = ({ locals }) => {
  locals.probe()
  return Response.json({ ok: true })
}
