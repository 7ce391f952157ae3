/** The sentence that tells the lanes: every word of it is a choice. */
import { useStore } from '@nanostores/react'
import {
  DEPTH_SCHOOLS,
  DEPTHS,
  type Key,
  keyOf,
  keysByFourths,
  NUMBER_SCHOOLS,
  SCALES,
  writeKey,
} from '@nestling/core/key'
import { LANE_FRETS, type LaneAsk, ordersOn, tuningKey } from '@nestling/core/lane'
import { type Neck, tuningLetters, writeTuning } from '@nestling/core/neck'
import { type NamingSystem, pitchClassOf, withSigns, writeNote } from '@nestling/core/pitch'
import { tuningsOffered } from '@nestling/core/request'
import { memo, type ReactNode } from 'react'
import { Choice } from '../../../controls/Choice.tsx'
import { FittedSentence } from '../../../controls/FittedSentence.tsx'
import { MannerWords } from '../../../controls/MannerWords.tsx'
import { PatternWord } from '../../../controls/PatternWord.tsx'
import sentence from '../../../controls/sentence.module.css'
import { Word } from '../../../controls/Word.tsx'
import { $session } from '../../../state/session.ts'
import { askWords, DEPTH_WORDS, SCHOOL_WORDS } from '../../../words/lane.ts'
import { tuningWords } from '../../../words/tunings.ts'
import { neckFor } from '../address.ts'
import { GOINGS, type Going, type KeyPlan, LASTINGS } from '../types.ts'
import type { KeyState } from '../useKey.ts'
import classes from './KeySentence.module.css'

const GOING_WORDS: Readonly<Record<Going, string>> = {
  up: 'going up',
  down: 'going down',
  'up-down': 'up and down',
  turns: 'the lanes in turn',
}
const LASTING_WORDS: Readonly<Record<KeyPlan['lasting'], string>> = { bar: 'a bar each', beat: 'a beat each' }
const NUMBER_WORDS: Readonly<Record<KeyPlan['numbers'], string>> = {
  roman: 'I ii iii',
  capitals: 'I II III',
  plain: '1 2– 3–',
}

const STARTS: readonly (readonly [number | undefined, string])[] = [
  [undefined, 'where it lies lowest'],
  [0, 'the nut'],
  ...Array.from({ length: LANE_FRETS }, (_, index) => [index + 1, `fret ${index + 1}`] as const),
]

const KEY_SCALES = SCALES.filter(({ degrees }) => degrees.length === 7)

export function KeySentence({ state, children }: { readonly state: KeyState; readonly children: ReactNode }) {
  return (
    <section aria-label="The key" className={classes['question']}>
      <Words state={state} />
      {children}
    </section>
  )
}

const Words = memo(function Words({ state }: { readonly state: KeyState }) {
  const { settings } = useStore($session)
  const { plan, change, player } = state
  const neck = neckFor(plan, player)
  const strings = neck.open.length
  return (
    <FittedSentence>
      <strong className={sentence['chord']} data-testid="key-name">
        {writeKey(plan.key, { naming: settings.naming })}
      </strong>
      {' in '}
      <Choice
        label="Depth"
        value={plan.depth}
        options={DEPTHS.map((depth) => [depth, DEPTH_WORDS[depth]])}
        take={(depth) => change({ depth })}
      />
      {', '}
      <Choice
        label="School"
        value={plan.school}
        options={DEPTH_SCHOOLS.map((school) => [school, SCHOOL_WORDS[school]])}
        take={(school) => change({ school })}
      />
      {', '}
      <Choice
        label="Lanes"
        value={lanesText(plan.asks)}
        options={laneOptions(plan, neck).map((asks) => [lanesText(asks), lanesWords(asks, strings)])}
        take={(text) => {
          const asks = laneOptions(plan, neck).find((one) => lanesText(one) === text)
          if (asks) change({ asks, lane: Math.min(plan.lane, asks.length - 1), from: undefined })
        }}
      />
      {plan.asks.some(({ kind }) => kind === 'root' || kind === 'turns') && (
        <>
          {', '}
          <MannerWords manner={plan.manner} habit={player.manner} take={(manner) => change({ manner })} />
        </>
      )}
      {plan.fifthInBass && (
        <>
          {', '}
          <button type="button" className={sentence['word']} onClick={() => change({ fifthInBass: false })}>
            the fifth in the bass
          </button>
        </>
      )}
      {', '}
      <Choice
        label="Going"
        value={plan.going}
        options={GOINGS.map((going) => [going, GOING_WORDS[going]])}
        take={(going) => change({ going })}
      />{' '}
      <Choice
        label="Each chord lasts"
        value={plan.lasting}
        options={LASTINGS.map((lasting) => [lasting, LASTING_WORDS[lasting]])}
        take={(lasting) => change({ lasting })}
      />
      {', '}
      <PatternWord pattern={plan.pattern} take={(pattern) => change({ pattern })} />
      {plan.from !== undefined && (
        <>
          {', from '}
          <Choice
            label="Begins"
            value={plan.from as number | undefined}
            options={STARTS}
            take={(from) => change({ from })}
          />
        </>
      )}
      {plan.tuning !== undefined && (
        <>
          {', in '}
          <TuningWord state={state} />
          <OwnKey state={state} neck={neck} />
        </>
      )}{' '}
      <More state={state} neck={neck} />
    </FittedSentence>
  )
})

const lanesText = (asks: readonly LaneAsk[]): string => JSON.stringify(asks)
const lanesWords = (asks: readonly LaneAsk[], strings: number): string =>
  asks.length > 1 && asks.every((ask) => ask.kind === 'root')
    ? `roots on strings ${asks.map((ask) => (ask.kind === 'root' ? strings - ask.string : '')).join(' and ')}`
    : asks.map((ask) => askWords(ask, strings)).join(' and ')

/** Lanes that the words offer: the roots, in pairs and in turn, and one string set; what is asked now among them. */
function laneOptions({ asks, depth }: KeyPlan, neck: Neck): readonly (readonly LaneAsk[])[] {
  const low = Math.max(0, neck.open.length - 6)
  const roots = [low, low + 1, low + 2].filter((string) => string < neck.open.length - 2)
  const root = (string: number): LaneAsk => ({ kind: 'root', string })
  const triadSets = neck.open.length >= 3 ? neck.open.slice(2).map((_, string) => [string, string + 1, string + 2]) : []
  const all: readonly (readonly LaneAsk[])[] = [
    ...(roots.length > 1 ? [[root(roots[0] as number), root(roots[1] as number)]] : []),
    ...roots.map((string) => [root(string)]),
    ...(roots.length > 1 ? [[{ kind: 'turns', strings: roots.slice(0, 2) } satisfies LaneAsk]] : []),
    ...(asks.length === 1 ? ordersBeside(asks[0], depth) : []),
    ...(depth === 'triads'
      ? triadSets.map((strings) => [{ kind: 'order', strings, order: [1, 3, 5], forms: 3 } satisfies LaneAsk])
      : []),
  ]
  return all.some((one) => lanesText(one) === lanesText(asks)) ? all : [asks, ...all]
}

/** The other orders of the set that is asked for. */
function ordersBeside(ask: LaneAsk | undefined, depth: KeyPlan['depth']): readonly (readonly LaneAsk[])[] {
  if (ask?.kind !== 'order') return []
  const { strings } = ask
  const rootless = !ask.order.includes(1)
  return ordersOn(strings, { depth, rootless }).map((order) => [{ kind: 'order', strings, order } satisfies LaneAsk])
}

/** An open tuning is made for a key: it is proposed while another is laid on it. */
function OwnKey({ state, neck }: { readonly state: KeyState; readonly neck: Neck }) {
  const { settings } = useStore($session)
  const own = tuningKey(neck)
  if (!own || pitchClassOf(own.tonic) === pitchClassOf(state.plan.key.tonic)) return null
  const name = writeKey(own, { naming: settings.naming })
  return (
    <>
      {', made for '}
      <button
        type="button"
        className={sentence['word']}
        aria-label={`Take the key that the tuning is made for, ${name}`}
        onClick={() => state.change({ key: own })}
      >
        {name}
      </button>
    </>
  )
}

function TuningWord({ state: { plan, player, change } }: { readonly state: KeyState }) {
  const { settings } = useStore($session)
  const now = plan.tuning ?? player.instrument.tuning
  const own = writeTuning(player.instrument.tuning)
  const useChoices = () =>
    tuningsOffered(player).map((tuning) => ({
      value: tuning,
      words: tuningWords(tuning, settings.naming),
      now: writeTuning(tuning) === writeTuning(now),
    }))
  return (
    <Word
      label="Tuning"
      now={tuningLetters(now, settings.naming)}
      useChoices={useChoices}
      take={(tuning) => change({ tuning: writeTuning(tuning) === own ? undefined : tuning })}
    />
  )
}

interface More {
  readonly words: string
  readonly changes: Partial<KeyPlan>
}

function moreOf({ plan, player }: KeyState, neck: Neck, naming: NamingSystem): readonly More[] {
  const scaleChoices = KEY_SCALES.flatMap((scale): readonly More[] => {
    const key: Key | undefined = keyOf(plan.key.tonic, scale) ?? keysByFourths({ ...plan.key, scale }, 0)[0]
    return key
      ? [
          {
            words: `${writeNote(key.tonic, naming)} ${scale.name.split(' ').map(withSigns).join(' ')}`,
            changes: { key },
          },
        ]
      : []
  })
  const groups: readonly More[] = [
    ...(plan.fifthInBass ? [] : [{ words: 'the fifth added in the bass', changes: { fifthInBass: true } }]),
    ...NUMBER_SCHOOLS.filter((school) => school !== plan.numbers).map((numbers) => ({
      words: `steps as ${NUMBER_WORDS[numbers]}`,
      changes: { numbers },
    })),
    ...(plan.from === undefined ? [{ words: 'beginning at the nut', changes: { from: 1 } }] : []),
    ...(neck.open.length < 3 ? [] : scaleChoices),
    ...tuningsOffered(player).map((tuning) => ({
      words: `tuned ${tuningWords(tuning, naming)}`,
      changes: { tuning: writeTuning(tuning) === writeTuning(player.instrument.tuning) ? undefined : tuning },
    })),
  ]
  return groups
}

/** What the sentence does not name while it is as usual: the scale, the fifth in the bass, where it begins, the tuning. */
function More({ state, neck }: { readonly state: KeyState; readonly neck: Neck }) {
  const { settings } = useStore($session)
  const { change } = state
  // Made when the list is opened.
  const useChoices = () =>
    moreOf(state, neck, settings.naming).map((one) => ({ value: one, words: one.words, now: false }))
  return (
    <Word
      label="More of the key: scale, bass, beginning, numbers, tuning"
      now="…"
      useChoices={useChoices}
      take={({ changes }) => change(changes)}
    />
  )
}
