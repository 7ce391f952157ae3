/** A word of the sentence, each of its choices with the number of playable shapes that it would give. */
import { useStore } from '@nanostores/react'
import type { NamingSystem } from '@nestling/core/pitch'
import { type ChoiceField, choicesOf, type Question } from '@nestling/core/request'
import { memo, useEffect } from 'react'
import { Word, type WordChoice } from '../../../controls/Word.tsx'
import { $counts, $workbench, countWord, takeQuestion, type WorkbenchState } from '../../../state/workbench/index.ts'
import { choiceWords, wordOf } from '../../../words/choices.ts'

export interface CountedWordProps {
  readonly field: ChoiceField
  readonly label: string
  readonly question: WorkbenchState['question']
  readonly player: WorkbenchState['player']
  readonly naming: NamingSystem
}

/** The next choice that would find something, as far as that is counted. */
function stepWord(field: ChoiceField, by: 1 | -1) {
  const state = $workbench.get()
  if (!state) return
  const { question, player } = state
  const counts = $counts.get()[field]
  const choices = choicesOf(field, question, player)
  const now = choices.findIndex(
    (choice) => wordOf(field, choice, player, 'letters') === wordOf(field, question, player, 'letters'),
  )
  for (let at = now + by; at >= 0 && at < choices.length; at += by) {
    const choice = choices[at]
    if (choice && counts?.[at] !== 0) return takeQuestion(choice)
  }
}

export const CountedWord = memo(function CountedWord({ field, label, question, player, naming }: CountedWordProps) {
  const useChoices = (): readonly WordChoice<Question>[] => {
    const counts = useStore($counts)[field]
    useEffect(() => {
      const state = $workbench.get()
      if (state) countWord(field, state)
    }, [])
    const now = choiceWords(field, question, player, naming)
    return choicesOf(field, question, player).map((choice, index) => {
      const words = choiceWords(field, choice, player, naming)
      return { value: choice, words, now: words === now, count: counts?.[index] }
    })
  }
  return (
    <Word
      label={label}
      now={wordOf(field, question, player, naming)}
      useChoices={useChoices}
      take={takeQuestion}
      counted="playable shapes"
      step={(by) => stepWord(field, by)}
    />
  )
})
