/** A value of the drawing to type on: what is wrong stays in it, with its reason beside; Escape brings back what was. */
import { useState } from 'react'
import classes from './Drawing.module.css'

export interface FieldProps {
  readonly label: string
  readonly value: string
  readonly before?: string | undefined
  readonly after?: string | undefined
  readonly width: number
  readonly isNumber?: boolean
  /** Why a text can't be taken; `undefined` when it can. */
  readonly problemOf: (text: string) => string | undefined
  /** @returns Why it was refused after all; nothing when it was kept. */
  readonly take: (text: string) => Promise<string | undefined>
  readonly id?: string | undefined
}

export function Field({ label, value, before, after, width, isNumber = false, problemOf, take, id }: FieldProps) {
  const [typed, setTyped] = useState<string | undefined>(undefined)
  const [refused, setRefused] = useState<string | undefined>(undefined)
  const problem = typed === undefined ? undefined : (problemOf(typed) ?? refused)
  const name = id ?? `field-${label.replaceAll(/[^a-z]+/gi, '-')}`
  const finish = async () => {
    if (typed === undefined || problemOf(typed) !== undefined) return
    if (typed.trim() === value) {
      setTyped(undefined)
      return
    }
    const why = await take(typed)
    setRefused(why)
    if (why === undefined) setTyped(undefined)
  }
  return (
    <span className={classes['field']}>
      {before !== undefined && <span aria-hidden="true">{before}</span>}
      <input
        id={name}
        aria-label={label}
        aria-invalid={problem !== undefined}
        aria-describedby={problem === undefined ? undefined : `${name}-problem`}
        inputMode={isNumber ? 'decimal' : undefined}
        value={typed ?? value}
        style={{ width }}
        spellCheck={false}
        autoComplete="off"
        maxLength={120}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => {
          setRefused(undefined)
          setTyped(event.currentTarget.value)
        }}
        onBlur={() => void finish()}
        onKeyDown={(event) => {
          // What is right is left by Enter, and kept as it is left.
          if (event.key === 'Enter' && (typed === undefined || problemOf(typed) === undefined))
            event.currentTarget.blur()
          if (event.key !== 'Escape') return
          setTyped(undefined)
          setRefused(undefined)
          event.currentTarget.blur()
        }}
      />
      {after !== undefined && <span aria-hidden="true">{after}</span>}
      {problem !== undefined && (
        <span id={`${name}-problem`} role="alert" className={classes['problem']}>
          {problem}
        </span>
      )}
    </span>
  )
}
