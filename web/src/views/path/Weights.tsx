/** What counts, in one line: each number is a control, and the path follows at once. */
import { PATH_WEIGHTS, type PathWeights } from '@nestling/core/tune'
import { memo, useState } from 'react'
import { leaveField } from '../../controls/leaving.ts'
import { WEIGHT_WORDS } from '../../words/path.ts'
import type { PathState } from './usePath.ts'
import classes from './Weights.module.css'

const NAMES = Object.keys(WEIGHT_WORDS) as readonly (keyof PathWeights)[]

export const Weights = memo(function Weights({ state }: { readonly state: PathState }) {
  const { weights } = state.answer.plan
  const isUsual = NAMES.every((name) => weights[name] === PATH_WEIGHTS[name])
  return (
    <section data-not-on-paper aria-label="What counts" className={classes['line']}>
      <b>What counts</b>
      {NAMES.map((name) => (
        <Weight
          key={name}
          name={name}
          value={weights[name]}
          take={(value) => state.change({ weights: { ...weights, [name]: value } })}
        />
      ))}
      {isUsual ? (
        <span className={classes['exact']}>exact: none costs less</span>
      ) : (
        <button type="button" onClick={() => state.change({ weights: PATH_WEIGHTS })}>
          as usual
        </button>
      )}
    </section>
  )
})

/** Each weight goes in steps of a tenth of what it begins with, rounded to what can be read. */
const stepOf = (name: keyof PathWeights): number => Math.max(0.01, Math.abs(PATH_WEIGHTS[name]) / 5)
const rounded = (value: number): number => Math.round(value * 1000) / 1000

function Weight({
  name,
  value,
  take,
}: {
  readonly name: keyof PathWeights
  readonly value: number
  readonly take: (value: number) => void
}) {
  const [text, setText] = useState<string | undefined>(undefined)
  const [words, per] = WEIGHT_WORDS[name]
  return (
    <label className={classes['weight']} title={`${words}: ↑ ↓ change it, and the path follows`}>
      {words}{' '}
      <input
        inputMode="decimal"
        value={text ?? String(value).replace('-', '−')}
        aria-label={`${words}${per === '' ? '' : `, ${per}`}`}
        size={4}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={() => {
          const number = Number(text?.replace('−', '-'))
          if (text !== undefined && text.trim() !== '' && Number.isFinite(number) && Math.abs(number) <= 100)
            take(number)
          setText(undefined)
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' || event.key === 'Escape') leaveField(event.currentTarget)
          if (event.key === 'Escape') setText(undefined)
          const by = { ArrowUp: 1, ArrowDown: -1 }[event.key]
          if (by === undefined) return
          event.preventDefault()
          take(rounded(value + by * stepOf(name)))
        }}
      />{' '}
      {per}
    </label>
  )
}
