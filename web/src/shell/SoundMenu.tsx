/** The sound button; what it opens loads when it is opened. */
import { ActionIcon, Popover } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { lazy, Suspense } from 'react'
import { IconVolume, IconVolumeOff } from '../controls/icons.ts'
import { $session } from '../state/session.ts'

const load = () => import('./SoundPanel.tsx')
const SoundPanel = lazy(load)

export function SoundMenu() {
  const { settings } = useStore($session)
  const label = settings.muted ? 'Sound: off' : `Sound: on, volume ${settings.volume}`
  return (
    <Popover position="bottom-end" shadow="md" width={260} trapFocus>
      <Popover.Target>
        <ActionIcon
          variant="subtle"
          color="gray"
          aria-label={label}
          onPointerEnter={() => void load()}
          onFocus={() => void load()}
        >
          {settings.muted ? <IconVolumeOff size={18} /> : <IconVolume size={18} />}
        </ActionIcon>
      </Popover.Target>
      <Popover.Dropdown>
        <Suspense>
          <SoundPanel />
        </Suspense>
      </Popover.Dropdown>
    </Popover>
  )
}
