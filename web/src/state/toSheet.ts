/** Where a thing goes to be put on a sheet: as a block in the address. */

import { type Shape, writeShape } from '@nestling/core/shape'
import type { Block } from '@nestling/core/sheet'

type WithoutId<Any> = Any extends unknown ? Omit<Any, 'id'> : never
export type PutBlock = WithoutId<Block>

const PUT = '#put='

/** Behind the address's `#`, which no server is sent: a whole tune may travel so. */
export const toSheet = (block: PutBlock, sheet?: number): string =>
  `/sheet${sheet === undefined ? '' : `?sheet=${sheet}`}${PUT}${encodeURIComponent(JSON.stringify(block))}`

/** What an address brings along for a sheet: the block's text, and what stands behind the `#` as it is. */
export const putIn = (hash: string): { readonly text: string; readonly hash: string } | undefined => {
  if (!hash.startsWith(PUT)) return undefined
  try {
    return { text: decodeURIComponent(hash.slice(PUT.length)), hash }
  } catch {
    return { text: '', hash }
  }
}

export const shapesBlock = (
  shapes: readonly { readonly shape: Shape; readonly name?: string; readonly note?: string }[],
  title = '',
): PutBlock => ({
  kind: 'shapes',
  title,
  shapes: shapes.map(({ shape, name = '', note = '' }) => {
    const { fingers = '', ...texts } = writeShape(shape)
    return { ...texts, fingers, name, note }
  }),
})

export const tuneBlock = (tune: number): PutBlock => ({
  kind: 'chart',
  source: { kind: 'kept', tune },
  under: 'tab',
  moves: true,
})
