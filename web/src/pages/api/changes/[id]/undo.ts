import { answerOutcome, idFrom, noSuch } from '../../_respond.ts'
import { type Work, writingOnThread } from '../../_work.ts'

const what = 'change that can be taken back'

/** Takes a change of many things back. */
export const work: Work = ({ params, locals }) => {
  const id = idFrom(params['id'])
  return id === undefined ? noSuch(what) : answerOutcome(locals.changes.undo(id, new Date()), { what })
}

export const POST = writingOnThread('changes/[id]/undo')
