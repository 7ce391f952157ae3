/** Volume, strum and the mute that lasts. */
import { ActionIcon, Popover, SegmentedControl, Slider, Stack, Switch, Text } from '@mantine/core'
import { useStore } from '@nanostores/react'
import type { Settings } from '../contracts/settings.ts'
import { changeSound } from '../state/hearing.ts'
import { $session, changeSettings } from '../state/session.ts'
import { IconVolume, IconVolumeOff } from './icons.ts'
import classes from './SoundMenu.module.css'

const PARTS = [
  ['stringsVolume', 'strings'],
  ['bassVolume', 'bass'],
  ['drumsVolume', 'drums'],
  ['clickVolume', 'click'],
] as const satisfies readonly (readonly [keyof Settings, string])[]

export function SoundMenu() {
  const { settings } = useStore($session)
  const label = settings.muted ? 'Sound: off' : `Sound: on, volume ${settings.volume}`
  return (
    <Popover position="bottom-end" shadow="md" width={260} trapFocus>
      <Popover.Target>
        <ActionIcon variant="subtle" color="gray" aria-label={label}>
          {settings.muted ? <IconVolumeOff size={18} /> : <IconVolume size={18} />}
        </ActionIcon>
      </Popover.Target>
      <Popover.Dropdown>
        <Stack gap="sm">
          <Switch
            label="Sound"
            checked={!settings.muted}
            onChange={(event) => void changeSettings({ muted: !event.currentTarget.checked })}
          />
          <div>
            <Text size="sm">Volume</Text>
            <Slider
              thumbLabel="Volume"
              min={0}
              max={100}
              step={5}
              defaultValue={settings.volume}
              onChangeEnd={(volume) => changeSound({ volume })}
            />
          </div>
          {PARTS.map(([key, label]) => (
            <div key={key} className={classes['part']}>
              <Text size="sm">{label}</Text>
              <Slider
                flex={1}
                size="sm"
                thumbLabel={`Volume of ${label}`}
                min={0}
                max={100}
                step={5}
                defaultValue={settings[key]}
                onChangeEnd={(value) => changeSound({ [key]: value })}
              />
            </div>
          ))}
          <div>
            <Text size="sm">Latency: {settings.latencyMs} ms</Text>
            <Slider
              thumbLabel="Latency in milliseconds"
              min={0}
              max={500}
              step={5}
              defaultValue={settings.latencyMs}
              onChangeEnd={(latencyMs) => changeSound({ latencyMs })}
            />
            <Text size="xs" c="dimmed">
              How late you hear what is played, as through wireless headphones. The cursor waits for it and the ear
              allows for it.
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
            <Slider
              thumbLabel="Milliseconds between strings"
              min={0}
              max={200}
              step={2}
              defaultValue={settings.strumMs}
              onChangeEnd={(strumMs) => void changeSettings({ strumMs })}
            />
          </div>
          <Switch
            label="Bass stand-in plays the root"
            checked={settings.bassStandIn}
            onChange={(event) => void changeSettings({ bassStandIn: event.currentTarget.checked })}
          />
          <Text size="xs" c="dimmed">
            Keep headphones moderate: if speech beside you is hard to follow, it is too loud. Rest your ears after an
            hour; ringing or dullness that lasts belongs to a physician.
          </Text>
        </Stack>
      </Popover.Dropdown>
    </Popover>
  )
}
