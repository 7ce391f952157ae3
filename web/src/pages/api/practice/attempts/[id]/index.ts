import type { APIRoute } from 'astro'
import { AttemptChange } from '../../../../../contracts/practice.ts'
import { answerOutcome, readBody } from '../../../_respond.ts'

const what = 'entry'

/** Puts right what was said of an attempt; its card is scheduled anew. */
export const PATCH: APIRoute = async ({ params, request, locals }) => {
  const change = await readBody(request, AttemptChange)
  if (!change.ok) return change.response
  return answerOutcome(locals.practice.correct(params['id'] ?? '', change.value), { what, yours: change.value })
}

export const DELETE: APIRoute = ({ params, locals }) =>
  answerOutcome(locals.practice.remove(params['id'] ?? '', new Date()), { what })
