import { lookingOnThread, type Work } from './_work.ts'

/** `GET /api/book`: what the Book holds, shapes aside; those are at `/api/shapes`. */
export const work: Work = ({ locals }) => Response.json(locals.contents())

export const GET = lookingOnThread('book')
