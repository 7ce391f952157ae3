import type { APIRoute } from 'astro'
import { type Work, writingOnThread } from '../_work.ts'

export const GET: APIRoute = ({ locals }) => Response.json({ copies: locals.copies.list() })

/** Saves a copy of the whole notebook beside it, while it is in use. */
export const work: Work = async ({ locals }) =>
  Response.json(await locals.copies.save('by-hand', new Date()), { status: 201 })

export const POST = writingOnThread('copies/index')
