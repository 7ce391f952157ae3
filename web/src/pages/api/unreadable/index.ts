import type { APIRoute } from 'astro'

/** `GET /api/unreadable`: rows that could not be read, taken out of their tables at a start. */
export const GET: APIRoute = ({ locals }) => Response.json({ unreadable: locals.unreadable.list() })
