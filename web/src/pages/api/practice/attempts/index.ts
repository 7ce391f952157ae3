import { readTuning } from '@nestling/core/neck'
import { readNote } from '@nestling/core/pitch'
import { formOf } from '@nestling/core/practice'
import { readFrets } from '@nestling/core/voicing'
import type { APIRoute } from 'astro'
import { AttemptDraft } from '../../../../contracts/practice.ts'
import { readBody, refuse, refuseWith } from '../../_respond.ts'

/** `POST /api/practice/attempts`: one root of a run or one card, kept once by its id; 201 when it is new, 200 when not. */
export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, AttemptDraft)
  if (!draft.ok) return draft.response
  const { frets, tuning, root } = draft.value
  const strings = readTuning(tuning)
  if (!strings.ok) return refuse('tuning', strings.error)
  const held = frets === '' ? undefined : readFrets(frets, strings.value.strings.length)
  if (held && !held.ok) return refuse('frets', held.error)
  if (root !== '' && readNote(root) !== root)
    return refuseWith('root', {
      message: `${root} is no note; expected a root such as Ab`,
      expected: 'a root such as Ab',
    })
  const { value, isNew } = locals.practice.record({ ...draft.value, form: held ? formOf(held.value) : '' }, new Date())
  return Response.json(value, { status: isNew ? 201 : 200 })
}
