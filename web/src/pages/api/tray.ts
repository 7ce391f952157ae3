import type { APIRoute } from 'astro'
import { TrayDraft } from '../../contracts/tray.ts'
import { readBody } from './_respond.ts'

export const GET: APIRoute = ({ locals }) => Response.json(locals.tray.read())

export const PUT: APIRoute = async ({ request, locals }) => {
  const draft = await readBody(request, TrayDraft)
  if (!draft.ok) return draft.response
  const outcome = locals.tray.replace(draft.value)
  if (outcome.kind === 'done') return Response.json(outcome.tray)
  return Response.json(
    {
      error: 'the tray was changed on another page; this page now shows it as it is',
      field: 'version',
      at: 0,
      expected: String(outcome.now.version),
      now: outcome.now,
      yours: draft.value,
    },
    { status: 409 },
  )
}
