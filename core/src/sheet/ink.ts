/** What a role is printed as: the colours of day, greys, or black alone; fillings tell tones apart in all three. */
import type { Role } from './marks.ts'
import type { Ink } from './types.ts'

export interface InkColours extends Readonly<Record<Role, string>> {
  readonly paper: string
  /** Under the dots of thirds, the strokes of sevenths, between the rims of extensions. */
  readonly thirdWash: string
  readonly seventhWash: string
  readonly extensionWash: string
}

export const INK_COLOURS: Readonly<Record<Ink, InkColours>> = {
  colour: {
    paper: '#ffffff',
    ink: '#22302b',
    soft: '#56635c',
    rule: '#d9d2c2',
    string: '#4a5650',
    ease: '#4f7361',
    third: '#b97a12',
    seventh: '#a94a26',
    fifth: '#4f7361',
    extension: '#356489',
    thirdWash: '#f6e6c2',
    seventhWash: '#f3d6c6',
    extensionWash: '#d9e6f0',
  },
  grey: {
    paper: '#ffffff',
    ink: '#1c1c1c',
    soft: '#5a5a5a',
    rule: '#cfcfcf',
    string: '#505050',
    ease: '#6f6f6f',
    third: '#5f5f5f',
    seventh: '#3a3a3a',
    fifth: '#5a5a5a',
    extension: '#4a4a4a',
    thirdWash: '#ececec',
    seventhWash: '#d6d6d6',
    extensionWash: '#e2e2e2',
  },
  black: {
    paper: '#ffffff',
    ink: '#000000',
    soft: '#000000',
    rule: '#000000',
    string: '#000000',
    ease: '#000000',
    third: '#000000',
    seventh: '#000000',
    fifth: '#000000',
    extension: '#000000',
    thirdWash: '#ffffff',
    seventhWash: '#ffffff',
    extensionWash: '#ffffff',
  },
}
