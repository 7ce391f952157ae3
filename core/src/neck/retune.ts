/** From one tuning to another: which way each string goes and how far, and what that does to it. */

import { type Midi, midiOf, type Pitch } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
import { stringNumber } from './neck.ts'
import type { StringNumber, Tuning } from './types.ts'

/** Above its design pitch by more than this a string may snap: another gauge, and eye protection. */
export const MOST_SEMITONES_UP = 2

export interface StringChange {
  /** 1 is the highest. */
  readonly number: StringNumber
  readonly from: Pitch
  readonly to: Pitch
  /** Up positive. */
  readonly semitones: number
  /** Tuned more than two semitones above the pitch that it was made for. */
  readonly risky: boolean
}

/**
 * Directions per string, lowest first, from the tuning that the strings are in.
 * @param design What the strings were made for: the instrument's own tuning.
 * @returns `undefined` when the tunings have different numbers of strings.
 */
export function retuning(from: Tuning, to: Tuning, design: Tuning): readonly StringChange[] | undefined {
  const count = from.strings.length
  if (to.strings.length !== count || design.strings.length !== count) return undefined
  return from.strings.map((pitch, index) => {
    const target = requireAt(to.strings, index)
    const made = requireAt(design.strings, index)
    return {
      number: stringNumber(index, count),
      from: pitch,
      to: target,
      semitones: midiOf(target) - midiOf(pitch),
      risky: midiOf(target) - midiOf(made) > MOST_SEMITONES_UP,
    }
  })
}

export interface StringGauge {
  /** Outer diameter in mm. */
  readonly diameterMm: number
  readonly wound: boolean
}

/** Steel; a wound string weighs less than a solid one of its diameter, because its wrap is round and leaves gaps. */
const STEEL_KG_PER_M3 = 7850
const WOUND_SHARE = 0.86

/**
 * The pull of a string in newtons, an estimate: T = μ·(2·L·f)², with μ = density · π·d²/4 (a wound string 0.86 of it).
 * Source: a string's fundamental is f = √(T/μ) / 2L.
 */
export function tensionN(gauge: StringGauge, scaleLengthMm: number, midi: Midi): number {
  const frequency = 440 * 2 ** ((midi - 69) / 12)
  const radius = gauge.diameterMm / 2000
  const perMetre = STEEL_KG_PER_M3 * Math.PI * radius ** 2 * (gauge.wound ? WOUND_SHARE : 1)
  return perMetre * (2 * (scaleLengthMm / 1000) * frequency) ** 2
}

/** Diameters that shops sell, in thousandths of an inch; from 22 up they are wound. */
const GAUGES_MIL = [
  8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 20, 22, 24, 26, 28, 30, 32, 34, 36, 38, 40, 42, 44, 46, 48, 50, 52, 54, 56,
  59, 62, 64, 68, 70, 74, 80, 85, 90, 95, 100, 105, 110, 120, 130,
]
const FIRST_WOUND_MIL = 22
const MIL_MM = 0.0254
/** Between a light and a medium set. */
const USUAL_TENSION_N = 80

/** The usual gauge for a pitch: the one that pulls nearest to 80 N. */
export function usualGauge(scaleLengthMm: number, midi: Midi): StringGauge {
  const gauges = GAUGES_MIL.map((mil): StringGauge => ({ diameterMm: mil * MIL_MM, wound: mil >= FIRST_WOUND_MIL }))
  const off = (gauge: StringGauge) => Math.abs(tensionN(gauge, scaleLengthMm, midi) - USUAL_TENSION_N)
  return gauges.reduce((best, gauge) => (off(gauge) < off(best) ? gauge : best))
}
