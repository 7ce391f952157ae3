/** How notes and chords are written, what is left out, what stands on the neck, and who else plays. */
import { NativeSelect, Switch } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { LABELS, type Settings } from '../../../contracts/settings.ts'
import { $session, changeSettings } from '../../../state/session.ts'
import classes from '../SetupView.module.css'

const sample = (text: string, settings: Settings): string => {
  const chord = readSymbol(text)
  return chord.ok ? writeSymbol(chord.value, { naming: settings.naming, school: settings.symbols }) : text
}

const LABEL_WORDS = { degree: 'degrees', note: 'note names', finger: 'fingers', none: 'nothing' } as const

export function Habits() {
  const { settings } = useStore($session)
  const samples = ['Bbmaj7', 'Cm7b5', 'F#dim7', 'Eb7#5'].map((text) => sample(text, settings)).join('  ·  ')
  return (
    <div className={classes['thirds']}>
      <section aria-label="Writing">
        <h2>Writing</h2>
        <NativeSelect
          label="Notes are named by"
          value={settings.naming}
          onChange={(event) => void changeSettings({ naming: event.currentTarget.value as Settings['naming'] })}
          data={[
            { value: 'letters', label: 'letters: C D E F G A B' },
            { value: 'syllables', label: 'syllables: do ré mi fa sol la si' },
            { value: 'german', label: 'German letters: C D E F G A H, B is B flat' },
          ]}
        />
        <NativeSelect
          mt="sm"
          label="Chord symbols in"
          value={settings.symbols}
          onChange={(event) => void changeSettings({ symbols: event.currentTarget.value as Settings['symbols'] })}
          data={[
            { value: 'words', label: 'words: Cmaj7, Cm7♭5, Cdim7' },
            { value: 'signs', label: 'signs: CΔ7, Cø7, C°7' },
            { value: 'dashes', label: 'dashes: CMA7, C–7♭5, C°7' },
          ]}
        />
        <p className={classes['aside']} data-testid="symbol-samples">
          {samples}
        </p>
      </section>
      <section aria-label="Chords">
        <h2>Chords</h2>
        <NativeSelect
          label="With fewer strings than tones"
          value={settings.leavingOut}
          onChange={(event) => void changeSettings({ leavingOut: event.currentTarget.value as Settings['leavingOut'] })}
          data={[
            { value: 'drop-fifth', label: 'leave out the fifth: I have the root' },
            { value: 'drop-root', label: 'leave out the root: somebody else has it' },
            { value: 'shell', label: 'shell: root, third, seventh, one extension' },
          ]}
        />
        <Switch
          mt="md"
          label="The thumb may take the lowest string"
          checked={settings.thumb}
          onChange={(event) => void changeSettings({ thumb: event.currentTarget.checked })}
        />
        <Switch
          mt="sm"
          label="A bass player plays too: warn below E3"
          checked={settings.withBassPlayer}
          onChange={(event) => void changeSettings({ withBassPlayer: event.currentTarget.checked })}
        />
      </section>
      <section aria-label="Neck">
        <h2>Neck</h2>
        <NativeSelect
          label="In the eggs stand"
          value={settings.labels}
          onChange={(event) => void changeSettings({ labels: event.currentTarget.value as Settings['labels'] })}
          data={LABELS.map((labels) => ({ value: labels, label: LABEL_WORDS[labels] }))}
        />
        <Switch
          mt="md"
          label="The lowest string on top, as the player sees it"
          checked={settings.lowOnTop}
          onChange={(event) => void changeSettings({ lowOnTop: event.currentTarget.checked })}
        />
        <p className={classes['aside']}>
          Left-handed drawing belongs to the instrument. Day or dusk is the switch at the top right; sound is beside it.
        </p>
      </section>
    </div>
  )
}
