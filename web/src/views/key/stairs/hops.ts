/** From step to step: how the hand hops along the string that carries the lane, as lines and words. */
import type { Chord } from '@nestling/core/chord'
import { betweenChords } from '@nestling/core/key'
import type { Lane, LaneStep } from '@nestling/core/lane'
import { ovalPath } from '../../../neck/eggPath.ts'
import { gapWords } from '../../../words/lane.ts'
import type { StairLayout } from './stairs.ts'

export interface Hop {
  /** The frets of the string that carries both steps. */
  readonly from: number
  readonly to: number
  /** `to` less `from`: below 0 where the lane goes on lower. */
  readonly by: number
}

/** `undefined` where either step has no shape, or the lane changes its string. */
export function hopTo(step: LaneStep, before: LaneStep | undefined): Hop | undefined {
  if (before?.string !== step.string) return undefined
  const from = before.shape?.frets[step.string] ?? undefined
  const to = step.shape?.frets[step.string] ?? undefined
  return from === undefined || to === undefined ? undefined : { from, to, by: to - from }
}

export interface HopWord {
  readonly x: number
  readonly y: number
  readonly anchor: 'start' | 'middle' | 'end'
  /** Of the chord in between. */
  readonly name: string
  readonly words: string
}

/** All hops of a lane: what is drawn alike is one path. */
export interface DrawnHops {
  /** Where the hand was, up to the next step's string. */
  readonly risers: string
  /** As long as each hop, with its point. */
  readonly treads: string
  /** Both, where the lane goes on lower. */
  readonly folds: string
  readonly dots: string
  /** The leapt-over frets that hold a chord in between. */
  readonly between: string
  readonly words: readonly HopWord[]
}

const [DOT, WIDE, HIGH] = [2, 6, 4.4]
/** Nearer to the nut than this, the name of a chord in between stands behind the shape. */
const NAME_ROOM = 66

export function drawnHops({ steps }: Lane, layout: StairLayout, symbolOf: (chord: Chord) => string): DrawnHops {
  const { tipX, stringY, direction, nut } = layout
  const all = { risers: '', treads: '', folds: '', dots: '', between: '' }
  const words: HopWord[] = []
  for (const [index, step] of steps.entries()) {
    const before = steps[index - 1]
    const hop = hopTo(step, before)
    if (!before || !hop) continue
    const { from, by } = hop
    const y = stringY(step.step, step.string)
    const [a, b] = [tipX(from), tipX(hop.to)]
    const side = Math.sign(b - a)
    const end = b - side * 11
    const riser = `M${a} ${stringY(before.step, step.string)}V${y}`
    const bend = `${(a + end) / 2} ${y - (by < 0 ? 26 : 8)}`
    const tread = `M${a} ${y}Q${bend} ${end} ${y - 2}l${-5 * side} -4M${end} ${y - 2}l${-6 * side} 2`
    all.dots += ovalPath(a, y, DOT, DOT)
    if (by < 0) {
      all.folds += riser + tread
      const why = step.gap ? `: lower, ${gapWords(step.gap)}` : ''
      words.push({ x: (a + b) / 2, y: y - 15, anchor: 'middle', name: '', words: `−${-by}${why}` })
      continue
    }
    all.risers += riser
    all.treads += tread
    const between =
      by === 2 ? betweenChords(before.chord, step.chord).find(({ reason }) => reason === 'leading') : undefined
    const name = between ? symbolOf(between.chord) : ''
    const hasRoom = Math.abs(a - nut) > NAME_ROOM
    const [behind, ahead] = direction === 1 ? (['end', 'start'] as const) : (['start', 'end'] as const)
    const told = { x: a - direction * 6, y: y + 3.5, anchor: behind, words: `+${by}` }
    words.push({ ...told, name: hasRoom ? name : '' })
    if (!between) continue
    all.between += ovalPath(tipX(from + 1), y, WIDE, HIGH)
    if (hasRoom) continue
    const tips = (step.shape?.frets ?? []).flatMap((fret) => (fret === null ? [] : [tipX(fret)]))
    const beyond = (direction === 1 ? Math.max(...tips) : Math.min(...tips)) + direction * 16
    words.push({ x: beyond, y: y + 3.5, anchor: ahead, name, words: '' })
  }
  return { ...all, words }
}

/** Through the tones of each shape, string by string; open ones are left out. */
export function threads({ steps }: Lane, { tipX, stringY }: StairLayout): string {
  const points = ({ step, shape, instead }: LaneStep) =>
    ((shape ?? instead?.shape)?.frets ?? []).flatMap((fret, string) =>
      fret === null || fret === 0 ? [] : [`${tipX(fret)} ${stringY(step, string)}`],
    )
  return steps
    .map((step) =>
      points(step)
        .map((point, index) => `${index === 0 ? 'M' : 'L'}${point}`)
        .join(''),
    )
    .join('')
}
