/** What the sentence does not name while it is as usual: octaves, pattern, accents, the scale behind, the tuning. */
import { Menu, UnstyledButton } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { PATTERNS } from '@nestling/core/arpeggio'
import { withSigns } from '@nestling/core/pitch'
import { ACCENTS } from '@nestling/core/time'
import { memo, useState } from 'react'
import { $session } from '../../../state/session.ts'
import { ACCENT_WORDS, PATTERN_WORDS } from '../../../words/arpeggio.ts'
import type { Plan } from '../types.ts'
import type { ArpeggioState } from '../useArpeggio.ts'
import classes from './LineSentence.module.css'
import { inTuning, named, OCTAVES, tuningChoices } from './options.ts'

export const MoreOfLine = memo(function MoreOfLine({ state }: { readonly state: ArpeggioState }) {
  const [opened, setOpened] = useState(false)
  return (
    <Menu position="bottom-end" opened={opened} onChange={setOpened}>
      <Menu.Target>
        <UnstyledButton
          className={classes['more']}
          aria-label="More of the line: octaves, pattern, accents, scale, tuning"
        >
          …
        </UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown>{opened && <Groups state={state} />}</Menu.Dropdown>
    </Menu>
  )
})

function Groups({ state }: { readonly state: ArpeggioState }) {
  const { settings } = useStore($session)
  const { plan, line, change } = state
  const groups: readonly (readonly [string, readonly (readonly [string, Partial<Plan>])[]])[] = [
    ['Octaves', OCTAVES.map(([octaves, words]) => [words, { octaves }])],
    ['Pattern', named(PATTERNS, PATTERN_WORDS).map(([pattern, words]) => [words, { pattern }])],
    ['Accents', named(ACCENTS, ACCENT_WORDS).map(([accent, words]) => [`on ${words}`, { accent }])],
    ['Scale behind it', line.scales.map(({ scale }) => [withSigns(scale.name), { scale: scale.name }])],
    ['Tuning', tuningChoices(state, settings.naming).map(({ value, words }) => [words, inTuning(state, value)])],
  ]
  const isNow = (changes: Partial<Plan>) =>
    !('tuning' in changes) && Object.entries(changes).every(([key, value]) => plan[key as keyof Plan] === value)
  return groups
    .filter(([, choices]) => choices.length > 0)
    .map(([label, choices]) => (
      <div key={label} role="group" aria-label={label}>
        <Menu.Label>{label}</Menu.Label>
        {choices
          .filter(([, changes]) => !isNow(changes))
          .map(([words, changes]) => (
            <Menu.Item key={words} onClick={() => change(changes)}>
              {words}
            </Menu.Item>
          ))}
      </div>
    ))
}
