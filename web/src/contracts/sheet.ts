/** Sheets over HTTP and in the database: core's document, checked. */
import { INKS, NECK_WAYS, PAPERS, SHEET_LABELS, type Sheet, UNDER_NECKS } from '@nestling/core/sheet'
import * as v from 'valibot'
import { shapeEntries } from './shape.ts'
import { id, name, text, version } from './text.ts'

export const MOST_BLOCKS = 40
const MOST_SHAPES = 120
const MOST_BAR = 512

const blockId = v.pipe(v.string(), v.minLength(1), v.maxLength(40))
const bar = v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_BAR)))
const under = v.picklist(UNDER_NECKS, UNDER_NECKS.join(', '))

const source = v.variant('kind', [
  v.strictObject({ kind: v.literal('kept'), tune: id }),
  v.strictObject({
    kind: v.literal('own'),
    chart: text(20_000),
    tuning: text(80),
    frets: v.pipe(v.array(v.nullable(text(60))), v.maxLength(MOST_BAR)),
  }),
])

const block = v.variant('kind', [
  v.strictObject({ id: blockId, kind: v.literal('title'), text: text(120), aside: text(160) }),
  v.strictObject({ id: blockId, kind: v.literal('chart'), source, from: bar, to: bar, under, moves: v.boolean() }),
  v.strictObject({
    id: blockId,
    kind: v.literal('key'),
    key: text(40),
    depth: v.picklist(['triads', 'sevenths', 'ninths']),
    roots: v.pipe(v.array(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(10))), v.maxLength(3, 'at most 3')),
    formulas: v.boolean(),
  }),
  v.strictObject({ id: blockId, kind: v.literal('map'), chord: text(48), arrangement: text(60) }),
  v.strictObject({
    id: blockId,
    kind: v.literal('arpeggio'),
    chord: text(48),
    at: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(30)),
    under,
  }),
  v.strictObject({
    id: blockId,
    kind: v.literal('shapes'),
    title: text(120),
    shapes: v.pipe(
      v.array(v.strictObject({ ...shapeEntries, name: text(60), note: text(500) })),
      v.maxLength(MOST_SHAPES, `at most ${MOST_SHAPES} shapes`),
    ),
  }),
  v.strictObject({ id: blockId, kind: v.literal('words'), text: text(4000) }),
  v.strictObject({ id: blockId, kind: v.literal('legend') }),
])

const look = {
  paper: v.picklist(PAPERS, PAPERS.join(', ')),
  lying: v.boolean(),
  barsALine: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(8, 'at most 8')),
  necks: v.picklist(NECK_WAYS, NECK_WAYS.join(', ')),
  labels: v.picklist(SHEET_LABELS, SHEET_LABELS.join(', ')),
  ink: v.picklist(INKS, INKS.join(', ')),
  blocks: v.pipe(
    v.array(block),
    v.maxLength(MOST_BLOCKS, `at most ${MOST_BLOCKS} blocks`),
    v.check((all) => new Set(all.map((one) => one.id)).size === all.length, 'each block with an id of its own'),
  ),
}

export const SheetDraft = v.strictObject({ title: name(60), ...look })
export type SheetDraft = v.InferOutput<typeof SheetDraft>
export const SheetChange = v.strictObject({ ...SheetDraft.entries, version })
export type SheetChange = v.InferOutput<typeof SheetChange>
/** All of a sheet but its title, which has a column of its own. */
export type SheetBody = Omit<SheetDraft, 'title'>

export interface KeptSheet extends SheetDraft {
  readonly id: number
  readonly version: number
  /** ISO 8601. */
  readonly createdAt: string
}

/** The contract and core's own type are one. */
export const sheetOf = ({ id: _id, version: _version, createdAt: _at, ...sheet }: KeptSheet): Sheet => sheet
