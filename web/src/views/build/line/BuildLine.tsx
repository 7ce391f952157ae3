/** The build line: one sentence in which every word is a control, and the field to type it. */

import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { tuningLetters } from '@nestling/core/neck'
import { type Degree, withSigns } from '@nestling/core/pitch'
import { degreeName, degreeSign } from '../../../neck/tone.ts'
import { type BuildState, choose, typeLine } from '../../../state/build.ts'
import { $session } from '../../../state/session.ts'
import { LINE_INPUT_ID } from '../useBuild.ts'
import classes from './BuildLine.module.css'
import {
  ARRANGEMENTS,
  arrangementWords,
  bassChoices,
  omissionChoices,
  stringSetChoices,
  stringsApart,
} from './choices.ts'
import { Word } from './Word.tsx'

export function BuildLine({ state }: { readonly state: BuildState }) {
  const { settings } = useStore($session)
  const { build, setting } = state
  const strings = setting.instrument.tuning.strings.length
  const tones = build.chord.formula
  return (
    <section aria-label="Build line" className={classes['area']}>
      <p className={classes['line']}>
        <button
          type="button"
          className={classes['chord']}
          onClick={() => focusLine(writeSymbol(build.chord, { ascii: true }))}
          aria-label={`Chord ${writeSymbol(build.chord)}: type another`}
        >
          {writeSymbol(build.chord, { naming: settings.naming, school: settings.symbols })}
        </button>
        <span className={classes['formula']} data-testid="formula">
          {tones.map(withSigns).join(' ')}
        </span>{' '}
        as{' '}
        <Word
          label="Arrangement"
          now={arrangementWords(build.arrangement)}
          choices={ARRANGEMENTS.map((arrangement) => ({
            key: arrangementWords(arrangement),
            words: arrangementWords(arrangement),
            take: () => choose({ arrangement }),
          }))}
        />{' '}
        on{' '}
        <Word
          label="String set"
          now={build.strings === undefined ? 'any strings' : `strings ${stringsApart(build.strings, strings)}`}
          choices={stringSetChoices(strings, tones.length).map((set) => ({
            key: set === undefined ? 'any' : set.join(),
            words: set === undefined ? 'any strings' : stringsApart(set, strings),
            take: () => choose({ strings: set }),
          }))}
        />
        ,{' '}
        <Word
          label="Bass tone"
          now={build.bass === undefined ? 'any tone' : degreeSign(build.bass)}
          choices={bassChoices(tones).map((bass) => ({
            key: bass ?? 'any',
            words: bass === undefined ? 'any tone' : `${degreeSign(bass)} · the ${degreeName(bass)}`,
            take: () => choose({ bass }),
          }))}
        />{' '}
        in the bass, leaving out{' '}
        <Word
          label="Leaving out"
          now={omissionWords(build.omit)}
          choices={omissionChoices(tones).map((omit) => ({
            key: omit === undefined ? 'needed' : omit.join() || 'nothing',
            words: omissionWords(omit),
            take: () => choose({ omit }),
          }))}
        />
        {setting.instrument.tuning.name !== 'standard' && (
          <>
            , in <span className={classes['tuning']}>{tuningLetters(setting.instrument.tuning, settings.naming)}</span>
          </>
        )}
      </p>
      <div className={classes['typing']}>
        <TypedLine state={state} />
        {state.problem === undefined ? <Keys /> : <Problem state={state} />}
      </div>
    </section>
  )
}

const omissionWords = (omit: readonly Degree[] | undefined): string =>
  omit === undefined ? 'what it must' : omit.length === 0 ? 'nothing' : `the ${omit.map(degreeSign).join(' and the ')}`

function focusLine(text: string) {
  const input = document.getElementById(LINE_INPUT_ID)
  if (!(input instanceof HTMLInputElement)) return
  typeLine(text)
  input.focus()
  requestAnimationFrame(() => input.select())
}

function TypedLine({ state }: { readonly state: BuildState }) {
  return (
    <label className={classes['field']}>
      <span className="heard-only">Type a chord and how to build it</span>
      <kbd>/</kbd>
      <input
        id={LINE_INPUT_ID}
        value={state.line}
        onChange={(event) => typeLine(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape' || event.key === 'Enter') event.currentTarget.blur()
        }}
        placeholder="type it: Ebmaj9 drop2 5432 3rd bass"
        autoComplete="off"
        autoCapitalize="off"
        spellCheck={false}
        maxLength={200}
        aria-invalid={state.problem !== undefined}
        aria-describedby={state.problem === undefined ? undefined : 'build-line-problem'}
      />
    </label>
  )
}

/** What is wrong, with the place marked in what was typed. */
function Problem({ state }: { readonly state: BuildState }) {
  const { problem, line } = state
  if (problem === undefined) return null
  const shown = line.length > 60 ? `${line.slice(0, 60)}…` : line
  return (
    <p id="build-line-problem" role="alert" className={classes['problem']}>
      {problem.at < shown.length && (
        <span aria-hidden="true" className={classes['place']}>
          {shown.slice(0, problem.at)}
          <mark>{shown.slice(problem.at)}</mark>
        </span>
      )}{' '}
      {problem.message}
    </p>
  )
}

function Keys() {
  return (
    <p className={classes['keys']}>
      <span>
        <kbd>←</kbd> <kbd>→</kbd> move a fret
      </span>
      <span>
        <kbd>↑</kbd> <kbd>↓</kbd> next inversion
      </span>
      <span>
        <kbd>[</kbd> <kbd>]</kbd> string set
      </span>
      <span>
        <kbd>Space</kbd> hear it
      </span>
      <span>
        <kbd>K</kbd> keep it
      </span>
      <span>
        <kbd>L</kbd> labels
      </span>
    </p>
  )
}
