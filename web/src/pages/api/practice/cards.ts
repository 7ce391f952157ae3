import { readTuning } from '@nestling/core/neck'
import { readCard } from '@nestling/core/practice'
import type { APIRoute } from 'astro'
import { CardsDraft } from '../../../contracts/practice.ts'
import { readBody, refuse, refuseWith } from '../_respond.ts'

/** `POST /api/practice/cards`: cards of a material, to be asked from now on; those that are there stay as they are. */
export const POST: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, CardsDraft)
  if (!draft.ok) return draft.response
  const tuning = readTuning(draft.value.tuning)
  if (!tuning.ok) return refuse('tuning', tuning.error)
  for (const [index, card] of draft.value.cards.entries())
    if (!readCard(card, tuning.value.strings.length))
      return refuseWith(`cards.${index}`, {
        message: `${card} is no card; expected a question such as spell|A|#5`,
        expected: 'a question such as spell|A|#5',
      })
  const added = locals.practice.addCards(draft.value, new Date())
  return Response.json({ added, there: draft.value.cards.length - added }, { status: 201 })
}
