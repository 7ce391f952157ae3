import { Modal } from '@mantine/core'
import classes from './KeysHelp.module.css'
import type { KeyLine } from './keyTable.ts'

export default function KeysHelp({ lines, close }: { readonly lines: readonly KeyLine[]; readonly close: () => void }) {
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
}
