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
