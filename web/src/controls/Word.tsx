/** A word of a sentence that opens its choices, each with what it would give where that is counted. */
import { Menu } from '@mantine/core'
import { useRef, useState } from 'react'
import sentence from './sentence.module.css'
import classes from './Word.module.css'

export interface WordChoice<Value> {
  readonly value: Value
  readonly words: string
  readonly now: boolean
  /** Playable shapes that it would give; `undefined` while they are not counted. */
  readonly count?: number | undefined
}

export interface WordProps<Value> {
  /** What the word is about: "Arrangement". */
  readonly label: string
  /** As it stands in the sentence. */
  readonly now: string
  /** A hook, called only while the list is open: the list is made then, so that a closed word costs little. */
  readonly useChoices: () => readonly WordChoice<Value>[]
  readonly take: (value: Value) => void
  /** What the counts are counts of; without it there are none. */
  readonly counted?: string | undefined
  /** Takes the choice before (−1) or after (1) the present one, at once: what ↑ and ↓ do on the closed word. */
  readonly step?: ((by: 1 | -1) => void) | undefined
}

export function Word<Value>({ label, now, useChoices, take, counted, step }: WordProps<Value>) {
  const [opened, setOpened] = useState(false)
  const isByPointer = useRef(false)
  const id = `word-${label.replaceAll(' ', '-')}`
  const button = (
    // A plain one: a sentence of ten words is drawn anew with every key that is typed.
    <button
      type="button"
      id={id}
      className={sentence['word']}
      aria-label={`${label}: ${now}`}
      aria-haspopup="menu"
      aria-expanded={opened}
      onClick={() => setOpened(true)}
      onKeyDown={(event) => {
        if (!step || (event.key !== 'ArrowDown' && event.key !== 'ArrowUp')) return
        event.preventDefault()
        step(event.key === 'ArrowDown' ? 1 : -1)
      }}
    >
      {now}
    </button>
  )
  if (!opened) return button
  const close = () => {
    setOpened(false)
    // Whoever chose with the mouse goes on in the page: Space plays then, and does not press the word again.
    if (!isByPointer.current) requestAnimationFrame(() => document.getElementById(id)?.focus())
    isByPointer.current = false
  }
  return (
    <Menu opened onChange={close} position="bottom-start">
      <Menu.Target>{button}</Menu.Target>
      <Menu.Dropdown>
        <Choices<Value>
          label={label}
          useChoices={useChoices}
          take={(value, byPointer) => {
            isByPointer.current = byPointer
            take(value)
          }}
          counted={counted}
        />
      </Menu.Dropdown>
    </Menu>
  )
}

function Choices<Value>({
  label,
  useChoices,
  take,
  counted,
}: Pick<WordProps<Value>, 'label' | 'useChoices' | 'counted'> & {
  readonly take: (value: Value, byPointer: boolean) => void
}) {
  // What would find nothing comes last; it can still be taken.
  const choices = useChoices().toSorted((a, b) => Number(a.count === 0) - Number(b.count === 0))
  return (
    <>
      <Menu.Label className={classes['head']}>
        {label} {counted !== undefined && <span>{counted}</span>}
      </Menu.Label>
      {choices.map(({ value, words, now, count }) => (
        <Menu.RadioItem
          key={words}
          value={words}
          checked={now}
          // A key presses it without a place.
          onClick={(click) => take(value, click.detail > 0)}
          closeMenuOnClick
          fw={now ? 700 : 400}
          data-empty={count === 0 || undefined}
          className={classes['choice']}
          rightSection={
            counted === undefined ? undefined : (
              <span className={classes['count']} data-testid="choice-count">
                {count ?? '…'}
              </span>
            )
          }
        >
          {words}
        </Menu.RadioItem>
      ))}
    </>
  )
}
