import { Modal } from '@mantine/core'
import { memo } from 'react'
import classes from './KeysHelp.module.css'
import type { KeyLine } from './keyTable.ts'

export const KeysHelp = memo(function KeysHelp({
  lines,
  opened,
  close,
}: {
  readonly lines: readonly KeyLine[]
  readonly opened: boolean
  readonly close: () => void
}) {
  if (!opened) return null
  return (
    <Modal opened onClose={close} title="Keys" size="lg" closeButtonProps={{ 'aria-label': 'Close' }}>
      <dl className={classes['help']}>
        {lines.map(({ keys, does }) => (
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
