/** Fingers as players write them, lowest string first: `x1324x`, `T` for the thumb over the neck. */
import type { Finger } from '../hand/index.ts'
import { fail, ok, piece, type Result } from '../result/index.ts'
import type { Frets } from '../voicing/index.ts'
import type { Fingers, FingersError } from './types.ts'

const FINGERS: Readonly<Record<string, Finger | null>> = { x: null, T: 'T', '1': 1, '2': 2, '3': 3, '4': 4 }

/** @param frets What they press: a finger belongs to a pressed string. */
export function readFingers(text: string, frets: Frets): Result<Fingers, FingersError> {
  if (text.length !== frets.length)
    return fail({ code: 'finger_count', at: 0, text: piece(text), count: text.length, strings: frets.length })
  const fingers: (Finger | null)[] = []
  for (const [string, sign] of [...text].entries()) {
    const finger = FINGERS[sign]
    if (finger === undefined) return fail({ code: 'not_a_finger', at: string, text: sign })
    if (finger !== null && !frets[string]) return fail({ code: 'finger_idle', at: string, text: sign })
    fingers.push(finger)
  }
  return ok(fingers)
}

export const writeFingers = (fingers: Fingers): string => fingers.map((finger) => finger ?? 'x').join('')
