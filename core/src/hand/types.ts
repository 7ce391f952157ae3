/** Thumb over the neck, then index to little finger. */
export type Finger = 'T' | 1 | 2 | 3 | 4

/**
 * What one hand holds at ease, in mm along the neck between fingertips. `stretchMm` is as far as it goes; beyond is
 * refused unless the player lifts it. Default numbers: a medium adult hand, fitted so that one finger per fret over
 * four frets at the first position of a 648 mm scale (99 mm) is the edge of comfort.
 */
export interface HandProfile {
  readonly name: string
  readonly comfortableMm: number
  readonly stretchMm: number
  /** Easy between index and middle, middle and ring, ring and little. */
  readonly pairsMm: readonly [number, number, number]
}

/** The terms of a fingering's cost; 0 is a hand at rest. Their sum orders fingerings and shapes. */
export interface FingeringCost {
  /** Fingers spread wider, or packed closer, than one finger per fret. */
  readonly spread: number
  /** The whole reach, and every two fingers further apart than is easy for them. */
  readonly stretch: number
  readonly barre: number
  /** Every finger down, the ring and little one more; a hand with none left; fingers sent up from the nut. */
  readonly fingers: number
  /** Later fingers on thicker strings. */
  readonly turned: number
  readonly crowding: number
}

export interface Barre {
  readonly finger: Finger
  readonly fret: number
  /** Outer strings under the flat finger, as indices from the lowest string. */
  readonly from: number
  readonly to: number
}

/** Who presses what: one entry per string, lowest first, `null` for open and silent strings. */
export interface Fingering {
  readonly fingers: readonly (Finger | null)[]
  readonly barres: readonly Barre[]
  readonly cost: FingeringCost
  readonly total: number
}

export type ReachVerdict = 'comfortable' | 'stretch' | 'beyond'
