import type { APIRoute } from 'astro'

/** Answers only when the database does. */
export const GET: APIRoute = ({ locals }) => {
  locals.settings.read()
  return Response.json({ ok: true })
}
