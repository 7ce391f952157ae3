/** The logbook's address holds what is looked at. */
import { CYCLES } from '@nestling/core/practice'
import { type LogPlan, PERIODS } from './types.ts'

export type Params = Readonly<Record<string, string>>
const DAY = /^\d{4}-\d{2}-\d{2}$/

export function readLog(params: Params): LogPlan {
  const [first = '', last = ''] = (params['days'] ?? '').split('_')
  const root = params['root']
  return {
    period: PERIODS.find((period) => String(period) === params['period']) ?? 28,
    days: DAY.test(first) && DAY.test(last) && first <= last ? [first, last] : undefined,
    instrument: params['instrument'],
    material: params['material'],
    cycle: CYCLES.find((cycle) => cycle === params['cycle']) ?? 'fourths',
    row: params['row'],
    root: root !== undefined && /^(\d|10|11)$/.test(root) ? Number(root) : undefined,
  }
}

export function writeLog({ period, days, instrument, material, cycle, row, root }: LogPlan): string {
  const query = new URLSearchParams()
  if (period !== 28) query.set('period', String(period))
  if (days) query.set('days', days.join('_'))
  if (instrument !== undefined) query.set('instrument', instrument)
  if (material !== undefined) query.set('material', material)
  if (cycle !== 'fourths') query.set('cycle', cycle)
  if (row !== undefined) query.set('row', row)
  if (root !== undefined) query.set('root', String(root))
  const text = query.toString()
  return text === '' ? '/logbook' : `/logbook?${text}`
}
