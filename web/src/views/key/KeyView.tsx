/** Key: the chords of a key as lanes up the neck; what each step is, what may stand in for it, where it leads. */

import { useMediaQuery } from '@mantine/hooks'
import { useStore } from '@nanostores/react'
import { type Chord, writeSymbol } from '@nestling/core/chord'
import { DEPTHS, sharedChords, writeKey, writeStep } from '@nestling/core/key'
import { type Lane, laneNames } from '@nestling/core/lane'
import { instrumentFor } from '@nestling/core/request'
import { computed } from 'nanostores'
import { memo, useCallback, useState } from 'react'
import { Stopped } from '../../controls/Stopped.tsx'
import { useAsOf } from '../../controls/useAsOf.ts'
import { Egg } from '../../neck/Egg.tsx'
import { Frame } from '../../shell/Frame.tsx'
import { PlayingSentence } from '../../shell/PlayingSentence.tsx'
import { Shell } from '../../shell/Shell.tsx'
import { $playing } from '../../sound/transport.ts'
import type { PageData } from '../../state/page.ts'
import { saveSoundFile, swingOf } from '../../state/playback.ts'
import { $session } from '../../state/session.ts'
import { BREAKPOINTS } from '../../styles/breakpoints.mjs'
import { askWords, FUNCTION_WORDS, isLong } from '../../words/lane.ts'
import { spokenChord } from '../../words/spoken.ts'
import { Acts } from './Acts.tsx'
import type { Params } from './address.ts'
import { ChosenStep } from './beside/ChosenStep.tsx'
import { FromHere } from './beside/FromHere.tsx'
import { StandIns } from './beside/StandIns.tsx'
import { CheatSheet } from './CheatSheet.tsx'
import { InNumbers } from './InNumbers.tsx'
import classes from './KeyView.module.css'
import { keyKeys, sharedActs } from './keys.ts'
import { CapoRow } from './row/CapoRow.tsx'
import { KeysRow } from './row/KeysRow.tsx'
import { $pointedKey } from './row/pointedKey.ts'
import { KeySentence } from './sentence/KeySentence.tsx'
import { Ruler, Staircase } from './stairs/Staircase.tsx'
import type { Ruled } from './stairs/stairs.ts'
import { scoreOf, turnsGoing } from './toScore.ts'
import { type KeyState, OWNER, useKey } from './useKey.ts'

export interface KeyViewProps {
  readonly params: Params
  readonly page: PageData
}

export default function KeyView(props: KeyViewProps) {
  return (
    <Shell view="Key" page={props.page} fixed>
      <Bench params={props.params} />
    </Shell>
  )
}

/** The mark that sounds, of this view's own music. */
const $mark = computed($playing, ({ owner, mark }) => (owner === OWNER ? mark : undefined))

async function saveSound({ answer, plan }: KeyState): Promise<void> {
  const { settings } = $session.get()
  const { tempo } = settings
  const score = scoreOf(turnsGoing(answer), answer.neck, plan, { ...settings, countInBars: 0 }, false)
  await saveSoundFile(`${writeKey(plan.key, { ascii: true })} lane ${tempo}.wav`, score, {
    tempo,
    swing: swingOf(settings),
  })
}

const Bench = memo(function Bench({ params }: { readonly params: Params }) {
  const { settings } = useStore($session)
  const state = useKey(params)
  const [isSheet, setSheet] = useState(false)
  const openSheet = useCallback(() => setSheet(true), [])
  // What is drawn is of one answer: until a new one is there, all of it stays as it is.
  const shown = useAsOf(state, [state.answer, state.turns, state.loop])
  const { chosen, plan } = shown
  const lane = shown.answer.lanes[shown.answer.plan.lane]
  const onStrings = lane?.ask.kind === 'tones' ? lane : undefined
  const symbol = chosen && spokenChord(chosen.chord, settings.naming)
  return (
    <Frame
      title={`${writeKey(plan.key, { naming: settings.naming })} ${plan.depth}`}
      heading="A key as lanes"
      announcement={`${writeKey(plan.key)}, ${plan.depth}; step ${plan.step}${symbol === undefined ? ', no shape' : `, ${symbol}`}`}
      acts={sharedActs(state)}
      keys={keyKeys(state)}
    >
      <KeySentence state={shown}>
        <Acts state={state} shown={shown} openSheet={openSheet} />
      </KeySentence>
      <div className={classes['page']} data-sheet={isSheet || undefined}>
        <div className={classes['main']}>
          <Stopped stop={state.stopped} what="The search for lanes" keepsBefore />
          {onStrings ? <CapoRow state={shown} lane={onStrings} /> : <KeysRow state={shown} />}
          {isSheet ? <CheatSheet state={shown} close={() => setSheet(false)} /> : <Lanes state={shown} />}
        </div>
        <aside className={classes['side']}>
          <Beside state={shown} />
        </aside>
      </div>
      <div className={classes['foot']}>
        <InNumbers state={shown} />
        <PlayingSentence owner={OWNER} loop={state.loop} setLoop={state.setLoop} save={() => void saveSound(state)} />
      </div>
    </Frame>
  )
})

/** Drawn together with the lanes: nothing on the page is of another key, not for a frame. */
const Beside = memo(function Beside({ state }: { readonly state: KeyState }) {
  return (
    <>
      <Depth state={state} />
      <ChosenStep state={state} />
      <StandIns state={state} />
      <FromHere state={state} />
    </>
  )
})

const WIDE = 800
const NARROW = 392
const ON_A_PHONE = 266
const HEIGHT = 438
/** Past the highest fret that a lane uses there is little to see. */
const FEWEST_FRETS = 12

const Lanes = memo(function Lanes({ state }: { readonly state: KeyState }) {
  const { settings } = useStore($session)
  const mark = useStore($mark)
  const { answer, turns } = state
  const { lanes, neck } = answer
  const sounds = mark === undefined ? undefined : turns[mark]
  const symbolOf = (chord: Chord) => writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  // With strings that ring on, what a step sounds as where that is more than its name.
  const ringsAs = (step: number): string | undefined => {
    const [lane] = lanes
    const standing = lane?.ask.kind === 'tones' ? lane.steps[step - 1] : undefined
    const [name] = standing?.shape ? laneNames(standing.shape.frets, standing.chord, neck) : []
    const told = name && symbolOf(name.chord)
    return told === (standing && symbolOf(standing.chord)) ? undefined : told
  }
  // Drawn as wide as it is shown: what is scaled down can't be read.
  const isPhone = useMediaQuery(`(max-width: ${BREAKPOINTS.phone})`)
  const width = isPhone ? ON_A_PHONE : lanes.length > 1 ? NARROW : WIDE
  const lastFret = Math.min(neck.lastFret, Math.max(FEWEST_FRETS, ...lanes.map(({ highest }) => highest)))
  const ruled = ({ ask }: Lane): Ruled => ({
    scaleLengthMm: neck.scaleLengthMm,
    lastFret,
    width,
    leftHanded: instrumentFor(answer.plan, state.player).handed === 'left',
    rings: ask.kind === 'tones',
  })
  return (
    <div className={classes['lanes']} data-lanes={lanes.length}>
      <StepNames state={state} ringsAs={ringsAs} />
      {lanes.map((lane, number) => (
        <section
          key={number}
          aria-label={askWords(lane.ask, neck.open.length)}
          className={classes['lane']}
          data-chosen={number === answer.plan.lane || undefined}
        >
          <h2>
            {capital(askWords(lane.ask, neck.open.length))}
            <span>
              {lane.folds.length > 0 ? `goes on lower at step ${lane.folds.join(' and ')}` : `to fret ${lane.highest}`}
            </span>
          </h2>
          <Ruler {...ruled(lane)} />
          <Staircase
            state={state}
            lane={lane}
            number={number}
            lastFret={lastFret}
            width={width}
            height={HEIGHT}
            sounds={sounds?.lane === number ? sounds.step : undefined}
          />
          <Ruler {...ruled(lane)} />
        </section>
      ))}
    </div>
  )
})

/** What stands at the rows' left, once for both lanes: number, function, chord; underlined where the pointed key has it too. */
function StepNames({
  state,
  ringsAs,
}: {
  readonly state: KeyState
  readonly ringsAs: (step: number) => string | undefined
}) {
  const { settings } = useStore($session)
  const pointed = useStore($pointedKey)
  const { answer, plan } = state
  const { key, depth } = answer.plan
  const shared = pointed && new Set(sharedChords(key, pointed, depth).map(({ root }) => root))
  return (
    <ol className={classes['names']} aria-hidden="true" reversed>
      {answer.steps.toReversed().map(({ step, chord, function: of }) => (
        <li
          key={step}
          data-chosen={step === answer.plan.step || undefined}
          data-shared={shared && String(shared.has(chord.root))}
        >
          <small>
            {writeStep(chord, key, plan.numbers)} {FUNCTION_WORDS[of]}
          </small>
          <ChordName symbol={writeSymbol(chord, { naming: settings.naming, school: settings.symbols })} />
          {ringsAs(step) !== undefined && <small>{ringsAs(step)}</small>}
        </li>
      ))}
    </ol>
  )
}

const ChordName = ({ symbol }: { readonly symbol: string }) => <b data-long={isLong(symbol) || undefined}>{symbol}</b>

const capital = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`

const STACK = ['R', '3', '5', '7', '9', '11', '13'] as const

/** The stack of thirds, underlined as far as it goes. */
const Depth = memo(function Depth({ state: { plan, change } }: { readonly state: KeyState }) {
  const at = DEPTHS.indexOf(plan.depth)
  return (
    <div className={classes['depth']} role="group" aria-label="How far thirds are stacked">
      <span>depth</span>
      {STACK.map((degree, index) => {
        const depth = DEPTHS[Math.max(0, index - 2)]
        return (
          <button
            key={degree}
            type="button"
            aria-label={depth}
            aria-pressed={index - 2 === at}
            tabIndex={index < 2 ? -1 : 0}
            data-in={index - 2 <= at || undefined}
            onClick={() => depth && change({ depth })}
          >
            <svg width="28" height="22" viewBox="0 0 28 22" aria-hidden="true">
              <Egg
                x={14}
                y={11}
                size={9.5}
                degree={degree}
                label={degree}
                kind={index - 2 <= at ? 'sounding' : 'stone'}
              />
            </svg>
          </button>
        )
      })}
    </div>
  )
})
