import { writeNotebook } from '@nestling/formats/notebook'
import type { APIRoute } from 'astro'

/** `GET /api/notebook`: all that is kept, as one JSON file. */
export const GET: APIRoute = ({ locals }) => {
  const now = new Date()
  return new Response(writeNotebook(locals.notebook.rows(), now.toISOString()), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="nestling-notebook-${now.toISOString().slice(0, 10)}.json"`,
    },
  })
}
