import type { APIRoute } from 'astro'
import { answerOutcome } from '../../../_respond.ts'

/** Takes a deletion back. */
export const POST: APIRoute = ({ params, locals }) =>
  answerOutcome(locals.practice.restore(params['id'] ?? ''), { what: 'deleted entry' })
