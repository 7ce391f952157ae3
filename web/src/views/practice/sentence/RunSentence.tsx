/** The sentence that tells the run: every word of it is a choice. */
import { useStore } from '@nanostores/react'
import { stringIndex } from '@nestling/core/neck'
import { type NoteName, writeNote } from '@nestling/core/pitch'
import { CYCLES, nearestRule, type PlaceRule, readSuffix, writeSuffix } from '@nestling/core/practice'
import type { ReactNode } from 'react'
import { Choice, type Options } from '../../../controls/Choice.tsx'
import { FittedSentence } from '../../../controls/FittedSentence.tsx'
import { MannerWords } from '../../../controls/MannerWords.tsx'
import { Word } from '../../../controls/Word.tsx'
import { TempoWord } from '../../../shell/TempoWord.tsx'
import { $session } from '../../../state/session.ts'
import { CYCLE_WORDS, materialWords, placeWords, suffixWords, USUAL_SUFFIXES } from '../../../words/practice.ts'
import { RUN_FRET_MAX } from '../address.ts'
import type { RunPlan, Showing } from '../types.ts'
import { SHOWINGS } from '../types.ts'
import type { RunState } from '../useRun.ts'
import classes from './RunSentence.module.css'

const SHOWING_WORDS: Readonly<Record<Showing, string>> = {
  open: 'the shape',
  late: 'the shape late',
  places: 'root and places',
  root: 'the root only',
  nothing: 'nothing',
}
const BARS: Options<number> = [
  [1, 'a bar'],
  [2, 'two bars'],
  [3, 'three bars'],
  [4, 'four bars'],
]
const NEAR: Options<number | undefined> = [
  [undefined, 'where it lies best'],
  [0, 'the nut'],
  ...Array.from({ length: RUN_FRET_MAX }, (_, index) => [index + 1, `fret ${index + 1}`] as const),
]
const ROOTS: readonly NoteName[] = ['E', 'A', 'D', 'G', 'C', 'F', 'Bb', 'Eb', 'Ab', 'Db', 'Gb', 'F#', 'C#', 'G#', 'B']

export function RunSentence({ state, children }: { readonly state: RunState; readonly children: ReactNode }) {
  const { settings } = useStore($session)
  const { plan, change, neck } = state
  const count = neck.open.length
  const keepsStrings = plan.material.kind !== 'chord'
  return (
    <section aria-label="The run" className={classes['question']}>
      <FittedSentence>
        <MaterialWord state={state} />
        {!keepsStrings && (
          <>
            {' '}
            <Choice
              label="Places"
              value={placeWords(plan.rule, count)}
              options={placeOptions(plan.rule, count).map((rule) => [placeWords(rule, count), placeWords(rule, count)])}
              take={(words) =>
                change({
                  rule: placeOptions(plan.rule, count).find((rule) => placeWords(rule, count) === words) ?? plan.rule,
                })
              }
            />
          </>
        )}
        {plan.material.kind === 'chord' && plan.rule.kind !== 'orders' && (
          <>
            {', '}
            <MannerWords manner={plan.manner} habit={state.player.manner} take={(manner) => change({ manner })} />
          </>
        )}
        {plan.near !== undefined && (
          <>
            {' from '}
            <Choice<number | undefined>
              label="Begins"
              value={plan.near}
              options={NEAR}
              take={(near) => change({ near })}
            />
          </>
        )}
        {', '}
        <Choice
          label="Order of roots"
          value={plan.cycle}
          options={CYCLES.map((cycle) => [cycle, CYCLE_WORDS[cycle]])}
          take={(cycle) => change({ cycle })}
        />
        {plan.cycle !== 'stay' && plan.cycle !== 'shuffle' && (plan.down || plan.cycle !== 'fourths') && (
          <>
            {' '}
            <Choice
              label="Direction"
              value={plan.down}
              options={[
                [false, 'up'],
                [true, 'down'],
              ]}
              take={(down) => change({ down })}
            />
          </>
        )}
        {' from '}
        <Choice<NoteName>
          label="First root"
          value={plan.from}
          options={(ROOTS.includes(plan.from) ? ROOTS : [plan.from, ...ROOTS]).map((root) => [
            root,
            writeNote(root, settings.naming),
          ])}
          take={(from) => change({ from })}
        />
        {', '}
        <Choice label="Bars each" value={plan.bars} options={BARS} take={(bars) => change({ bars })} />
        {' each at '}
        <TempoWord tempo={settings.tempo} />
        {', showing '}
        <Choice
          label="What is shown"
          value={plan.showing}
          options={SHOWINGS.map((showing) => [showing, SHOWING_WORDS[showing]])}
          take={(showing) => change({ showing })}
        />{' '}
        <More state={state} />
      </FittedSentence>
      {children}
    </section>
  )
}

/** What is practised; the usual chords are offered, all others are typed. */
function MaterialWord({ state: { plan, change } }: { readonly state: RunState }) {
  const { settings } = useStore($session)
  const words = materialWords(plan.material, plan.title, settings.naming)
  const now = plan.material.kind === 'shapes' ? undefined : writeSuffix(plan.material.formula)
  const useChoices = () =>
    USUAL_SUFFIXES.map((suffix) => ({ value: suffix as string, words: suffixWords(suffix), now: suffix === now }))
  return (
    <span className={classes['material']} data-testid="run-material">
      <Word
        label="What is practised"
        now={words}
        useChoices={useChoices}
        take={(suffix) => change({ title: '', ...chordOf(suffix) })}
      />
    </span>
  )
}
const chordOf = (suffix: string): Partial<RunPlan> => {
  const formula = readSuffix(suffix)
  return formula ? { material: { kind: 'chord', formula } } : {}
}

/** In turn on the two strings that bear roots, on each of them, or the nearest; what is asked now among them. */
function placeOptions(now: PlaceRule, count: number): readonly PlaceRule[] {
  const on = (...numbers: readonly number[]): PlaceRule => ({
    kind: 'in-turn',
    strings: numbers.map((number) => stringIndex(number, count)),
  })
  const all = [
    ...(count >= 6 ? [on(5, 6), on(6, 5)] : []),
    nearestRule(count),
    ...[6, 5, 4].flatMap((number) => (number <= count ? [on(number)] : [])),
  ]
  return all.some((rule) => placeWords(rule, count) === placeWords(now, count)) ? all : [now, ...all]
}

/** What the sentence does not name while it is as usual. */
function More({ state: { plan, change } }: { readonly state: RunState }) {
  const { material } = plan
  const useChoices = () => [
    ...(material.kind === 'chord'
      ? [
          {
            value: { material: { kind: 'arpeggio', formula: material.formula } },
            words: 'one tone after another',
            now: false,
          } as const,
        ]
      : []),
    ...(material.kind === 'arpeggio'
      ? [
          {
            value: { material: { kind: 'chord', formula: material.formula } },
            words: 'all tones together',
            now: false,
          } as const,
        ]
      : []),
    {
      value: { down: !plan.down },
      words: plan.down ? 'the other way round: up' : 'the other way round: down',
      now: false,
    },
    {
      value: { all: !plan.all },
      words: plan.all ? 'only until the cycle closes' : 'all twelve: a closed cycle again a semitone lower',
      now: plan.all,
    },
    ...(plan.cycle === 'shuffle' ? [{ value: { seed: plan.seed + 1 }, words: 'shuffled anew', now: false }] : []),
  ]
  return (
    <Word<Partial<RunPlan>>
      label="More of the run: one by one, the other way, all twelve"
      now="…"
      useChoices={useChoices}
      take={change}
    />
  )
}
