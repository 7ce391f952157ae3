import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { withoutWishLines } from './wishLines.ts'

const player = playerOf(DEFAULT_SETTINGS)
const TUNE = '| Dm7 | G7 | Cmaj7 | % |'

test.each([
  [
    'shells 643 or 543',
    {
      school: 'shell',
      strings: [
        [0, 2, 3],
        [1, 2, 3],
      ],
      voices: 3,
    },
  ],
  ['rootless 4 3 2', { school: 'drop-root', strings: [[2, 3, 4]], voices: 3 }],
  ['open', { manner: 'open', open: 'allow' }],
  ['barre frets 5-9', { manner: 'barre', fretMin: 5, fretMax: 9 }],
  ['no 5 on 5432', { school: 'drop-fifth', strings: [[1, 2, 3, 4]], voices: 4 }],
])('%s is a wish, above the tune and below it', (line, wishes) => {
  expect(withoutWishLines(`${line}\n${TUNE}`, player)).toMatchObject({ wishes })
  const below = withoutWishLines(`${TUNE}\n${line}`, player)
  expect(below.wishes).toMatchObject(wishes)
  expect(below.chart.split('\n')).toEqual([TUNE, ' '.repeat(line.length)])
})

test.each(['key: Ab', 'Dm7 G7 Cmaj7', '6 2 5 1', '5 4 3 2', 'ii V I', 'Slow Ferry', 'x32010 320003', 'open sesame'])(
  '%s is of the tune',
  (line) => expect(withoutWishLines(`${line}\n${TUNE}`, player)).toEqual({ chart: `${line}\n${TUNE}`, wishes: {} }),
)
