/** How much of the processor other machines on the same host took: what makes a measured time longer than the work. */
import { readFileSync } from 'node:fs'

/** Clock ticks in all, and those that were stolen; `undefined` where the system doesn't tell. */
function ticks(): { readonly all: number; readonly stolen: number } | undefined {
  try {
    const [cpu = ''] = readFileSync('/proc/stat', 'utf8').split('\n')
    const fields = cpu.trim().split(/\s+/).slice(1).map(Number)
    return { all: fields.slice(0, 8).reduce((sum, one) => sum + one, 0), stolen: fields[7] ?? 0 }
  } catch {
    return undefined
  }
}

/** @returns Tells, when it is called, what was taken since. */
export function watchHost(): () => string {
  const before = ticks()
  return () => {
    const after = ticks()
    if (!before || !after || after.all === before.all) return 'The system does not tell what other machines took.'
    const share = (100 * (after.stolen - before.stolen)) / (after.all - before.all)
    return `Meanwhile other machines on this host took ${share.toFixed(0)} % of the processor time.`
  }
}

/** How often it is looked at what other machines took, in ms: as often as the system counts it. */
const TICK_MS = 10

/** The system's steady clock, by which a trace of the browser tells its moments, in µs. */
export const steadyNow = (): number => Number(process.hrtime.bigint() / 1000n)

export interface TakenWatch {
  /** Whether other machines took processor time between two moments (or a tick before or after), by `steadyNow`. */
  readonly tookIn: (from: number, until: number) => boolean
  readonly stop: () => void
}

/** Watches when other machines take processor time, so that what was long meanwhile can be told from what was long of itself. */
export function watchTaken(): TakenWatch {
  const rises: { readonly after: number; readonly by: number }[] = []
  let last = { at: steadyNow(), stolen: ticks()?.stolen ?? 0 }
  const look = () => {
    const next = { at: steadyNow(), stolen: ticks()?.stolen ?? 0 }
    if (next.stolen > last.stolen) rises.push({ after: last.at, by: next.at })
    last = next
  }
  const timer = setInterval(look, TICK_MS)
  return {
    tookIn: (from, until) =>
      rises.some(({ after, by }) => after < until + 1000 * TICK_MS && by > from - 1000 * TICK_MS),
    stop: () => clearInterval(timer),
  }
}
