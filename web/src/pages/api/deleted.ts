import type { APIRoute } from 'astro'

/** `GET /api/deleted`: what was deleted last from the Book; each comes back by `POST /api/{kind}s/{id}/restore`. */
export const GET: APIRoute = ({ locals }) => Response.json({ deleted: locals.deleted.list() })
