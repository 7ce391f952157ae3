import { daysOf, homeOf, rowKey, tempoOf, weakOf } from '@nestling/core/practice'
import type { APIRoute } from 'astro'
import { type LogSummary, type SummaryAsk, SummaryQuery } from '../../../contracts/practice.ts'
import type { Repositories } from '../../../data/repositories.ts'
import { readQuery } from '../_respond.ts'

/** `GET /api/log/summary?from=&to=&row=&root=`: what the logbook counts; entries are at `/api/log`. */
export const GET: APIRoute = ({ url, locals }) => {
  const query = readQuery(url, SummaryQuery)
  return query.ok ? Response.json(summaryOf(query.value, locals)) : query.response
}

const MOST_OWN = 60

function summaryOf(
  { row, root, from, to, ...ask }: SummaryAsk,
  { practice }: Pick<Repositories, 'practice'>,
): LogSummary {
  const entries = practice.entries({ ...ask, from, to })
  const rows = homeOf(entries)
  const key = rows.some((one) => one.key === row) ? row : rows[0]?.key
  const wanted = root === undefined ? undefined : Number(root)
  const cells = rows.find((one) => one.key === key)?.cells ?? []
  const played = cells.findIndex((cell) => cell !== null)
  const at = wanted ?? (played < 0 ? 0 : played)
  const own = entries
    .filter((entry) => entry.kind === 'run' && entry.root === at && rowKey(entry) === key)
    .toSorted((a, b) => b.at - a.at)
  return {
    rows,
    row: key,
    root: at,
    days: daysOf(entries, from, to),
    tempo: key === undefined ? [] : tempoOf(entries, key, at),
    weak: weakOf(entries),
    own: practice.some(own.slice(0, MOST_OWN).map(({ id }) => id)),
    ownTotal: own.length,
    total: entries.length,
    ...practice.filters(),
  }
}
