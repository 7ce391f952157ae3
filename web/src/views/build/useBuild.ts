/** All effects of the Build view: opening the store, the address, the keys, sound, keeping, and what is said aloud. */

import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { writeTuning } from '@nestling/core/neck'
import { type Voicing, writeShape } from '@nestling/core/voicing'
import { useEffect, useRef, useState } from 'react'
import { LABELS } from '../../contracts/settings.ts'
import { spokenVoicing } from '../../neck/labels.ts'
import { type PlayStyle, playPitches, silence } from '../../sound/player.ts'
import { keepShape } from '../../state/book.ts'
import {
  $build,
  addressOf,
  type BuildState,
  changeSetting,
  invert,
  moveFret,
  moveStrings,
  openBuild,
  redo,
  stateFrom,
  undo,
  voicingInHand,
} from '../../state/build.ts'
import { tell } from '../../state/notices.ts'
import { $session, $setting, changeSettings, sessionOf } from '../../state/session.ts'
import type { BuildViewProps } from './BuildView.tsx'

export const LINE_INPUT_ID = 'build-line-input'

export function useBuild({ address, settings, instruments }: BuildViewProps): {
  readonly first: BuildState
  readonly announcement: string
} {
  // The session must hold before the first drawing, on the server and in the browser alike.
  const [first] = useState(() => {
    $session.set(sessionOf(settings, instruments))
    return stateFrom(address, $setting.get())
  })
  const state = useStore($build) ?? first
  const setting = useStore($setting)

  useEffect(() => openBuild(first), [first])
  const opened = useRef(setting.instrument)
  useEffect(() => {
    if (opened.current === setting.instrument) return
    opened.current = setting.instrument
    changeSetting(setting)
  }, [setting])
  useEffect(() => {
    if ($build.get()) window.history.replaceState(null, '', addressOf(state))
  }, [state])
  useEffect(() => {
    window.addEventListener('keydown', onKey)
    const quiet = () => void silence()
    window.addEventListener('pagehide', quiet)
    return () => {
      window.removeEventListener('keydown', onKey)
      window.removeEventListener('pagehide', quiet)
    }
  }, [])

  return { first, announcement: announcementOf(state) }
}

function announcementOf(state: BuildState): string {
  const voicing = voicingInHand(state)
  const symbol = writeSymbol(state.build.chord)
  if (state.problem) return state.problem.message
  if (state.search.status === 'searching') return ''
  return voicing ? `${symbol}, ${spokenVoicing(voicing, 'letters')}` : `${symbol}, no shape`
}

export function playInHand(style: PlayStyle): void {
  const now = $build.get()
  const voicing = now && voicingInHand(now)
  const { muted, volume } = $session.get().settings
  if (!voicing || muted) {
    if (muted) tell.done('Sound is off. Turn it on at the top right.', 'muted')
    return
  }
  const midis = voicing.midis.filter((midi): midi is number => midi !== null)
  void playPitches(midis, style, volume).catch((error: unknown) =>
    tell.problem('No sound', error instanceof Error ? error.message : String(error)),
  )
}

export async function keepInHand(): Promise<void> {
  const now = $build.get()
  const voicing = now && voicingInHand(now)
  if (!now || !voicing) return
  const answer = await keepShape(draftOf(now, voicing))
  if (answer.ok) tell.done(`Kept in the Book: ${answer.value.name}`)
  else tell.problem('Not kept', answer.message)
}

function draftOf(state: BuildState, voicing: Voicing) {
  const { chord } = state.build
  const { naming, symbols } = $session.get().settings
  const shape = writeShape(voicing.frets)
  const name = `${writeSymbol(chord, { naming, school: symbols })} ${shape}`
  return {
    name,
    chord: writeSymbol(chord, { ascii: true }),
    shape,
    tuning: writeTuning(state.setting.instrument.tuning),
    note: '',
  }
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('input, textarea, select, [contenteditable], [role="menu"], [role="dialog"]') !== null

function onKey(event: KeyboardEvent) {
  if ($build.get() === undefined || event.defaultPrevented) return
  const command = event.ctrlKey || event.metaKey
  if (command && event.key.toLowerCase() === 'z' && !isTyping(event.target)) {
    event.preventDefault()
    if (event.shiftKey) redo()
    else undo()
    return
  }
  if (command || event.altKey || isTyping(event.target)) return
  const onButton = event.target instanceof HTMLElement && event.target.closest('button, a') !== null
  const act = (done: unknown) => {
    event.preventDefault()
    return done
  }
  switch (event.key) {
    case '/':
      act(document.getElementById(LINE_INPUT_ID)?.focus())
      break
    case 'ArrowLeft':
      act(moveFret(-1))
      break
    case 'ArrowRight':
      act(moveFret(1))
      break
    case 'ArrowUp':
      act(invert(1))
      break
    case 'ArrowDown':
      act(invert(-1))
      break
    case '[':
      act(moveStrings(1))
      break
    case ']':
      act(moveStrings(-1))
      break
    case ' ':
      if (!onButton) act(playInHand(event.shiftKey ? 'arpeggio' : 'strum'))
      break
    case 'k':
    case 'K':
      act(void keepInHand())
      break
    case 'l':
    case 'L': {
      const { labels } = $session.get().settings
      act(void changeSettings({ labels: LABELS[(LABELS.indexOf(labels) + 1) % LABELS.length] ?? 'degree' }))
      break
    }
  }
}
