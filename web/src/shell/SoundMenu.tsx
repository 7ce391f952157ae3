/** The sound button; what it opens loads when it is opened. */
import { ActionIcon, Popover } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { IconVolume, IconVolumeOff } from '../controls/icons.ts'
import { later } from '../controls/later.tsx'
import { $session } from '../state/session.ts'

const load = () => import('./SoundPanel.tsx')
const SoundPanel = later(load, { what: 'The mixer' })
/** What does not come is told where it is opened. */
const ahead = () => void load().catch(() => undefined)

export function SoundMenu() {
  const { settings } = useStore($session)
  const label = settings.muted ? 'Sound: off' : `Sound: on, volume ${settings.volume}`
  return (
    <Popover position="bottom-end" shadow="md" width={260} trapFocus>
      <Popover.Target>
        <ActionIcon variant="subtle" color="gray" aria-label={label} onPointerEnter={ahead} onFocus={ahead}>
          {settings.muted ? <IconVolumeOff size={18} /> : <IconVolume size={18} />}
        </ActionIcon>
      </Popover.Target>
      <Popover.Dropdown>
        <SoundPanel />
      </Popover.Dropdown>
    </Popover>
  )
}
