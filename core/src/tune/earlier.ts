/** What earlier forms kept of a tune: the Path view's address as `query`, and each chord's shape beside it as `chords`. */
import { TUNE_FIELDS, type TuneTexts } from './types.ts'

/**
 * A row of an earlier form as rows are now; one that is so already, or is none, stays as it is. Every field stays as it was
 * written; what said how the view stood is left out.
 * @param parse The names and values of an address.
 */
export function tuneOfEarlier(row: unknown, parse: (query: string) => Iterable<readonly [string, string]>): unknown {
  if (!isRecord(row) || 'tune' in row || typeof row['query'] !== 'string') return row
  const { query, chords, ...rest } = row
  const asked = new Map(parse(row['query']))
  const fields = TUNE_FIELDS.flatMap((field) => {
    const text = asked.get(field)
    return text ? [[field, text] as const] : []
  })
  const frets = Array.isArray(chords) ? chords.map((one: unknown) => (isRecord(one) ? one['frets'] : null)) : []
  const way = frets.map((shape) => (typeof shape === 'string' ? shape : 'none')).join(',')
  const tune: TuneTexts = {
    chart: '',
    ...Object.fromEntries(fields),
    ...(frets.some((shape) => typeof shape === 'string') ? { way } : {}),
  }
  return { ...rest, tune }
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
