/** Where the hand looks from: the roots near a shape, and the open form behind it. */
import { type Fret, type Neck, type StringNumber, stringNumber } from '../neck/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import { centreOf, type Frets, type Voicing } from '../voicing/index.ts'

export interface Landmark {
  /** 6, 5 or 4, or the three lowest of another neck. */
  readonly string: StringNumber
  readonly fret: Fret
}

/** The nearest root on each of the lowest three strings, open strings too: where the hand looks from. */
export function landmarksOf(voicing: Pick<Voicing, 'frets' | 'chord'>, neck: Neck): readonly Landmark[] {
  const centre = centreOf(voicing.frets)
  const root = pitchClassOf(voicing.chord.root)
  return [0, 1, 2].flatMap((string): readonly Landmark[] => {
    const nut = neck.nut[string]
    if (nut === undefined) return []
    let nearest: number | undefined
    for (let fret = 0; fret <= neck.lastFret; fret++) {
      const sounds = fret === 0 ? neck.open[string] === nut : fret >= (neck.firstFret[string] as number)
      if (!sounds || (nut + fret) % 12 !== root) continue
      if (nearest === undefined || Math.abs(fret - centre) < Math.abs(nearest - centre)) nearest = fret
    }
    return nearest === undefined ? [] : [{ string: stringNumber(string, neck.open.length), fret: nearest }]
  })
}

/** Open major chords of a neck in standard tuning, by the degree that each fret plays: where most players began. */
const OPEN_FORMS: readonly { readonly name: string; readonly root: number; readonly frets: Frets }[] = [
  { name: 'E', root: 4, frets: [0, 2, 2, 1, 0, 0] },
  { name: 'D', root: 2, frets: [null, null, 0, 2, 3, 2] },
  { name: 'C', root: 0, frets: [null, 3, 2, 0, 1, 0] },
  { name: 'A', root: 9, frets: [null, 0, 2, 2, 2, 0] },
  { name: 'G', root: 7, frets: [3, 2, 0, 0, 0, 3] },
]
const STANDARD_OPEN = '40,45,50,55,59,64'

/**
 * The open form that a shape comes from: the one that, moved up to the shape's root, covers most of its places, a tone
 * altered by a fret counting half.
 * @returns `undefined` on a neck in another tuning than standard.
 */
export function openFormOf(
  voicing: Pick<Voicing, 'frets' | 'chord'>,
  neck: Neck,
): { readonly name: string; readonly fret: number } | undefined {
  if (neck.nut.join() !== STANDARD_OPEN) return undefined
  const root = pitchClassOf(voicing.chord.root)
  let best: { readonly name: string; readonly fret: number; readonly likeness: number } | undefined
  for (const { name, root: own, frets } of OPEN_FORMS)
    for (let moved = (root - own + 12) % 12; moved <= neck.lastFret; moved += 12) {
      const likeness = voicing.frets.reduce<number>((sum, fret, string) => {
        const there = frets[string]
        if (fret === null || there === null || there === undefined) return sum
        const apart = Math.abs(fret - there - moved)
        return sum + (apart === 0 ? 1 : apart === 1 ? 0.5 : -0.5)
      }, 0)
      if (best === undefined || likeness > best.likeness) best = { name, fret: moved, likeness }
    }
  return best && best.likeness > 0 ? { name: best.name, fret: best.fret } : undefined
}
