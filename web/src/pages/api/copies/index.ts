import type { APIRoute } from 'astro'

export const GET: APIRoute = ({ locals }) => Response.json({ copies: locals.copies.list() })

/** Saves a copy of the whole notebook beside it, while it is in use. */
export const POST: APIRoute = async ({ locals }) =>
  Response.json(await locals.copies.save('by-hand', new Date()), { status: 201 })
