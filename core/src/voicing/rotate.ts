/** The family of a voicing along its own strings, and the same arrangement or the same pitches elsewhere. */
import type { Neck } from '../neck/index.ts'
import type { Frets, Voicing } from './types.ts'
import { voicingOf } from './voicing.ts'

/**
 * Rotates a voicing: every voice steps to the next sounded tone up (1) or down (−1) on its own string. Rotating as
 * many times as there are tones gives the same voicing an octave away.
 * @returns `undefined` when a voice would leave the frets that can be pressed.
 */
export function rotate(voicing: Voicing, neck: Neck, direction: 1 | -1): Voicing | undefined {
  const sounded = new Set(voicing.midis.flatMap((midi) => (midi === null ? [] : [midi % 12])))
  const frets: (number | null)[] = []
  for (const [string, midi] of voicing.midis.entries()) {
    if (midi === null) {
      frets.push(null)
      continue
    }
    let next = midi + direction
    while (!sounded.has(((next % 12) + 12) % 12)) next += direction
    const fret = next - (neck.nut[string] as number)
    if (fret < (neck.firstFret[string] as number) || fret > neck.lastFret) return undefined
    frets.push(fret)
  }
  return voicingOf(voicing.chord, frets, neck)
}

/** All rotations of a voicing that the neck holds, from the nut upwards, the voicing itself among them. */
export function rotations(voicing: Voicing, neck: Neck): readonly Voicing[] {
  const family: Voicing[] = [voicing]
  for (let next = rotate(voicing, neck, -1); next; next = rotate(next, neck, -1)) family.unshift(next)
  for (let next = rotate(voicing, neck, 1); next; next = rotate(next, neck, 1)) family.push(next)
  return family
}

/**
 * The same frets moved along the neck, as a player slides a hand.
 * @returns `undefined` when an open string would have to move or a fret can't be pressed there.
 */
export function slide(frets: Frets, neck: Neck, by: number): Frets | undefined {
  const moved = frets.map((fret) => (fret === null ? null : fret + by))
  const fits = moved.every(
    (fret, string) =>
      fret === null || (frets[string] !== 0 && fret >= (neck.firstFret[string] as number) && fret <= neck.lastFret),
  )
  return fits ? moved : undefined
}
