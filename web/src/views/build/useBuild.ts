/** All effects of the Build view: opening the store, the address, the keys, and what is said aloud. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { useEffect, useMemo, useRef, useState } from 'react'
import { spokenVoicing } from '../../neck/labels.ts'
import { usePageKeys } from '../../shell/pageKeys.ts'
import {
  $build,
  $typed,
  addressOf,
  type BuildState,
  changeSetting,
  openBuild,
  readAddress,
  stateFrom,
  voicingInHand,
} from '../../state/build/index.ts'
import { tell } from '../../state/notices.ts'
import { $session, $setting, changeSettings } from '../../state/session.ts'
import type { BuildViewProps } from './BuildView.tsx'
import { buildKeys } from './keys.ts'
import { $chosenFingers } from './shown.ts'

/** A state that stays this long is written into the address. */
const SETTLED_MS = 50
/** Changes that follow one another more quickly are one step back for the browser. */
const TOGETHER_MS = 900

export function useBuild(
  { address, fingers }: Pick<BuildViewProps, 'address' | 'fingers'>,
  openHelp: () => void,
): BuildState {
  const [first] = useState(() => {
    const opened = stateFrom(address, $setting.get())
    $typed.set(opened.typed)
    if (fingers !== undefined && address.shape !== undefined) $chosenFingers.set({ [address.shape]: fingers })
    return opened.state
  })
  const state = useStore($build) ?? first
  const setting = useStore($setting)

  useEffect(() => openBuild(first), [first])
  useEffect(() => {
    if ($session.get().settings.cautionSeen) return
    tell.done(
      'Stretches build slowly. Stop at pain, tingling or numbness, rest every 20 to 30 minutes, and see a physician or hand therapist if it lasts. This stays in Set-up, under Hand.',
      'caution',
    )
    void changeSettings({ cautionSeen: true })
  }, [])
  const opened = useRef(setting)
  useEffect(() => {
    if (opened.current === setting) return
    opened.current = setting
    changeSetting(setting)
  }, [setting])
  const pushed = useRef(Number.NEGATIVE_INFINITY)
  useEffect(() => {
    if ($build.get() === undefined || state.search.status !== 'found') return undefined
    const settled = setTimeout(() => {
      const to = addressOf(state)
      if (to === window.location.pathname + window.location.search) return
      // Quick steps in a row are one page to go back to; the first address of a visit is written over.
      const fresh = performance.now() - pushed.current > TOGETHER_MS && pushed.current > 0
      pushed.current = performance.now()
      if (fresh) window.history.pushState(null, '', to)
      else window.history.replaceState(null, '', to)
    }, SETTLED_MS)
    return () => clearTimeout(settled)
  }, [state])
  useEffect(() => {
    const back = () => {
      const there = stateFrom(readAddress(new URLSearchParams(window.location.search)), $setting.get())
      $typed.set(there.typed)
      openBuild(there.state)
    }
    window.addEventListener('popstate', back)
    return () => window.removeEventListener('popstate', back)
  }, [])
  usePageKeys(useMemo(() => buildKeys(openHelp), [openHelp]))

  return state
}

/** What a screen reader hears when the shape changes or a text can't be read. */
export function useAnnouncement(state: BuildState): string {
  const { problem } = useStore($typed)
  return problem?.message ?? announcementOf(state)
}

function announcementOf(state: BuildState): string {
  if (state.search.status === 'searching') return ''
  const voicing = voicingInHand(state)
  const symbol = writeSymbol(state.build.chord)
  return voicing ? `${symbol}, ${spokenVoicing(voicing, 'letters')}` : `${symbol}, no shape`
}
