/** The strip at the foot of a run: tempo, band, how it gets quicker, the hand's pause, and the tray as a word. */
import { useStore } from '@nanostores/react'
import { Choice, type Options } from '../../controls/Choice.tsx'
import { BassWord, DrumsWord } from '../../shell/BandWords.tsx'
import { TrayWord } from '../../shell/TrayWord.tsx'
import { tempoWithin } from '../../sound/tapTempo.ts'
import { $playing } from '../../sound/transport.ts'
import { $rise, changeSound } from '../../state/playback.ts'
import { $session, changeSettings } from '../../state/session.ts'
import { pauseWords } from '../../words/practice.ts'
import { clickOnOff, drumsOnOff } from './keys.ts'
import classes from './Strip.module.css'
import { OWNER, type RunState } from './useRun.ts'

const RISES: Options<number> = [
  [0, 'steady'],
  [2, '2 faster after a clean round'],
  [4, '4 faster after a clean round'],
  [8, '8 faster after a clean round'],
]
const bassOnOff = () => changeSettings({ bassStandIn: !$session.get().settings.bassStandIn })

export function Strip({ state }: { readonly state: RunState }) {
  const { settings } = useStore($session)
  const rise = useStore($rise)
  const { owner, status, struck, late } = useStore($playing)
  const { tempo, metronome, bassStandIn, drums } = settings
  const by = (more: number) => changeSound({ tempo: tempoWithin(tempo + more) })
  const pause = pauseWords(state.minutes)
  return (
    <section data-not-on-paper className={classes['strip']} aria-label="Tempo and band">
      <span className={classes['tempo']}>
        <b data-testid="run-tempo">{tempo}</b> beats per minute
        <button type="button" aria-label="Slower" onClick={() => by(-1)} data-keeps-presses>
          <kbd>−</kbd>
        </button>
        <button type="button" aria-label="Quicker" onClick={() => by(1)} data-keeps-presses>
          <kbd>+</kbd>
        </button>
      </span>
      <Toggle words="click" on={metronome} keyHint="C" press={clickOnOff} />
      <Toggle words="bass" on={bassStandIn} keyHint="B" press={bassOnOff} />
      {bassStandIn && <BassWord />}
      <Toggle words="drums" on={drums} keyHint="D" press={drumsOnOff} />
      {drums && <DrumsWord />}
      <Choice
        label="Each round"
        value={rise}
        options={RISES}
        take={(next) => $rise.set(next)}
        otherwise={`${rise} faster after a clean round`}
      />
      <span
        className="heard-only"
        data-testid="playing"
        data-status={owner === OWNER ? status : 'stopped'}
        data-struck={struck}
        data-late={late}
      />
      <span className={classes['pause']} role="status" data-testid="pause">
        {pause}
      </span>
      <TrayWord />
    </section>
  )
}

const Toggle = ({
  words,
  on,
  keyHint,
  press,
}: {
  readonly words: string
  readonly on: boolean
  readonly keyHint: string
  readonly press: () => unknown
}) => (
  <button type="button" className={classes['toggle']} aria-pressed={on} aria-label={words} onClick={() => press()}>
    {words} <b>{on ? 'on' : 'off'}</b> <kbd>{keyHint}</kbd>
  </button>
)
