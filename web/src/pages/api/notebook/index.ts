import { writeNotebook } from '@nestling/formats/notebook'
import { readingOnThread, type Work } from '../_work.ts'

/** `GET /api/notebook`: all that is kept, as one JSON file. */
export const work: Work = ({ locals }) => {
  const now = new Date()
  return new Response(writeNotebook(locals.notebook.rows(), now.toISOString()), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="nestling-notebook-${now.toISOString().slice(0, 10)}.json"`,
    },
  })
}

export const GET = readingOnThread('notebook/index')
