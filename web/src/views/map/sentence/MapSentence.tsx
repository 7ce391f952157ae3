/** The sentence that tells what is mapped: every word of it is a choice. */
import { useStore } from '@nanostores/react'
import { type Chord, formulaKey, writeSymbol } from '@nestling/core/chord'
import { type ChordMap, joiningTones, joiningWays, type MapChange } from '@nestling/core/map'
import { extended, kindredOf } from '@nestling/core/near'
import { choicesOf, DEFAULT_FRET_MAX, instrumentFor } from '@nestling/core/request'
import { ARRANGEMENT_NAMES, writeArrangement } from '@nestling/core/voicing'
import { memo } from 'react'
import { Choice, type Options } from '../../../controls/Choice.tsx'
import { FittedSentence } from '../../../controls/FittedSentence.tsx'
import sentence from '../../../controls/sentence.module.css'
import { Word } from '../../../controls/Word.tsx'
import { $session } from '../../../state/session.ts'
import { choiceWords, wordOf } from '../../../words/choices.ts'
import { JOINING_WORDS } from '../../../words/map.ts'
import { arrangementWords, stringsApart } from '../../../words/shapes.ts'
import { type ShownSets, UNCHANGED } from '../address.ts'
import { CHORD_INPUT_ID } from '../keys.ts'
import type { MapState } from '../useMap.ts'

const FRET_RANGES: readonly (readonly [number, number])[] = [
  [1, DEFAULT_FRET_MAX],
  [1, 5],
  [3, 8],
  [5, 10],
  [7, 12],
  [10, 17],
]

const SPANS: Options<number | undefined> = [
  [undefined, 'within my reach'],
  [2, 'over three frets'],
  [3, 'over four frets'],
  [7, 'any stretch'],
]

export const MapSentence = memo(function MapSentence({
  asked,
  step,
  player,
  rows,
}: {
  readonly asked: MapState['asked']
  readonly step: MapState['step']
  readonly player: MapState['player']
  /** Every string set that the map has. */
  readonly rows: ChordMap['rows'] | undefined
}) {
  const { settings } = useStore($session)
  const state = { asked, step, player }
  const { question, change, sets } = asked
  const { naming } = settings
  const symbolOf = (chord: Chord) => writeSymbol(chord, { naming, school: settings.symbols })
  const strings = instrumentFor(question, player).tuning.strings.length
  return (
    <FittedSentence>
      <button
        type="button"
        className={sentence['chord']}
        data-testid="map-symbol"
        aria-label={`Chord ${symbolOf(question.chord)}: type another`}
        onClick={() => {
          const field = document.getElementById(CHORD_INPUT_ID)
          if (field instanceof HTMLInputElement) field.select()
          field?.focus()
        }}
      >
        {symbolOf(question.chord)}
      </button>
      {change.kind !== 'none' && (
        <>
          becomes{' '}
          <Choice
            label="What it becomes"
            value={keyOf(change)}
            options={changesOffered(question.chord, question.arrangement, symbolOf).map(([one, words]) => [
              keyOf(one),
              words,
            ])}
            otherwise={change.kind === 'morph' ? symbolOf({ root: question.chord.root, formula: change.formula }) : ''}
            take={(key) => {
              const found = changesOffered(question.chord, question.arrangement, symbolOf).find(
                ([one]) => keyOf(one) === key,
              )
              if (found) step({ change: found[0] })
            }}
          />
          {change.kind === 'extend' && (
            <>
              ,{' '}
              <Choice
                label="How the tone joins"
                value={change.way}
                options={joiningWays(question.chord.formula, question.arrangement).map((way) => [
                  way,
                  JOINING_WORDS[way],
                ])}
                take={(way) => step({ change: { ...change, way } })}
              />
            </>
          )}
          ,{' '}
        </>
      )}
      as{' '}
      <Choice
        label="Arrangement"
        value={writeArrangement(question.arrangement)}
        otherwise={arrangementWords(question.arrangement)}
        options={arrangementsOf(question.chord).map((one) => [writeArrangement(one), arrangementWords(one)])}
        take={(text) => {
          const arrangement = arrangementsOf(question.chord).find((one) => writeArrangement(one) === text)
          if (arrangement) step({ question: { ...question, arrangement } })
        }}
      />{' '}
      on{' '}
      <Choice
        label="String sets"
        value={setKey(sets)}
        otherwise={sets === 'all' || sets === 'neighbouring' ? '' : `strings ${stringsApart(sets, strings)}`}
        options={[
          ['all', 'all string sets'],
          ['neighbouring', 'neighbouring strings'],
          ...(rows ?? []).map((row) => [row.strings.join(), `strings ${stringsApart(row.strings, strings)}`] as const),
        ]}
        take={(key) => step({ sets: setsOf(key) })}
      />
      ,{' '}
      <Choice
        label="Frets"
        value={`${question.fretMin}-${question.fretMax}`}
        otherwise={`frets ${question.fretMin} to ${question.fretMax}`}
        options={FRET_RANGES.map(([low, high]) => [`${low}-${high}`, `frets ${low} to ${high}`])}
        take={(range) => {
          const [fretMin = 1, fretMax = DEFAULT_FRET_MAX] = range.split('-').map(Number)
          step({ question: { ...question, fretMin, fretMax } })
        }}
      />
      ,{' '}
      <Choice
        label="Reach"
        value={question.span}
        otherwise={question.span === undefined ? '' : `over ${question.span + 1} frets`}
        options={SPANS}
        take={(span) => step({ question: { ...question, span } })}
      />
      {question.omit !== undefined && change.kind !== 'extend' && (
        <>
          , leaving out <QuestionWord field="omit" label="Leaving out" state={state} />
        </>
      )}
      {question.open !== 'never' && (
        <>
          , with <QuestionWord field="open" label="Open strings" state={state} />
        </>
      )}
      {question.tuning !== undefined && (
        <>
          , in <QuestionWord field="tuning" label="Tuning" state={state} />
        </>
      )}{' '}
      <More state={state} />
    </FittedSentence>
  )
})

type Part = { readonly state: Pick<MapState, 'asked' | 'step' | 'player'> }

/** A word that Build has as well, with the same choices. */
function QuestionWord({
  field,
  label,
  state,
}: Part & { readonly field: 'open' | 'tuning' | 'omit'; readonly label: string }) {
  const { settings } = useStore($session)
  const { asked, step, player } = state
  const { question } = asked
  const now = choiceWords(field, question, player, settings.naming)
  const choices = () =>
    choicesOf(field, question, player).map((choice) => {
      const words = choiceWords(field, choice, player, settings.naming)
      return { value: choice, words, now: words === now }
    })
  return (
    <Word
      label={label}
      now={wordOf(field, question, player, settings.naming)}
      useChoices={choices}
      take={(choice) => step({ question: choice })}
    />
  )
}

/** What the sentence does not name yet: open strings, another tuning. Taken, they become words. */
function More({ state }: Part) {
  const { settings } = useStore($session)
  const { asked, step, player } = state
  const { question } = asked
  const choices = () =>
    (['open', 'tuning'] as const).flatMap((field) => {
      const now = choiceWords(field, question, player, settings.naming)
      return choicesOf(field, question, player)
        .map((choice) => ({ value: choice, words: choiceWords(field, choice, player, settings.naming), now: false }))
        .filter(({ words }) => words !== now)
    })
  return (
    <Word
      label="More: open strings, tuning"
      now="…"
      useChoices={choices}
      take={(choice) => step({ question: choice })}
    />
  )
}

/** A triad has no drops: two arrangements hold all of it. */
const arrangementsOf = ({ formula }: Chord) => [
  { kind: 'any' } as const,
  ...ARRANGEMENT_NAMES.filter((name) => formula.length !== 3 || name === 'close' || name === 'spread').map(
    (name) => ({ kind: 'named', name }) as const,
  ),
]

const setKey = (sets: ShownSets): string => (typeof sets === 'string' ? sets : sets.join())
const setsOf = (key: string): ShownSets => (key === 'all' || key === 'neighbouring' ? key : key.split(',').map(Number))

export const keyOf = (change: MapChange): string =>
  change.kind === 'none' ? '' : change.kind === 'morph' ? `m ${formulaKey(change.formula)}` : `+${change.extension}`

/** All that a chord can become here, itself first. */
function changesOffered(
  { root, formula }: Chord,
  arrangement: Parameters<typeof joiningWays>[1],
  symbolOf: (chord: Chord) => string,
): readonly (readonly [MapChange, string])[] {
  const { thread, apart } = kindredOf(formula)
  const [way] = joiningWays(formula, arrangement)
  return [
    [UNCHANGED, 'nothing else'],
    ...[...thread, ...apart]
      .filter((one) => formulaKey(one) !== formulaKey(formula))
      .map((one) => [{ kind: 'morph', formula: one }, symbolOf({ root, formula: one })] as const),
    ...(way === undefined
      ? []
      : joiningTones(formula).map(
          (extension) =>
            [{ kind: 'extend', extension, way }, symbolOf({ root, formula: extended(formula, extension) })] as const,
        )),
  ]
}
