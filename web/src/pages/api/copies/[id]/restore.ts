import { answerOutcome } from '../../_respond.ts'
import { type Work, writingOnThread } from '../../_work.ts'

/** Goes back to a copy; answers with the copy that was made of what was here before. */
export const work: Work = async ({ params, locals }) =>
  answerOutcome(await locals.copies.goBack(params['id'] ?? '', new Date()), { what: 'copy' })

export const POST = writingOnThread('copies/[id]/restore')
