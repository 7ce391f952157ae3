/** The state of the logbook: what is asked, what the server counted, and corrections with their undo. */
import { useStore } from '@nanostores/react'
import { dayNumber, dayText } from '@nestling/core/practice'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { DueAnswer, KeptAttempt, LogSummary } from '../../contracts/practice.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { createAsked } from '../../state/asked.ts'
import { sendWaiting } from '../../state/attempts.ts'
import { dueCards } from '../../state/decks.ts'
import { $takenBack, did } from '../../state/deeds.ts'
import { call } from '../../state/http.ts'
import { tell } from '../../state/notices.ts'
import { localDay, shortDay } from '../../words/days.ts'
import { type Params, readLog, writeLog } from './address.ts'
import type { LogPlan } from './types.ts'

export interface LogState {
  readonly plan: LogPlan
  readonly change: (changes: Partial<LogPlan>) => void
  /** Looks at a stretch of days only. */
  readonly brush: (from: string, to: string) => void
  /** `undefined` while it is looked up for the first time. */
  readonly log: LogSummary | undefined
  /** The shape and the root that are looked at: at once, while what belongs to them is still being counted. */
  readonly row: string | undefined
  readonly root: number
  readonly isBusy: boolean
  readonly problem: string | undefined
  readonly due: DueAnswer | undefined
  /** `undefined` for all the time. */
  readonly from: string | undefined
  readonly to: string
  readonly correct: (
    entry: KeptAttempt,
    changes: { readonly grade?: KeptAttempt['grade']; readonly tempo?: number },
  ) => void
  readonly takeOut: (entry: KeptAttempt) => void
  readonly reload: () => void
  /** Charts as drawings, or as tables. */
  readonly asTables: boolean
  readonly turnTables: () => void
}

export function rangeOf(
  { period, days }: Pick<LogPlan, 'period' | 'days'>,
  today: string,
): readonly [string | undefined, string] {
  if (days) return days
  return [period === 0 ? undefined : dayText(dayNumber(today) - period + 1), today]
}

export function useLogbook(params: Params): LogState {
  const [asked] = useState(() => createAsked<LogPlan>(readLog(params)))
  const plan = useStore(asked.$now)
  const [log, setLog] = useState<LogSummary | undefined>(undefined)
  const [isBusy, setBusy] = useState(true)
  const [problem, setProblem] = useState<string | undefined>(undefined)
  const [due, setDue] = useState<DueAnswer | undefined>(undefined)
  const [turn, setTurn] = useState(0)
  const [asTables, setTables] = useState(false)
  const [today] = useState(() => localDay(new Date()))
  const [from, to] = rangeOf(plan, today)
  useQuestion({ address: writeLog(plan), open: (query) => asked.open(readLog(Object.fromEntries(query))) })

  const ticket = useRef(0)
  useEffect(() => {
    const mine = ++ticket.current
    const { instrument, material, row, root } = plan
    const query = new URLSearchParams({ to })
    for (const [field, value] of Object.entries({ from, instrument, material, row, root }))
      if (value !== undefined) query.set(field, String(value))
    setBusy(true)
    // `turn` counts reloads.
    void (turn === 0 ? sendWaiting() : Promise.resolve())
      .then(() => call<LogSummary>('GET', `/api/log/summary?${query}`))
      .then((reply) => {
        if (mine !== ticket.current) return
        setBusy(false)
        if (reply.ok) {
          setLog((before) => sharing(before, reply.value))
          setProblem(undefined)
        } else setProblem(reply.message)
      })
  }, [plan, from, to, turn])
  useEffect(() => {
    void dueCards(new Date()).then((reply) => reply.ok && setDue(reply.value))
  }, [turn])

  const change = useCallback((changes: Partial<LogPlan>) => asked.settle(changes), [asked])
  const brush = useCallback((first: string, last: string) => change({ days: [first, last] }), [change])
  const reload = useCallback(() => setTurn((now) => now + 1), [])
  const takenBack = useStore($takenBack)
  useEffect(() => {
    if (takenBack > 0) reload()
  }, [takenBack, reload])
  const correct = useCallback<LogState['correct']>(
    (entry, changes) => {
      void call<KeptAttempt>('PATCH', pathOf(entry), { ...changes, version: entry.version }).then((reply) => {
        reload()
        if (!reply.ok) return tell.problem('Not kept', reply.message)
        const { grade, tempo } = entry
        const body = { grade, tempo, version: reply.value.version }
        return did(`Corrected: ${wordsOf(entry)}`, { method: 'PATCH', path: pathOf(entry), body })
      })
    },
    [reload],
  )
  const takeOut = useCallback<LogState['takeOut']>(
    (entry) => {
      void call<undefined>('DELETE', pathOf(entry)).then((reply) => {
        reload()
        if (!reply.ok) return tell.problem('Not kept', reply.message)
        return did(`Removed: ${wordsOf(entry)}`, { method: 'POST', path: `${pathOf(entry)}/restore` })
      })
    },
    [reload],
  )
  const turnTables = useCallback(() => setTables((now) => !now), [])

  const row = log?.rows.some(({ key }) => key === plan.row) ? plan.row : log?.row
  const root = plan.root ?? log?.root ?? 0
  return {
    plan,
    change,
    brush,
    log,
    row,
    root,
    isBusy,
    problem,
    due,
    from,
    to,
    correct,
    takeOut,
    reload,
    asTables,
    turnTables,
  }
}

const pathOf = ({ id }: KeptAttempt): string => `/api/practice/attempts/${id}`
const wordsOf = ({ day }: KeptAttempt): string => `the entry of ${shortDay(day)}`

/** An answer with what is as it was before: only what changed is drawn anew. */
function sharing(before: LogSummary | undefined, now: LogSummary): LogSummary {
  if (!before) return now
  const same = <Value>(a: Value, b: Value): Value => (JSON.stringify(a) === JSON.stringify(b) ? a : b)
  const rows = now.rows.map((row) => same(before.rows.find(({ key }) => key === row.key) ?? row, row))
  return { ...now, rows, days: same(before.days, now.days), weak: same(before.weak, now.weak) }
}
