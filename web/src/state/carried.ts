/**
 * The chord in hand, carried from view to view of one window: the links of the header lead to it, and every view that is
 * come back to is as it was left unless another chord was taken up meanwhile.
 *   view ─carry→ window's own storage ─addressIn→ the header's links
 */
import { writeSymbol } from '@nestling/core/chord'
import { writeTuning } from '@nestling/core/neck'
import type { Shape } from '@nestling/core/shape'
import { writeFrets } from '@nestling/core/voicing'
import { atom } from 'nanostores'
import { inWindow, keepInWindow } from './windowStorage.ts'

export type CarryingView = 'Build' | 'Map' | 'Arpeggio' | 'Key' | 'Path'

/** A shape in texts, as addresses have it. */
export interface CarriedChord {
  readonly chord: string
  /** Empty where only the chord is known. */
  readonly frets: string
  readonly tuning: string
}

export interface Carried {
  readonly inHand: CarriedChord | undefined
  /** Where each view was left, and with which chord. */
  readonly left: Readonly<Partial<Record<CarryingView, { readonly address: string; readonly inHand: CarriedChord }>>>
}

const KEY = 'carried'
export const $carried = atom<Carried>({ inHand: undefined, left: {} })

/** Reads what the window carries: once, in the browser. */
export function openCarried(): void {
  const kept = inWindow<Carried>(KEY)
  if (kept) $carried.set({ inHand: kept.inHand, left: kept.left ?? {} })
}

export const carriedOf = (
  shape: Pick<Shape, 'chord' | 'tuning'> & { readonly frets?: Shape['frets'] | undefined },
): CarriedChord => ({
  chord: writeSymbol(shape.chord, { ascii: true }),
  frets: shape.frets === undefined ? '' : writeFrets(shape.frets),
  tuning: writeTuning(shape.tuning),
})

/** What a view shows now, and where it can be found again. */
export function carry(view: CarryingView, inHand: CarriedChord, address: string): void {
  const { inHand: before, left } = $carried.get()
  // A view that knows only the chord does not take the shape out of the hand.
  const frets = inHand.frets === '' && before && same(before, inHand) ? before.frets : inHand.frets
  const next: Carried = { inHand: { ...inHand, frets }, left: { ...left, [view]: { address, inHand } } }
  $carried.set(next)
  keepInWindow(KEY, next)
}

/**
 * Where a view that has a subject of its own (a key, a tune) can be found again. What it shows replaces nothing in the hand:
 * only an act does, such as *Build*.
 */
export function leftAt(view: 'Key' | 'Path', shown: CarriedChord, address: string): void {
  const { inHand, left } = $carried.get()
  const next: Carried = { inHand, left: { ...left, [view]: { address, inHand: shown } } }
  $carried.set(next)
  keepInWindow(KEY, next)
}

const same = (a: CarriedChord, b: CarriedChord): boolean =>
  a.chord === b.chord && a.tuning === b.tuning && (a.frets === '' || b.frets === '' || a.frets === b.frets)

/** Where a view opens with the chord in hand: as it was left with it, or anew. */
export function addressIn(view: CarryingView, { inHand, left }: Carried, ownTuning: string, plain: string): string {
  if (inHand === undefined) return left[view]?.address ?? plain
  const there = left[view]
  // A key or a tune holds many chords: another one in hand is no reason to leave it.
  if (there && (view === 'Key' || view === 'Path')) return there.address
  if (view === 'Path') return plain
  if (there && same(there.inHand, inHand)) return there.address
  const query = new URLSearchParams({ chord: inHand.chord })
  if (inHand.frets !== '' && view !== 'Map') query.set('shape', inHand.frets)
  if (inHand.frets.includes('0') && view === 'Build') query.set('open', 'allow')
  if (inHand.tuning !== ownTuning) query.set('tuning', inHand.tuning)
  return `${plain}?${query.toString().replaceAll('%2C', ',')}`
}
