/** The Book's address holds what is looked at. */
import { BOOK_ORDERS } from '../../contracts/shape.ts'
import { type BookPlan, PARTS } from './types.ts'

export type Params = Readonly<Record<string, string>>

const number = (text: string | undefined): number | undefined =>
  text !== undefined && /^\d{1,12}$/.test(text) ? Number(text) : undefined

export const readBook = (params: Params): BookPlan => ({
  part: PARTS.find((part) => part === params['show']) ?? 'shapes',
  find: (params['find'] ?? '').slice(0, 120),
  by: BOOK_ORDERS.find((order) => order === params['by']) ?? 'tune',
  tag: params['tag']?.slice(0, 30),
  tune: params['tune'] === 'none' ? 'none' : number(params['tune'])?.toString(),
  instrument: number(params['instrument']),
  open: number(params['shape']),
})

export function writeBook({ part, find, by, tag, tune, instrument, open }: BookPlan): string {
  const query = new URLSearchParams()
  if (part !== 'shapes') query.set('show', part)
  if (find !== '') query.set('find', find)
  if (by !== 'tune') query.set('by', by)
  if (tag !== undefined) query.set('tag', tag)
  if (tune !== undefined) query.set('tune', tune)
  if (instrument !== undefined) query.set('instrument', String(instrument))
  if (open !== undefined) query.set('shape', String(open))
  const text = query.toString()
  return text === '' ? '/book' : `/book?${text}`
}
