/** Where a card is answered: a field, one of several, or some of several; digits take them. */
import { useStore } from '@nanostores/react'
import { type Degree, withSigns } from '@nestling/core/pitch'
import type { CardAnswer } from '@nestling/core/practice'
import { type FormEvent, useEffect, useRef, useState } from 'react'
import { $player, $session } from '../../state/session.ts'
import { answeringOf, type Option, readAnswer } from './answering.ts'
import classes from './CardsView.module.css'
import type { Asked } from './useCards.ts'

export interface AnswerProps {
  readonly asked: Asked
  readonly answer: (answer: CardAnswer) => void
  readonly lookUp: () => void
}

export function Answer({ asked, answer }: AnswerProps) {
  const { settings } = useStore($session)
  const answering = answeringOf(asked.card, settings.naming)
  switch (answering.kind) {
    case 'text':
      return <Typed asked={asked} expects={answering.expects} example={answering.example} answer={answer} />
    case 'one':
      return <One options={answering.options} answer={answer} />
    case 'some':
      return <Some degrees={answering.degrees} answer={answer} />
  }
}

const EXPECTED = { frets: 'its frets, such as', symbol: 'a chord, such as', note: 'a note, such as' } as const

function Typed({
  asked,
  expects,
  example,
  answer,
}: {
  readonly asked: Asked
  readonly expects: 'frets' | 'symbol' | 'note'
  readonly example: string
  readonly answer: AnswerProps['answer']
}) {
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState(false)
  const field = useRef<HTMLInputElement>(null)
  // One question at a time: its field is where the player is.
  useEffect(() => field.current?.focus(), [])
  const give = (event: FormEvent) => {
    event.preventDefault()
    const given = readAnswer(text, expects, asked.neck.open.length, $player.get().naming)
    if (!given) return setWrong(true)
    // The key that answered must not turn the card as well.
    field.current?.blur()
    return answer(given)
  }
  return (
    <form className={classes['typed']} onSubmit={give}>
      <label>
        <span>
          {EXPECTED[expects]} <code>{example}</code>
        </span>
        <input
          ref={field}
          className="plain-field"
          value={text}
          onChange={(event) => {
            setText(event.currentTarget.value)
            setWrong(false)
          }}
          onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
          aria-invalid={wrong}
          aria-label="Answer"
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          maxLength={60}
        />
      </label>
      {wrong && (
        <p role="alert">
          {text.trim() === '' ? 'Nothing is there yet' : `${text} is not ${EXPECTED[expects].replace(', such as', '')}`}
          ; expected something like {example}. Escape and S look it up.
        </p>
      )}
    </form>
  )
}

/** Digits press what stands behind them, while no field has the focus. */
function useDigits(count: number, press: (index: number) => void, enter?: () => void) {
  const newest = useRef({ press, enter })
  newest.current = { press, enter }
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.target instanceof HTMLInputElement) return
      const index = Number(event.key) - 1
      if (/^[1-9]$/.test(event.key) && index < count) {
        event.preventDefault()
        event.stopImmediatePropagation()
        newest.current.press(index)
      } else if (event.key === 'Enter' && newest.current.enter) {
        event.preventDefault()
        event.stopImmediatePropagation()
        newest.current.enter()
      }
    }
    window.addEventListener('keydown', onKey, true)
    return () => window.removeEventListener('keydown', onKey, true)
  }, [count])
}

function One({ options, answer }: { readonly options: readonly Option[]; readonly answer: AnswerProps['answer'] }) {
  const take = (index: number) => {
    const option = options[index]
    if (option) answer(option.answer)
  }
  useDigits(options.length, take)
  return (
    <div role="group" aria-label="Answers" className={classes['options']}>
      {options.map(({ words }, index) => (
        <button key={words} type="button" className={classes['option']} onClick={() => take(index)}>
          {words} <kbd>{index + 1}</kbd>
        </button>
      ))}
    </div>
  )
}

function Some({ degrees, answer }: { readonly degrees: readonly Degree[]; readonly answer: AnswerProps['answer'] }) {
  const [taken, setTaken] = useState<readonly Degree[]>([])
  const turn = (index: number) => {
    const degree = degrees[index]
    if (degree) setTaken((now) => (now.includes(degree) ? now.filter((one) => one !== degree) : [...now, degree]))
  }
  const give = () => answer({ kind: 'degrees', degrees: taken })
  useDigits(degrees.length, turn, give)
  return (
    <div role="group" aria-label="Answers" className={classes['options']}>
      {degrees.map((degree, index) => (
        <button
          key={degree}
          type="button"
          className={classes['option']}
          aria-pressed={taken.includes(degree)}
          onClick={() => turn(index)}
        >
          {withSigns(degree)} <kbd>{index + 1}</kbd>
        </button>
      ))}
      <button type="button" className={classes['option']} data-main onClick={give}>
        {taken.length === 0 ? 'none of them' : 'these'} <kbd>Enter</kbd>
      </button>
    </div>
  )
}
