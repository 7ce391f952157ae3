import type { APIRoute } from 'astro'
import { bookContents } from '../../data/bookContents.ts'

/** `GET /api/book`: what the Book holds: tunes with their counts, tags, sets, sheets. */
export const GET: APIRoute = ({ locals }) => Response.json(bookContents(locals))
