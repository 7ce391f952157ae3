/** What stands in the eggs of a view's necks: as the player has chosen it with `L`. */
import { useStore } from '@nanostores/react'
import { type NoteName, spellDegree } from '@nestling/core/pitch'
import { useMemo } from 'react'
import { type EggLabel, eggLabel } from '../neck/labels.ts'
import { $session } from '../state/session.ts'

/**
 * @param root Of the chord whose tones they are; a tone that brings its own note needs none.
 * @returns `undefined` where nothing stands in them.
 */
export function useEggLabels(root?: NoteName): EggLabel | undefined {
  const { settings } = useStore($session)
  const { labels, naming } = settings
  return useMemo(
    () =>
      labels === 'none'
        ? undefined
        : (tone) => {
            const note = tone.note ?? (root === undefined ? undefined : spellDegree(root, tone.degree))
            return eggLabel({ ...tone, note }, labels, naming)
          },
    [labels, naming, root],
  )
}
