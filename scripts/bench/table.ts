/** Medians, and tables that read well in a terminal and in a page. */

/** The middle of the times of `runs` calls, in ms, after a few that warm the machine up. */
export function medianMs(runs: number, call: () => unknown, warm = 3): number {
  const times: number[] = []
  for (let run = 0; run < warm + runs; run++) {
    const start = performance.now()
    call()
    if (run >= warm) times.push(performance.now() - start)
  }
  return medianOf(times)
}

export const medianOf = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN

export function printTable(head: readonly string[], rows: readonly (readonly string[])[]): void {
  const widths = head.map((title, column) => Math.max(title.length, ...rows.map((row) => (row[column] ?? '').length)))
  const line = (cells: readonly string[]) =>
    `| ${cells.map((cell, column) => cell.padEnd(widths[column] ?? 0)).join(' | ')} |`
  console.log([line(head), `|${widths.map((width) => '-'.repeat(width + 2)).join('|')}|`, ...rows.map(line)].join('\n'))
}

export const ms = (value: number): string => `${value < 10 ? value.toFixed(2) : value.toFixed(1)} ms`
