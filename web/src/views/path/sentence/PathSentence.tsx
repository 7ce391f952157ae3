/** The sentence of the tune and its wishes: every word of it is a choice. */
import { useStore } from '@nanostores/react'
import { keysFor, patternOf, STYLES, type Style } from '@nestling/core/chart'
import { writeKey } from '@nestling/core/key'
import { type StringSet, stringNumber, tuningLetters, writeTuning } from '@nestling/core/neck'
import { settledWishes } from '@nestling/core/path'
import { tuningsOffered } from '@nestling/core/request'
import { MANNERS, type Manner } from '@nestling/core/taste'
import { BASS_LINES, type BassLine } from '@nestling/core/time'
import type { TuneWishes } from '@nestling/core/tune'
import { memo, type ReactNode } from 'react'
import { Choice, type Options } from '../../../controls/Choice.tsx'
import { EnsembleWord } from '../../../controls/EnsembleWord.tsx'
import { PatternWord } from '../../../controls/PatternWord.tsx'
import sentence from '../../../controls/sentence.module.css'
import { Word } from '../../../controls/Word.tsx'
import { $session } from '../../../state/session.ts'
import { MANNER_WORDS } from '../../../words/manners.ts'
import { tuningWords } from '../../../words/tunings.ts'
import { usualSets } from '../address.ts'
import { chooseAnew } from '../anew.ts'
import { joinNext, keepTop, split, transpose } from '../edits.ts'
import type { PathState } from '../usePath.ts'
import classes from './PathSentence.module.css'

const BASS_WORDS: Readonly<Record<BassLine, string>> = {
  roots: 'the bass plays roots',
  'root and fifth': 'the bass plays root and fifth',
  walking: 'the bass walks',
}

export function PathSentence({ state, children }: { readonly state: PathState; readonly children: ReactNode }) {
  return (
    <section aria-label="The tune" className={classes['question']}>
      <Words state={state} />
      {children}
    </section>
  )
}

const Words = memo(function Words({ state }: { readonly state: PathState }) {
  const { settings } = useStore($session)
  const { answer, key, change, neck } = state
  const { plan } = answer
  const { chart, wishes } = plan
  const settled = settledWishes(answer.question)
  const wish = (changes: Partial<TuneWishes>) => change({ wishes: { ...wishes, ...changes } })
  const name = key && writeKey(key.key, { naming: settings.naming })
  const sets = setOptions(neck.open.length, usualSets(neck))
  const frets = Array.from({ length: neck.lastFret }, (_, index) => index + 1)
  return (
    <p className={sentence['sentence']}>
      <strong className={sentence['chord']} data-testid="tune-name">
        {chart.title === '' ? 'A tune' : chart.title}
      </strong>
      {key && (
        <>
          {key.isGuess ? ', it seems in ' : ' in '}
          <Choice
            label="Key"
            value={key.key.tonic}
            options={keysFor(key.key).map((one) => [one.tonic, writeKey(one, { naming: settings.naming })])}
            take={(tonic) => {
              const to = keysFor(key.key).find((one) => one.tonic === tonic)
              if (to) transpose(state, to)
            }}
            otherwise={name ?? ''}
          />
          {key.orElse && ` (or ${writeKey(key.orElse, { naming: settings.naming })})`}
        </>
      )}
      {', '}
      <Choice
        label="Style"
        value={chart.style}
        options={STYLES.map((style): readonly [Style, string] => [style, style])}
        take={(style) =>
          change({
            chart: { ...chart, style },
            ...(plan.pattern === patternOf(chart) ? { pattern: patternOf({ style }) } : {}),
          })
        }
      />
      {', '}
      <Choice<Manner | 'usual'>
        label="Manner"
        value={wishes.manner ?? 'usual'}
        options={[
          ['usual', `${MANNER_WORDS[settled.manner]}${wishes.manner ? ', as is usual' : ''}`],
          ...MANNERS.map((manner) => [manner, MANNER_WORDS[manner]] as const),
        ]}
        take={(manner) => wish({ manner: manner === 'usual' ? undefined : manner })}
      />{' '}
      <EnsembleWord />
      {', on '}
      <Choice
        label="Strings"
        value={setsKey(wishes)}
        options={sets.map(({ key: value, words }) => [value, words])}
        take={(value) => {
          const one = sets.find((option) => option.key === value)
          if (one) wish({ strings: one.strings, voices: one.voices })
        }}
        otherwise={setsWords(wishes.strings ?? [], neck.open.length)}
      />
      {', frets '}
      <Choice
        label="From fret"
        value={wishes.fretMin}
        options={frets.map((fret) => [fret, String(fret)])}
        take={(fretMin) => wish({ fretMin, fretMax: Math.max(fretMin, wishes.fretMax) })}
      />
      {' to '}
      <Choice
        label="To fret"
        value={wishes.fretMax}
        options={frets.map((fret) => [fret, String(fret)])}
        take={(fretMax) => wish({ fretMax, fretMin: Math.min(fretMax, wishes.fretMin) })}
      />
      {', '}
      <Choice
        label="Way"
        value={wayOf(wishes)}
        options={WAY_OPTIONS}
        take={(way) => wish({ stream: false, topStepwise: false, bassLine: undefined, ...WAYS[way] })}
      />
      {', '}
      <PatternWord pattern={plan.pattern} take={(pattern) => change({ pattern })} />
      {wishes.roots && (
        <>
          {', '}
          <button type="button" className={sentence['word']} onClick={() => wish({ roots: undefined })}>
            roots on {wishes.roots.map((string) => stringNumber(string, neck.open.length)).join(' and ')} in turn
          </button>
        </>
      )}
      {wishes.school && (
        <>
          {', '}
          <button type="button" className={sentence['word']} onClick={() => wish({ school: undefined })}>
            {SCHOOL_WORDS[wishes.school]}
          </button>
        </>
      )}
      {wishes.aboveBass && (
        <>
          {', '}
          <button type="button" className={sentence['word']} onClick={() => wish({ aboveBass: false })}>
            above the bass player
          </button>
        </>
      )}
      {plan.tuning !== undefined && (
        <>
          {', in '}
          <button
            type="button"
            className={sentence['word']}
            title="in the instrument’s own tuning again"
            onClick={() => change({ tuning: undefined })}
          >
            {tuningLetters(plan.tuning, settings.naming)}
          </button>
        </>
      )}
      {wishes.open === 'allow' && (
        <>
          {', '}
          <button type="button" className={sentence['word']} onClick={() => wish({ open: 'never' })}>
            open strings too
          </button>
        </>
      )}{' '}
      <More state={state} />
    </p>
  )
})

const SCHOOL_WORDS = {
  shell: 'as shells',
  'drop-root': 'without roots',
  'drop-fifth': 'without fifths',
} as const satisfies Readonly<Record<NonNullable<TuneWishes['school']>, string>>

const WAYS = {
  least: {},
  stream: { stream: true },
  top: { topStepwise: true },
  rising: { bassLine: 'rising' },
  falling: { bassLine: 'falling' },
} as const satisfies Readonly<Record<string, Partial<TuneWishes>>>
type Way = keyof typeof WAYS
const WAY_OPTIONS: Options<Way> = [
  ['least', 'moving least'],
  ['stream', 'in one stream of strings'],
  ['top', 'the top voice by step'],
  ['rising', 'the bass rising by step'],
  ['falling', 'the bass falling by step'],
]
const wayOf = ({ stream, topStepwise, bassLine }: TuneWishes): Way =>
  stream ? 'stream' : topStepwise ? 'top' : (bassLine ?? 'least')

interface SetOption {
  readonly key: string
  readonly words: string
  readonly strings: readonly StringSet[] | undefined
  readonly voices: number | undefined
}

const setsKey = ({ strings, voices }: Pick<TuneWishes, 'strings' | 'voices'>): string =>
  strings ? JSON.stringify(strings) : voices === undefined ? 'any' : `any ${voices}`
const setsWords = (sets: readonly StringSet[], strings: number): string =>
  sets.map((set) => set.map((string) => stringNumber(string, strings)).join(' ')).join(' or ')

/** Sets that players use: four strings, three strings, and every set of as many. */
function setOptions(strings: number, usual: readonly StringSet[]): readonly SetOption[] {
  const own = (...sets: readonly (readonly number[])[]): SetOption[] => {
    const found = sets.map((numbers) => numbers.map((number) => strings - number).sort((a, b) => a - b))
    if (found.some((set) => set.some((string) => string < 0))) return []
    return [
      { key: JSON.stringify(found), words: setsWords(found, strings), strings: found, voices: found[0]?.length ?? 4 },
    ]
  }
  const any = (voices: number): SetOption => ({
    key: `any ${voices}`,
    words: `any ${voices === 3 ? 'three' : 'four'} strings`,
    strings: undefined,
    voices,
  })
  return [
    { key: 'any', words: 'any strings', strings: undefined, voices: undefined },
    { key: JSON.stringify(usual), words: setsWords(usual, strings), strings: usual, voices: 4 },
    ...own([5, 4, 3, 2]),
    ...own([6, 4, 3, 2]),
    ...own([4, 3, 2, 1]),
    ...own([5, 4, 3, 2], [4, 3, 2, 1]),
    ...own([5, 3, 2], [4, 3, 2]),
    ...own([6, 4, 3], [5, 4, 3]),
    ...own([4, 3, 2]),
    ...own([3, 2, 1]),
    any(4),
    any(3),
  ].filter(({ key }, index, all) => all.findIndex((one) => one.key === key) === index)
}

interface MoreChoice {
  readonly words: string
  readonly act: () => void
}

/** What the sentence does not name while it is as usual. */
function More({ state }: { readonly state: PathState }) {
  const { answer, change, neck, key, player } = state
  const { plan } = answer
  const { wishes } = plan
  const strings = neck.open.length
  const wish = (changes: Partial<TuneWishes>) => change({ wishes: { ...wishes, ...changes } })
  const low = Math.max(0, strings - 6)
  const useChoices = () => {
    const choices: readonly MoreChoice[] = [
      { words: 'split this chord in two', act: () => split(state) },
      { words: 'join the next chord to this one', act: () => joinNext(state) },
      ...[
        [low, low + 1],
        [low + 1, low + 2],
      ]
        .filter((roots) => roots.every((string) => string < strings - 2))
        .map((roots) => ({
          words: `roots on ${roots.map((string) => stringNumber(string, strings)).join(' and ')} in turn`,
          act: () => wish({ roots }),
        })),
      ...(wishes.aboveBass ? [] : [{ words: 'above the bass player', act: () => wish({ aboveBass: true }) }]),
      settledWishes(answer.question).open === 'allow'
        ? { words: 'no open strings', act: () => wish({ open: 'never' }) }
        : { words: 'open strings too', act: () => wish({ open: 'allow' }) },
      ...BASS_LINES.filter((line) => line !== plan.bass).map((line) => ({
        words: BASS_WORDS[line],
        act: () => change({ bass: line }),
      })),
      ...tuningsOffered(player)
        .filter(
          (tuning) =>
            writeTuning(tuning) !== writeTuning(plan.tuning ?? player.instrument.tuning) &&
            tuning.strings.length === strings,
        )
        .map((tuning) => ({
          words: `tuned ${tuningWords(tuning, 'letters')}`,
          act: () =>
            change({ tuning: writeTuning(tuning) === writeTuning(player.instrument.tuning) ? undefined : tuning }),
        })),
      {
        words: plan.melody.some(({ chord }) => chord === plan.chosen)
          ? 'let this top tone go'
          : 'keep this top tone as melody',
        act: () => keepTop(state),
      },
      ...(plan.held.length > 0 ? [{ words: 'choose all shapes anew', act: () => void chooseAnew(state) }] : []),
      ...(key?.isGuess
        ? [{ words: `it is in ${writeKey(key.key)}`, act: () => change({ chart: { ...plan.chart, key: key.key } }) }]
        : []),
    ]
    return choices.map((one) => ({ value: one, words: one.words, now: false }))
  }
  return (
    <Word
      label="More: this chord, roots, register, open strings, bass"
      now="…"
      useChoices={useChoices}
      take={({ act }) => act()}
    />
  )
}
