import type { APIRoute } from 'astro'
import { SheetChange } from '../../../../contracts/sheet.ts'
import { answerOutcome, idFrom, noSuch, readBody, versionIn } from '../../_respond.ts'

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

export const DELETE: APIRoute = ({ params, url, locals }) => {
  const id = idFrom(params['id'])
  const seen = versionIn(url)
  if (!seen.ok) return seen.response
  if (id === undefined) return noSuch('sheet')
  return answerOutcome(locals.sheets.remove(id, new Date(), seen.value.version), {
    what: 'sheet',
    staleWords: (now) => `${now?.title} was changed meanwhile; look at it before it is deleted`,
  })
}
