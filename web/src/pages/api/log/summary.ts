import { withRest } from '@nestling/core/practice'
import { type LogSummary, type SummaryAsk, SummaryQuery } from '../../../contracts/practice.ts'
import type { Repositories } from '../../../data/repositories.ts'
import { readQuery } from '../_respond.ts'
import { lookingOnThread, type Work } from '../_work.ts'

/** `GET /api/log/summary?from=&to=&row=&root=`: what the logbook counts; entries are at `/api/log`. */
export const work: Work = ({ url, locals }) => {
  const query = readQuery(url, SummaryQuery)
  return query.ok ? Response.json(summaryOf(query.value, locals)) : query.response
}

export const GET = lookingOnThread('log/summary')

function summaryOf({ row, root, ...ask }: SummaryAsk, { practice }: Pick<Repositories, 'practice'>): LogSummary {
  const counts = practice.counts(ask, { row, root: root === undefined ? undefined : Number(root) })
  return {
    ...counts,
    days: withRest(counts.days, ask.from ?? counts.days[0]?.day ?? ask.to, ask.to),
    ...practice.filters(),
  }
}
