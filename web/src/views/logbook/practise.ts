/** From the logbook into a run of just what is looked at. */
import type { NoteName } from '@nestling/core/pitch'
import type { HomeRow } from '@nestling/core/practice'

/** The run of a row, from a root: on the row's own string, at a tempo. */
export function runHref(
  { suffix, string }: Pick<HomeRow, 'suffix' | 'string'>,
  from: NoteName,
  tempo?: number,
  once = false,
): string {
  const query = new URLSearchParams({ material: suffix, from })
  if (string > 0 && !suffix.startsWith('arpeggio')) query.set('place', String(string))
  if (once) query.set('cycle', 'stay')
  if (tempo !== undefined) query.set('tempo', String(tempo))
  return `/practice?${query}`
}
