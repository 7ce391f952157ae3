/** Who plays along, as a word of a sentence: a habit, the same in every view. */
import { useStore } from '@nanostores/react'
import { $session, changeSettings } from '../state/session.ts'
import { ENSEMBLE_OPTIONS } from '../words/manners.ts'
import { Choice } from './Choice.tsx'

export function EnsembleWord() {
  const { settings } = useStore($session)
  return (
    <Choice
      label="Ensemble"
      value={settings.withBassPlayer}
      options={ENSEMBLE_OPTIONS}
      take={(withBassPlayer) => void changeSettings({ withBassPlayer })}
    />
  )
}
