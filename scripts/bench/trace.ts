/** What held the main thread of a page, read from a trace of the browser. */
import type { TakenWatch } from './host.ts'
import { ms } from './table.ts'

/** A task of the main thread, in milliseconds. */
export interface Task {
  /** How many marks `asked` went before it. */
  readonly asked: number
  /** From its beginning to its end. */
  readonly heldMs: number
  /** What the processor gave to it meanwhile; the rest went to other threads, programs and machines. */
  readonly ownMs: number
  /** How much of that the engine collected garbage, which no page can put off or divide. */
  readonly collectingMs: number
  /** Whether other machines took processor time meanwhile, which is counted as given to it. */
  readonly disturbed: boolean
}

interface TraceEvent {
  readonly name: string
  readonly pid: number
  readonly tid: number
  readonly ts: number
  readonly dur?: number
  readonly tdur?: number
}

/** The tasks of the main thread of the page since the first mark `asked` of a trace: before it the tracing itself begins. */
export function tasksOf(trace: Buffer, tookIn: TakenWatch['tookIn'] = () => false): readonly Task[] {
  const events: readonly TraceEvent[] = JSON.parse(trace.toString()).traceEvents
  const asked = events.filter(({ name }) => name === 'asked').toSorted((a, b) => a.ts - b.ts)
  const main = events.filter(({ pid, tid }) => pid === asked[0]?.pid && tid === asked[0]?.tid)
  const collections = main.filter(({ name }) => name === 'MajorGC' || name === 'MinorGC')
  return main
    .filter(({ name }) => name.endsWith('RunTask'))
    .map(({ ts, dur = 0, tdur = dur }) => ({
      asked: asked.filter((mark) => mark.ts <= ts + dur).length,
      heldMs: dur / 1000,
      ownMs: tdur / 1000,
      collectingMs: collections
        .filter((one) => one.ts >= ts && one.ts < ts + dur)
        .reduce((sum, one) => sum + (one.tdur ?? one.dur ?? 0) / 1000, 0),
      disturbed: tookIn(ts, ts + dur),
    }))
    .filter((task) => task.asked > 0)
}

/** How many of them were long, in words: of all, and of those in moments when no other machine took processor time. */
export function longTasksWord(tasks: readonly Task[]): string {
  const calm = tasks.filter(({ disturbed }) => !disturbed)
  const collecting = calm.filter((task) => task.heldMs > 16 && 2 * task.collectingMs > task.ownMs).length
  return `tasks over 16 ms: of ${calm.length} while no other machine took processor time ${overWord(calm)} (${collecting} of these the collection of garbage); of all ${tasks.length} ${overWord(tasks)}`
}

const overWord = (tasks: readonly Task[]): string =>
  `${over(tasks, 'ownMs')} by their own work, ${over(tasks, 'heldMs')} by the clock`

function over(tasks: readonly Task[], key: 'ownMs' | 'heldMs'): string {
  const long = tasks.filter((task) => task[key] > 16)
  return `${long.length} (the longest ${ms(Math.max(0, ...tasks.map((task) => task[key])))})`
}

/** The longest task after each mark, by its own work, in milliseconds. */
export function longestAfterEach(tasks: readonly Task[]): readonly number[] {
  const longest: number[] = []
  for (const { asked, ownMs } of tasks) longest[asked] = Math.max(longest[asked] ?? 0, ownMs)
  return longest.slice(1)
}
