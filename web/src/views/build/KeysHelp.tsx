import { Modal } from '@mantine/core'
import { memo } from 'react'
import classes from './BuildView.module.css'
import { KEY_HELP } from './keys.ts'

export const KeysHelp = memo(function KeysHelp({
  opened,
  close,
}: {
  readonly opened: boolean
  readonly close: () => void
}) {
  return (
    <Modal opened={opened} onClose={close} title="Keys" size="lg">
      <dl className={classes['help']}>
        {KEY_HELP.map(({ keys, does }) => (
          <div key={does}>
            <dt>
              {keys.map((key) => (
                <kbd key={key}>{key}</kbd>
              ))}
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  )
})
