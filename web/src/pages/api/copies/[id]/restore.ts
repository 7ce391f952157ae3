import type { APIRoute } from 'astro'
import { answerOutcome } from '../../_respond.ts'

/** Goes back to a copy; answers with the copy that was made of what was here before. */
export const POST: APIRoute = async ({ params, locals }) =>
  answerOutcome(await locals.copies.goBack(params['id'] ?? '', new Date()), { what: 'copy' })
