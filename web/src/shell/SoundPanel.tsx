/** Volumes, latency, strum, and the mute that lasts: what the sound button opens. */
import { SegmentedControl, Slider, Stack, Switch, Text } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { useEffect, useRef } from 'react'
import type { Settings } from '../contracts/settings.ts'
import { changeSound } from '../state/playback.ts'
import { $session, changeSettings } from '../state/session.ts'
import classes from './SoundMenu.module.css'

const PARTS = [
  ['stringsVolume', 'strings'],
  ['bassVolume', 'bass'],
  ['drumsVolume', 'drums'],
  ['clickVolume', 'click'],
] as const satisfies readonly (readonly [keyof Settings, string])[]

export default function SoundPanel() {
  const { settings } = useStore($session)
  const first = useRef<HTMLInputElement>(null)
  // It loads when it is opened, and the keyboard waits for it.
  useEffect(() => first.current?.focus(), [])
  return (
    <Stack gap="sm">
      <Switch
        label="Sound"
        ref={first}
        checked={!settings.muted}
        onChange={(event) => void changeSettings({ muted: !event.currentTarget.checked })}
      />
      <div>
        <Text size="sm">Volume</Text>
        <Amount of="volume" label="Volume" />
      </div>
      {PARTS.map(([of, label]) => (
        <div key={of} className={classes['part']}>
          <Text size="sm">{label}</Text>
          <Amount of={of} label={`Volume of ${label}`} />
        </div>
      ))}
      <div>
        <Text size="sm">Latency: {settings.latencyMs} ms</Text>
        <Amount of="latencyMs" label="Latency in milliseconds" max={500} />
        <Text size="xs" c="dimmed">
          How late you hear what is played, as through wireless headphones. The cursor waits for it and the ear allows
          for it.
        </Text>
      </div>
      <div>
        <Text size="sm">Strum</Text>
        <SegmentedControl
          size="xs"
          fullWidth
          aria-label="Strum direction"
          value={settings.strum}
          onChange={(strum) => void changeSettings({ strum: strum as 'down' | 'up' })}
          data={[
            { value: 'down', label: 'low to high' },
            { value: 'up', label: 'high to low' },
          ]}
        />
      </div>
      <div>
        <Text size="sm">Between strings: {settings.strumMs} ms</Text>
        <Amount of="strumMs" label="Milliseconds between strings" max={200} step={2} />
      </div>
      <Switch
        label="In a small room"
        checked={settings.room}
        onChange={(event) => changeSound({ room: event.currentTarget.checked })}
      />
      <Switch
        label="Bass stand-in plays the root"
        checked={settings.bassStandIn}
        onChange={(event) => void changeSettings({ bassStandIn: event.currentTarget.checked })}
      />
      <Text size="xs" c="dimmed">
        Keep headphones moderate: if speech beside you is hard to follow, it is too loud. Rest your ears after an hour;
        ringing or dullness that lasts belongs to a physician.
      </Text>
    </Stack>
  )
}

/** A slider for one of the settings; it is taken over when the hand lets go. */
function Amount({
  of,
  label,
  max = 100,
  step = 5,
}: {
  readonly of: 'volume' | 'latencyMs' | 'strumMs' | (typeof PARTS)[number][0]
  readonly label: string
  readonly max?: number
  readonly step?: number
}) {
  const { settings } = useStore($session)
  return (
    <Slider
      flex={1}
      size="sm"
      thumbLabel={label}
      min={0}
      max={max}
      step={step}
      defaultValue={settings[of]}
      onChangeEnd={(value) => changeSound({ [of]: value })}
    />
  )
}
