import { writeLogCsv } from '@nestling/formats/csv'
import { LogQuery } from '../../../contracts/practice.ts'
import { readQuery } from '../_respond.ts'
import { readingOnThread, type Work } from '../_work.ts'

/** Ten years of daily practice. */
const MOST_LISTED = 100_000

/** `GET /api/log?from=2026-11-01&to=2026-11-30`: what was played, the newest first; `format=csv` as a table. */
export const work: Work = ({ url, locals }) => {
  const query = readQuery(url, LogQuery)
  if (!query.ok) return query.response
  const { format, ...ask } = query.value
  const { entries, total } = locals.practice.list(ask, MOST_LISTED)
  if (format === 'json') return Response.json({ count: total, entries, truncated: total > entries.length })
  return new Response(writeLogCsv(entries), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="nestling-log.csv"',
    },
  })
}

export const GET = readingOnThread('log/index')
