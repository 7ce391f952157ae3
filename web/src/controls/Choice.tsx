/** A word of a sentence whose choices are few and known: a value and its words each. */
import { Word, type WordChoice } from './Word.tsx'

export type Options<Value> = readonly (readonly [Value, string])[]

export const withNow = <Value,>(options: Options<Value>, now: Value): readonly WordChoice<Value>[] =>
  options.map(([value, words]) => ({ value, words, now: value === now }))

export interface ChoiceProps<Value> {
  readonly label: string
  readonly value: Value
  readonly options: Options<Value>
  readonly take: (value: Value) => void
  /** What stands there when the value is none of the choices. */
  readonly otherwise?: string | undefined
}

export function Choice<Value>({ label, value, options, take, otherwise = '' }: ChoiceProps<Value>) {
  const at = options.findIndex(([one]) => one === value)
  const useChoices = () => withNow(options, value)
  const step = (by: number) => {
    const next = options[at + by]
    if (next) take(next[0])
  }
  return (
    <Word<Value> label={label} now={options[at]?.[1] ?? otherwise} useChoices={useChoices} take={take} step={step} />
  )
}
