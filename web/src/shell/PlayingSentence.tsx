/** How it is played, as a sentence: tempo, swing, count-in, round and round, and who plays along. The same in every view. */
import { useStore } from '@nanostores/react'
import { type ReactNode, useRef } from 'react'
import type { Settings } from '../contracts/settings.ts'
import { Choice, type Options } from '../controls/Choice.tsx'
import sentence from '../controls/sentence.module.css'
import { tapped, tempoOf, tempoWithin } from '../sound/tapTempo.ts'
import { $playing } from '../sound/transport.ts'
import { $rise, changeSound } from '../state/playback.ts'
import { $session } from '../state/session.ts'
import { SWINGS } from '../words/swing.ts'
import { BassWord, DrumsWord } from './BandWords.tsx'
import classes from './PlayingSentence.module.css'
import { TempoWord } from './TempoWord.tsx'

export interface PlayingSentenceProps {
  /** Whose music this is. */
  readonly owner: string
  readonly loop: boolean
  readonly setLoop: (loop: boolean) => void
  /** Which part of it, where there are parts. */
  readonly part?: ReactNode
  /** The music says itself what bass and drums play. */
  readonly ownBand?: boolean
  /** Gives the music as a sound file. */
  readonly save: () => void
}

const SWUNG_NOTES: Options<Settings['swung']> = [
  ['eighths', 'in eighths'],
  ['sixteenths', 'in sixteenths'],
]
const COUNT_INS: Options<number> = [
  [0, 'not counted in'],
  [1, 'a bar counted in'],
  [2, 'two bars counted in'],
]
const BAND = [
  ['metronome', 'click'],
  ['bassStandIn', 'bass'],
  ['drums', 'drums'],
] as const satisfies readonly (readonly [keyof Settings, string])[]

export function PlayingSentence({ owner, loop, setLoop, part, ownBand = false, save }: PlayingSentenceProps) {
  const { settings } = useStore($session)
  return (
    <section data-not-on-paper aria-label="How it is played" className={classes['line']}>
      <p className={sentence['sentence']}>
        <TempoWord tempo={settings.tempo} /> beats per minute{', '}
        <Choice
          label="Swing"
          value={settings.swing}
          options={SWINGS}
          take={(swing) => changeSound({ swing })}
          otherwise={`swing ${settings.swing}`}
        />
        {settings.swing > 0 && (
          <>
            {' '}
            <Choice
              label="Which notes swing"
              value={settings.swung}
              options={SWUNG_NOTES}
              take={(swung) => changeSound({ swung })}
            />
          </>
        )}
        {', '}
        <Choice
          label="Count-in"
          value={settings.countInBars}
          options={COUNT_INS}
          take={(countInBars) => changeSound({ countInBars })}
        />
        {', '}
        <Toggle words={loop ? 'loop' : 'once'} title="once, or in a loop" press={() => setLoop(!loop)} />
        {part}
        {loop && <Rise />}
        {BAND.map(([part, word]) => (
          <span key={part}>
            {', '}
            <Toggle
              words={`${settings[part] ? 'with' : 'no'} ${word}`}
              title={`${word} on or off`}
              press={() => changeSound({ [part]: !settings[part] })}
            />
            {!ownBand && part === 'bassStandIn' && settings.bassStandIn && <BassWord />}
            {!ownBand && part === 'drums' && settings.drums && <DrumsWord />}
          </span>
        ))}
      </p>
      <Status owner={owner} />
      <Tap />
      <button type="button" className={classes['quiet']} onClick={save}>
        Sound file
      </button>
    </section>
  )
}

const RISES: Options<number> = [
  [0, 'steady'],
  [1, '+1 a round'],
  [2, '+2 a round'],
  [5, '+5 a round'],
  [10, '+10 a round'],
]

/** A loop may go quicker round by round. */
function Rise() {
  const by = useStore($rise)
  return (
    <>
      {', '}
      <Choice label="Each round" value={by} options={RISES} take={(next) => $rise.set(next)} />
    </>
  )
}

/** A word of two states: pressing it takes the other. */
const Toggle = ({
  words,
  title,
  press,
}: {
  readonly words: string
  readonly title: string
  readonly press: () => void
}) => (
  <button type="button" className={sentence['word']} title={title} onClick={press}>
    {words}
  </button>
)

const STATUS = { stopped: '', starting: 'getting ready…', counting: 'counting in', playing: '' } as const

function Status({ owner }: { readonly owner: string }) {
  const { owner: whose, status, late, struck } = useStore($playing)
  const isMine = whose === owner
  return (
    <span
      role="status"
      className={classes['status']}
      data-testid="playing"
      data-status={isMine ? status : 'stopped'}
      data-struck={struck}
      data-late={late}
    >
      {isMine && STATUS[status]}
      {late > 0 && (
        <span className={classes['late']}>
          {late} of {struck} sounds came late: the machine is busy
        </span>
      )}
    </span>
  )
}

/** A tempo by tapping. */
function Tap() {
  const taps = useRef<readonly number[]>([])
  const tap = () => {
    taps.current = tapped(taps.current, performance.now())
    const next = tempoOf(taps.current)
    if (next !== undefined) changeSound({ tempo: tempoWithin(next) })
  }
  return (
    <button type="button" className={classes['quiet']} onClick={tap} title="tap the tempo" data-keeps-presses>
      Tap
    </button>
  )
}
