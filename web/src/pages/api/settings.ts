import type { APIRoute } from 'astro'
import { SettingsChange } from '../../contracts/settingsSchema.ts'
import { problem, readBody } from './_respond.ts'

export const GET: APIRoute = ({ locals }) => Response.json(locals.settings.read())

export const PATCH: APIRoute = async ({ request, locals }) => {
  const changes = await readBody(request, SettingsChange)
  if (!changes.ok) return changes.response
  const { instrumentId } = changes.value
  if (typeof instrumentId === 'number' && !locals.instruments.find(instrumentId))
    return problem(400, {
      error: 'there is no such instrument',
      field: 'instrumentId',
      expected: 'the id of a kept instrument',
    })
  return Response.json(locals.settings.change(changes.value as Parameters<typeof locals.settings.change>[0]))
}
