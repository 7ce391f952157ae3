/** A tune whose shapes are held, chosen anew: laid beside the way it is now, to be heard, set side by side, taken or left. */
import type { PathWay } from '@nestling/core/path'
import { PATH_WEIGHTS } from '@nestling/core/tune'
import { tell } from '../../state/notices.ts'
import { fretsWord } from '../../words/shapes.ts'
import { pathClient } from '../../workers/clients.ts'
import { compareAnew } from './look.ts'
import type { PathState } from './usePath.ts'

/** As by someone who opens it new: nothing held, the usual weights. */
const FREED = { held: [], weights: PATH_WEIGHTS } as const

export async function chooseAnew({ answer: { question, found } }: Pick<PathState, 'answer'>): Promise<void> {
  try {
    const way = await pathClient().find({ ...question, ...FREED, best: 1 })
    if (isSame(way, found)) return void tell.done('Chosen anew it is the same way.', 'chosen-anew')
    // Compared by the weights of the tune as it is.
    const held = way.shapes.flatMap((shape, chord) => (shape ? [{ chord, frets: shape.frets }] : []))
    compareAnew(found, await pathClient().find({ ...question, held, best: 1 }))
    tell.done('Chosen anew: it lies beside the way as it is. Hear it, take it, or leave it.', 'chosen-anew')
  } catch (error) {
    tell.problem('Not chosen anew', error instanceof Error ? error.message : String(error))
  }
}

export const takeAnew = ({ change }: Pick<PathState, 'change'>): void => change(FREED)

const isSame = (a: PathWay, b: PathWay): boolean =>
  a.shapes.every((shape, at) => fretsWord(shape?.frets ?? []) === fretsWord(b.shapes[at]?.frets ?? []))
