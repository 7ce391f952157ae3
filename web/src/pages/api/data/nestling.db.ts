import { readingOnThread, type Work } from '../_work.ts'

/** `GET /api/data/nestling.db`: all that is kept as one SQLite file. */
export const work: Work = async ({ locals }) =>
  new Response(new Uint8Array(await locals.data.whole()), {
    headers: {
      'content-type': 'application/vnd.sqlite3',
      'content-disposition': `attachment; filename="nestling-${new Date().toISOString().slice(0, 10)}.db"`,
    },
  })

export const GET = readingOnThread('data/nestling.db')
