/** The keys of a view and what they do; each can be pressed here as well, where there is no keyboard. */
import { Modal } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { LETTER_KEYS, type Settings } from '../contracts/settings.ts'
import { $session, changeSettings } from '../state/session.ts'
import classes from './KeysHelp.module.css'
import { capsOf, type KeyLine } from './keyTable.ts'

export interface KeysHelpProps {
  readonly lines: readonly KeyLine[]
  readonly close: () => void
}

const LETTERS: Readonly<Record<Settings['letterKeys'], string>> = {
  everywhere: 'everywhere',
  neck: 'only on a neck or in a list of shapes',
  off: 'nowhere',
}

export default function KeysHelp({ lines, close }: KeysHelpProps) {
  const { settings } = useStore($session)
  return (
    <Modal.Root opened onClose={close} size="lg">
      <Modal.Overlay />
      <Modal.Content>
        {/* A dialog's heading is no second banner of the page. */}
        <Modal.Header role="presentation">
          <Modal.Title>Keys</Modal.Title>
          <Modal.CloseButton aria-label="Close" size="lg" />
        </Modal.Header>
        <Modal.Body>
          <dl className={classes['help']}>
            {lines.map((line) => (
              <div key={line.does}>
                <dt>
                  {capsOf(line).map(({ cap, act }) =>
                    act === undefined ? (
                      <kbd key={cap}>{cap}</kbd>
                    ) : (
                      <button
                        key={cap}
                        type="button"
                        onClick={() => {
                          close()
                          act()
                        }}
                      >
                        <kbd>{cap}</kbd>
                      </button>
                    ),
                  )}
                </dt>
                <dd>{line.does}</dd>
              </div>
            ))}
          </dl>
          <p className={classes['rule']}>
            On every neck <kbd>→</kbd> leads towards the bridge and <kbd>←</kbd> towards the nut, whichever way it
            faces. Every key can be pressed in this list too.
          </p>
          <p className={classes['rule']}>
            What scripts may ask the server is told under <a href="/api">/api</a>.
          </p>
          <fieldset className={classes['letters']}>
            <legend>Single letters, digits and signs are commands</legend>
            {LETTER_KEYS.map((one) => (
              <label key={one}>
                <input
                  type="radio"
                  name="letter-keys"
                  checked={settings.letterKeys === one}
                  onChange={() => void changeSettings({ letterKeys: one })}
                />{' '}
                {LETTERS[one]}
              </label>
            ))}
          </fieldset>
        </Modal.Body>
      </Modal.Content>
    </Modal.Root>
  )
}
