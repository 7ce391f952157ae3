/** A block on its way to a sheet, in the address; what can't be read is no block. */
import type { Block } from '@nestling/core/sheet'
import * as v from 'valibot'
import { SheetDraft } from '../../contracts/sheet.ts'
import { newId } from '../../state/ids.ts'

export function readPut(text: string | undefined): Block | undefined {
  if (text === undefined) return undefined
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    return undefined
  }
  if (typeof json !== 'object' || json === null) return undefined
  const read = v.safeParse(SheetDraft.entries.blocks, [{ ...json, id: newId() }])
  return read.success ? read.output[0] : undefined
}
