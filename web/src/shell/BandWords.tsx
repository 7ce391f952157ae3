/** What bass and drums play, as words of a sentence: behind the word that lets them play along. */
import { useStore } from '@nanostores/react'
import type { Settings } from '../contracts/settings.ts'
import { Choice, type Options } from '../controls/Choice.tsx'
import { changeSound } from '../state/playback.ts'
import { $session } from '../state/session.ts'

const LINES: Options<Settings['bassLine']> = [
  ['roots', 'on roots'],
  ['root and fifth', 'on root and fifth'],
  ['walking', 'walking'],
]
const STYLES: Options<Settings['drumStyle']> = [
  ['straight', 'straight'],
  ['swing', 'swinging'],
  ['waltz', 'in a waltz'],
  ['bossa', 'in a bossa'],
  ['ballad', 'in a ballad'],
  ['off-beat', 'off the beat'],
]

export function BassWord() {
  const { settings } = useStore($session)
  return (
    <>
      {' '}
      <Choice
        label="What the bass plays"
        value={settings.bassLine}
        options={LINES}
        take={(bassLine) => changeSound({ bassLine })}
      />
    </>
  )
}

export function DrumsWord() {
  const { settings } = useStore($session)
  return (
    <>
      {' '}
      <Choice
        label="What the drums play"
        value={settings.drumStyle}
        options={STYLES}
        take={(drumStyle) => changeSound({ drumStyle })}
      />
    </>
  )
}
