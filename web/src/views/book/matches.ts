/** Whether a kept shape is found by what was typed. */
import type { KeptShape } from '../../contracts/shape.ts'

const plain = (text: string): string => text.toLowerCase().replaceAll('♭', 'b').replaceAll('♯', '#')

/** Every word of the search must be in its name, chord, frets or note. */
export const matches = ({ name, chord, frets, note }: KeptShape, find: string): boolean =>
  plain(find)
    .split(/\s+/)
    .every((word) => plain(`${name} ${chord} ${frets} ${note}`).includes(word))
