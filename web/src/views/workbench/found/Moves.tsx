/** What the arrows and brackets do with the shape in hand, as places to press. */
import { memo } from 'react'
import { moveHand, nextInversion, nextStrings } from '../moving.ts'
import classes from './Found.module.css'

type Move = readonly [cap: string, words: string, move: () => unknown]

const MOVES: readonly (readonly [string, readonly Move[]])[] = [
  [
    'fret',
    [
      ['←', 'A fret towards the nut', () => moveHand(-1)],
      ['→', 'A fret towards the bridge', () => moveHand(1)],
    ],
  ],
  [
    'inversion',
    [
      ['↓', 'Next inversion down the neck', () => nextInversion(-1)],
      ['↑', 'Next inversion up the neck', () => nextInversion(1)],
    ],
  ],
  [
    'strings',
    [
      ['[', 'Towards the low strings', () => nextStrings(-1)],
      [']', 'Towards the high strings', () => nextStrings(1)],
    ],
  ],
]

export const Moves = memo(function Moves() {
  return (
    <div className={classes['moves']} role="group" aria-label="Move the shape">
      {MOVES.map(([about, moves]) => (
        <span key={about}>
          {about}
          {moves.map(([cap, words, move]) => (
            <button
              key={cap}
              type="button"
              className={classes['key']}
              aria-label={words}
              onClick={move}
              data-keeps-presses
            >
              {cap}
            </button>
          ))}
        </span>
      ))}
    </div>
  )
})
