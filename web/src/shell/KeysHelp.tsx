/** The keys of a view and what they do; each can be pressed here as well, where there is no keyboard. */
import { Modal } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { LETTER_KEYS, type Settings } from '../contracts/settings.ts'
import { useFocusBack } from '../controls/useFocusBack.ts'
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

/** Words and letters that stand in the views, for who meets them first. */
const WORDS = [
  ['p i m a', 'thumb, index, middle and ring finger of the plucking hand'],
  ['1 2 3 4, T', 'index to little finger of the fretting hand, and its thumb'],
  ['effort', 'what a fingering asks of the hand: spread, barres, fingers that cross; 0 is a hand at rest'],
  ['tension', 'a ninth, eleventh or thirteenth above the chord’s seventh'],
  ['pull', 'the force of a string in newtons: ten newtons are about a kilogram'],
] as const

export default function KeysHelp({ lines, close }: KeysHelpProps) {
  const { settings } = useStore($session)
  useFocusBack()
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
          <dl className={classes['words']}>
            {WORDS.map(([word, means]) => (
              <div key={word}>
                <dt>{word}</dt>
                <dd>{means}</dd>
              </div>
            ))}
          </dl>
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
