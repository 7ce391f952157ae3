/** Where a thing goes to be put on a sheet: as a block in the address. */

import { type Shape, writeShape } from '@nestling/core/shape'
import type { Block } from '@nestling/core/sheet'

type WithoutId<Any> = Any extends unknown ? Omit<Any, 'id'> : never
export type PutBlock = WithoutId<Block>

export const toSheet = (block: PutBlock, sheet?: number): string =>
  `/sheet?${new URLSearchParams({ ...(sheet === undefined ? {} : { sheet: String(sheet) }), put: JSON.stringify(block) })}`

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
