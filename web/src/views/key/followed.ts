/** What goes along when the key or the depth changes: the progression by its numbers, lanes by a set's usual order. */
import { readNumbers, writeNumber } from '@nestling/core/key'
import { asksAtDepth } from '@nestling/core/lane'
import type { KeyPlan } from './types.ts'

export function followed(before: KeyPlan, changes: Partial<KeyPlan>): Partial<KeyPlan> {
  const { key = before.key, depth = before.depth } = changes
  const isOther = key !== before.key || depth !== before.depth
  const numbers = before.written.map((chord) => writeNumber(chord, before.key, before.depth, 'plain')).join(' ')
  const read = isOther && numbers !== '' ? readNumbers(numbers, key, depth) : undefined
  return {
    ...(depth === before.depth ? {} : { asks: asksAtDepth(before.asks, before.depth, depth) }),
    ...(read?.ok ? { written: read.value } : {}),
    ...changes,
  }
}
