import type { APIRoute } from 'astro'
import { SheetChange } from '../../../../contracts/sheet.ts'
import { deletion } from '../../_delete.ts'
import { answerOutcome, idFrom, noSuch, readBody } from '../../_respond.ts'

export const GET: APIRoute = ({ params, locals }) => {
  const id = idFrom(params['id'])
  const sheet = id === undefined ? undefined : locals.sheets.find(id)
  return sheet ? Response.json(sheet) : noSuch('sheet')
}

export const PUT: APIRoute = async ({ params, request, locals }) => {
  const id = idFrom(params['id'])
  if (id === undefined) return noSuch('sheet')
  const draft = await readBody(request, SheetChange)
  if (!draft.ok) return draft.response
  return answerOutcome(locals.sheets.replace(id, draft.value), {
    what: 'sheet',
    yours: draft.value,
    staleWords: ({ title }) => `${title} was changed on another page; open it again from the Book`,
  })
}

export const DELETE = deletion(
  'sheet',
  ({ sheets }, id, seen) => sheets.remove(id, new Date(), seen),
  ({ title }) => title,
)
