/** Play, tempo and the band: the same bar wherever music runs in time. */
import { ActionIcon, Button, Switch } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { useRef, useState } from 'react'
import { FASTEST, SLOWEST } from '../contracts/settings.ts'
import { IconMinus, IconPlayerPlay, IconPlayerStop, IconPlus } from '../controls/icons.ts'
import { tapped, tempoOf, tempoWithin } from '../sound/tapTempo.ts'
import { $playing } from '../sound/transport.ts'
import { changeSound } from '../state/playback.ts'
import { $session } from '../state/session.ts'
import classes from './TransportBar.module.css'

export interface TransportBarProps {
  /** Whose music this bar starts and stops. */
  readonly owner: string
  readonly playOrStop: () => void
  readonly loop: boolean
  readonly setLoop: (loop: boolean) => void
  /** Gives the music as a sound file. */
  readonly save: () => void
}

export function TransportBar({ owner, playOrStop, loop, setLoop, save }: TransportBarProps) {
  const { settings } = useStore($session)
  return (
    <section aria-label="Transport" className={classes['bar']}>
      <PlayButton owner={owner} playOrStop={playOrStop} />
      <Tempo tempo={settings.tempo} />
      <label className={classes['swing']}>
        swing{' '}
        <input
          type="range"
          min={0}
          max={100}
          step={5}
          value={settings.swing}
          aria-label="Swing"
          onChange={(event) => changeSound({ swing: Number(event.currentTarget.value) })}
        />
      </label>
      <label>
        count-in{' '}
        <select
          className="plain-field"
          aria-label="Count-in"
          value={settings.countInBars}
          onChange={(event) => changeSound({ countInBars: Number(event.currentTarget.value) })}
        >
          <option value={0}>none</option>
          <option value={1}>1 bar</option>
          <option value={2}>2 bars</option>
        </select>
      </label>
      <Switch
        size="xs"
        label="again and again"
        checked={loop}
        onChange={(event) => setLoop(event.currentTarget.checked)}
      />
      <Switch
        size="xs"
        label="click"
        checked={settings.metronome}
        onChange={(event) => changeSound({ metronome: event.currentTarget.checked })}
      />
      <Switch
        size="xs"
        label="bass"
        checked={settings.bassStandIn}
        onChange={(event) => changeSound({ bassStandIn: event.currentTarget.checked })}
      />
      <Switch
        size="xs"
        label="drums"
        checked={settings.drums}
        onChange={(event) => changeSound({ drums: event.currentTarget.checked })}
      />
      <Button size="compact-xs" variant="default" ml="auto" onClick={save}>
        Sound file
      </Button>
    </section>
  )
}

const STATUS = { stopped: '', starting: 'getting ready…', counting: 'counting in', playing: '' } as const

function PlayButton({ owner, playOrStop }: Pick<TransportBarProps, 'owner' | 'playOrStop'>) {
  const playing = useStore($playing)
  const mine = playing.owner === owner
  return (
    <>
      <Button
        size="compact-md"
        leftSection={mine ? <IconPlayerStop size={16} aria-hidden /> : <IconPlayerPlay size={16} aria-hidden />}
        onClick={playOrStop}
        data-status={mine ? playing.status : 'stopped'}
        data-struck={playing.struck}
        data-late={playing.late}
      >
        {mine ? 'Stop' : 'Play'}
      </Button>
      {mine && STATUS[playing.status] !== '' && <span role="status">{STATUS[playing.status]}</span>}
      {playing.late > 0 && (
        <span role="status" className={classes['late']}>
          {playing.late} of {playing.struck} sounds came late: the machine is busy
        </span>
      )}
    </>
  )
}

/** A tempo by keys, by hand, or by tapping. */
function Tempo({ tempo }: { readonly tempo: number }) {
  const [text, setText] = useState<string | undefined>(undefined)
  const taps = useRef<readonly number[]>([])
  const set = (next: number) => changeSound({ tempo: tempoWithin(next) })
  const tap = () => {
    taps.current = tapped(taps.current, performance.now())
    const next = tempoOf(taps.current)
    if (next !== undefined) set(next)
  }
  return (
    <span className={classes['tempo']}>
      <ActionIcon size="sm" variant="default" aria-label="Slower" onClick={() => set(tempo - 4)}>
        <IconMinus size={14} />
      </ActionIcon>
      <label>
        <input
          className="plain-field"
          inputMode="numeric"
          aria-label="Tempo, beats in a minute"
          title={`${SLOWEST} to ${FASTEST} beats in a minute`}
          value={text ?? tempo}
          onChange={(event) => setText(event.currentTarget.value)}
          onBlur={() => {
            if (text !== undefined && /^\d+$/.test(text)) set(Number(text))
            setText(undefined)
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur()
            if (event.key === 'Escape') setText(undefined)
            if (event.key === 'ArrowUp') set(tempo + 1)
            if (event.key === 'ArrowDown') set(tempo - 1)
          }}
        />{' '}
        a minute
      </label>
      <ActionIcon size="sm" variant="default" aria-label="Faster" onClick={() => set(tempo + 4)}>
        <IconPlus size={14} />
      </ActionIcon>
      <Button size="compact-xs" variant="default" onClick={tap}>
        Tap
      </Button>
    </span>
  )
}
