import { ShapesChange } from '../../../contracts/shape.ts'
import { counted } from '../../../words/shapes.ts'
import { readBody } from '../_respond.ts'
import { type Work, writingOnThread } from '../_work.ts'

const DONE: Readonly<Record<ShapesChange['act']['kind'], string>> = {
  delete: 'Deleted',
  move: 'Moved',
  tag: 'Tagged',
  untag: 'Untagged',
}

/** `POST /api/shapes/many`: many shapes deleted, moved under a tune or tagged at once; `undo` is what takes it back. */
export const work: Work = async ({ request, locals }) => {
  const change = await readBody(request, ShapesChange)
  if (!change.ok) return change.response
  const { act } = change.value
  return Response.json(
    locals.shapes.changeMany(change.value, (count) => `${DONE[act.kind]}: ${counted(count, 'shape')}`, new Date()),
  )
}

export const POST = writingOnThread('shapes/many')
