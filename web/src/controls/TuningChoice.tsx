/** A tuning chosen from a list: the given ones, each told by its name and its strings. */
import { NativeSelect } from '@mantine/core'
import { type Tuning, tuningLetters, writeTuning } from '@nestling/core/neck'
import type { NamingSystem } from '@nestling/core/pitch'

/** "D A D G A D", or "standard · E A D G B E" where the name says something else than the strings. */
export function tuningWords(tuning: Tuning, naming: NamingSystem): string {
  const letters = tuningLetters(tuning, naming)
  return tuning.name === letters ? letters : `${tuning.name} · ${letters}`
}

export interface TuningChoiceProps {
  readonly label: string
  readonly tunings: readonly Tuning[]
  /** `undefined` when it is none of the list. */
  readonly now: Tuning | undefined
  readonly take: (tuning: Tuning) => void
  readonly naming: NamingSystem
  /** What stands there when it is none of the list. */
  readonly otherWords?: string
  readonly width?: number | undefined
}

export function TuningChoice({ label, tunings, now, take, naming, otherWords, width }: TuningChoiceProps) {
  return (
    <NativeSelect
      size="sm"
      maw="100%"
      {...(width === undefined ? {} : { w: width })}
      label={label}
      value={now ? writeTuning(now) : ''}
      onChange={(event) => {
        const tuning = tunings.find((one) => writeTuning(one) === event.currentTarget.value)
        if (tuning) take(tuning)
      }}
      data={[
        ...(otherWords === undefined ? [] : [{ value: '', label: otherWords }]),
        ...tunings.map((tuning) => ({ value: writeTuning(tuning), label: tuningWords(tuning, naming) })),
      ]}
    />
  )
}
