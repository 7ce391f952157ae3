/** What held the main thread of a page, read from a trace of the browser. */

/** Milliseconds that each task held the main thread of the page, in a trace with the mark `asked`. */
export function tasksOf(trace: Buffer): readonly number[] {
  const events: { name: string; pid: number; tid: number; dur?: number }[] = JSON.parse(trace.toString()).traceEvents
  const asked = events.find(({ name }) => name === 'asked')
  const tasks = events.filter(
    ({ name, pid, tid }) => name.endsWith('RunTask') && pid === asked?.pid && tid === asked?.tid,
  )
  return tasks.map(({ dur }) => (dur ?? 0) / 1000)
}
