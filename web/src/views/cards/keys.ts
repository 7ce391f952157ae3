/** What every key does on a card. */
import { GRADES } from '@nestling/core/practice'
import type { KeyLine } from '../../shell/keyTable.ts'
import type { CardsState } from './useCards.ts'

export function cardKeys(state: CardsState): readonly KeyLine[] {
  const { status } = state
  const hear: KeyLine = { keys: ['H'], does: 'play it', acts: { h: state.hear } }
  if (status !== 'told')
    return [
      { keys: ['1', '…', '9'], does: 'take an answer; where several are right, each on or off and Enter' },
      {
        keys: ['S'],
        does: 'look it up: it was lost then, unless you say otherwise',
        acts: status === 'asking' ? { s: state.lookUp } : {},
      },
      hear,
    ]
  return [
    { keys: ['Enter'], does: 'the next card, as it is graded', acts: { Enter: state.next } },
    {
      keys: ['1', '2', '3', '4'],
      does: 'lost, hard, had it, easy',
      acts: Object.fromEntries(GRADES.map((grade, index) => [String(index + 1), () => state.grade(grade)])),
    },
    hear,
  ]
}
