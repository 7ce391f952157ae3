import { expect, test } from 'vitest'
import { handOn } from '../hand/index.ts'
import { neckOf } from '../neck/index.ts'
import { readTypedLine } from '../request/index.ts'
import { PLAYER } from '../request/player.testkit.ts'
import { must } from '../result/index.ts'
import { fretsAt } from '../voicing/index.ts'
import { shapesFor, tasteOfShape } from './index.ts'

test.each(['Cmaj7 drop2 5432', 'A barre', 'G open', 'F#m7b5', 'C9 shell'])(
  'the terms of every shape of %s add up to the score that puts it in its place',
  (line) => {
    const { question } = must(readTypedLine(line, PLAYER))
    const found = shapesFor(question, PLAYER, 20)
    const { bestFingering } = handOn(neckOf(PLAYER.instrument), PLAYER.hand, { thumb: PLAYER.thumb })
    expect(found.playable).toBeGreaterThan(0)
    for (let row = 0; row < Math.min(found.shown, found.playable); row++) {
      const frets = fretsAt(found, row)
      const fingering = bestFingering(frets)
      if (!fingering) throw new Error(`nobody holds ${frets}`)
      const { total, parts } = tasteOfShape(question, PLAYER, frets, fingering)
      expect(total).toBeCloseTo(found.scores[row] as number, 3)
      expect(parts.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo(total, 9)
    }
  },
)
