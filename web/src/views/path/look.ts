/** How the tune is looked at; no part of what is asked, so it has no step to undo and no place in the address. */

import type { PathFound, PathWay } from '@nestling/core/path'
import { requireAt } from '@nestling/core/result'
import { atom, computed } from 'nanostores'
import { $playing } from '../../sound/transport.ts'

/** How wide time is drawn, as a multiple of how it opens. */
const SCALES = [0.5, 0.7, 1, 1.4, 2, 2.8, 4] as const

export const LOOKS = ['drawing', 'systems', 'written', 'table'] as const
export type Look = (typeof LOOKS)[number]

/** Another way through, laid over the present one. It belongs to the path that it was found with. */
export interface Compared {
  readonly of: PathFound
  readonly way: PathWay
  /** All of it was chosen anew: to take it lets everything go that is held. */
  readonly isAnew: boolean
}

export const $look = atom<{
  readonly as: Look
  /** Of the drawing's time, 1 as it opens. */
  readonly scale: (typeof SCALES)[number]
  readonly compared: Compared | undefined
}>({ as: 'drawing', scale: 1, compared: undefined })

export const OWNER = 'path'
/** The place of the chord that sounds. */
export const $mark = computed($playing, ({ owner, mark }) => (owner === OWNER ? mark : undefined))

export function scaleBy(steps: number): void {
  const look = $look.get()
  const at = SCALES.indexOf(look.scale) + steps
  const scale = SCALES[Math.min(SCALES.length - 1, Math.max(0, at))] ?? 1
  if (scale !== look.scale) $look.set({ ...look, scale })
}

export function lookNext(): void {
  const look = $look.get()
  $look.set({ ...look, as: requireAt(LOOKS, (LOOKS.indexOf(look.as) + 1) % LOOKS.length) })
}

/** Lays a way over the present one, or takes it away. */
export function compare(of: PathFound, way: PathWay | undefined): void {
  $look.set({ ...$look.get(), compared: way && { of, way, isAnew: false } })
}

export function compareAnew(of: PathFound, way: PathWay): void {
  $look.set({ ...$look.get(), compared: { of, way, isAnew: true } })
}

/** What is laid over this path. */
export const comparedTo = (found: PathFound, compared: Compared | undefined): PathWay | undefined =>
  compared?.of === found ? compared.way : undefined
