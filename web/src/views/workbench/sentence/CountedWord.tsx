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
    />
  )
})
