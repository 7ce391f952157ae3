/** What to do with the shape in hand: hear it, compare it, collect it. */
import { Button, Menu } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { memo } from 'react'
import {
  IconBookmark, IconChevronDown, IconPlayerPlay, IconTray,
} from '../../../controls/icons.ts' // biome-ignore format: a list
import { UndoRedo } from '../../../controls/UndoRedo.tsx'
import { $session, changeSettings } from '../../../state/session.ts'
import { asked, redo, undo } from '../../../state/workbench/index.ts'
import { $withoutFifth, hearChange, hearInHand } from '../hear.ts'
import { keepInHand, toTray } from '../keeping.ts'
import classes from './ThisShape.module.css'

export const Acts = memo(function Acts({
  hasFifth,
  arpeggio,
}: {
  readonly hasFifth: boolean
  /** The address of the arpeggio around this shape. */
  readonly arpeggio: string
}) {
  const past = useStore(asked.$past)
  const { settings } = useStore($session)
  const withoutFifth = useStore($withoutFifth)
  const { before } = past
  return (
    <div className={classes['acts']}>
      <Button.Group>
        <Button
          size="compact-sm"
          variant="default"
          leftSection={<IconPlayerPlay size={15} aria-hidden />}
          onClick={() => hearInHand('strum')}
        >
          Hear
        </Button>
        <Menu position="bottom-start" shadow="md" closeOnItemClick={false}>
          <Menu.Target>
            <Button size="compact-sm" variant="default" px={5} aria-label="Ways to hear it">
              <IconChevronDown size={15} aria-hidden />
            </Button>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item onClick={() => hearInHand('arpeggio')}>One by one</Menu.Item>
            <Menu.Item onClick={() => hearInHand('together')}>Plucked together</Menu.Item>
            <Menu.Divider />
            <Menu.Item
              role="menuitemcheckbox"
              aria-checked={settings.bassStandIn}
              leftSection={settings.bassStandIn ? '✓' : ' '}
              onClick={() => void changeSettings({ bassStandIn: !settings.bassStandIn })}
            >
              With the bass stand-in
            </Menu.Item>
            <Menu.Item
              role="menuitemcheckbox"
              aria-checked={withoutFifth}
              leftSection={withoutFifth ? '✓' : ' '}
              disabled={!hasFifth}
              onClick={() => $withoutFifth.set(!withoutFifth)}
            >
              Without the fifth
            </Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </Button.Group>
      <Button
        size="compact-sm"
        variant="default"
        disabled={!before?.frets}
        onClick={() => before && hearChange(before)}
      >
        Before, after
      </Button>
      <Button size="compact-sm" variant="default" component="a" href={arpeggio}>
        Arpeggio
      </Button>
      <Button
        size="compact-sm"
        variant="default"
        leftSection={<IconTray size={15} aria-hidden />}
        onClick={() => void toTray()}
      >
        Tray
      </Button>
      <Button size="compact-sm" leftSection={<IconBookmark size={15} aria-hidden />} onClick={() => void keepInHand()}>
        Keep
      </Button>
      <span className={classes['undo']}>
        <UndoRedo canUndo={past.canUndo} canRedo={past.canRedo} undo={undo} redo={redo} />
      </span>
    </div>
  )
})
