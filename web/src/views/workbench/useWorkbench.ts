/** All effects of the Build view: opening the store, the address, and what is said aloud. */
import { useStore } from '@nanostores/react'
import { instrumentFor } from '@nestling/core/request'
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { spokenVoicing } from '../../neck/labels.ts'
import { useKeptPast } from '../../shell/useKeptPast.ts'
import { useLineInAddress } from '../../shell/useLineInAddress.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { carriedOf, carry } from '../../state/carried.ts'
import { tell } from '../../state/notices.ts'
import { $player, $session, changeSettings } from '../../state/session.ts'
import {
  $preview,
  $workbench,
  type Address,
  addressOf,
  asked,
  changePlayer,
  finishLine,
  firstState,
  openWorkbench,
  readAddress,
  readFirstAnswer,
  stepFrom,
  typeLine,
  voicingInHand,
  type WorkbenchState,
} from '../../state/workbench/index.ts'
import { spokenChord } from '../../words/spoken.ts'

const RESTING_MS = 70

/** @param written The answer that the page came with. */
export function useWorkbench(address: Address, written: string | undefined): WorkbenchState {
  useKeptPast(asked, 'build')
  const [first] = useState(() => {
    const opened = stepFrom(address, $player.get())
    asked.open(opened.step, opened.typed)
    return { ...opened, answer: written === undefined ? undefined : readFirstAnswer(written) }
  })
  const player = useStore($player)
  const [before] = useState(() => firstState(first.step, player, first.answer))
  const state = useShownState(before)

  useEffect(() => openWorkbench(first.step, $player.get(), first.typed, first.answer), [first])
  useEffect(() => {
    if ($session.get().settings.cautionSeen) return
    tell.done(
      'Stretches build slowly. Stop at pain, tingling or numbness, rest every 20 to 30 minutes, and see a physician or hand therapist if it lasts. This stays in Set-up, under Take care.',
      'caution',
    )
    void changeSettings({ cautionSeen: true })
  }, [])
  const opened = useRef(player)
  useEffect(() => {
    if (opened.current === player) return
    opened.current = player
    changePlayer(player)
  }, [player])
  useQuestion({
    address: state.search.status === 'found' ? addressOf(state) : undefined,
    open: useCallback((query: URLSearchParams) => {
      const there = stepFrom(readAddress(query), $player.get())
      openWorkbench(there.step, $player.get(), there.typed)
    }, []),
  })
  useLineInAddress(typeLine, finishLine)
  // A key means what is in hand, never what is pointed at.
  useEffect(() => {
    const end = () => $preview.set(undefined)
    window.addEventListener('keydown', end, { capture: true })
    return () => window.removeEventListener('keydown', end, { capture: true })
  }, [])
  // Not while one answer follows another.
  useEffect(() => {
    if (state.search.status !== 'found' || state.faint) return undefined
    const { question, frets } = state
    const resting = setTimeout(() => {
      const { tuning } = instrumentFor(question, state.player)
      const sounds = frets?.some((fret) => fret !== null) ? frets : undefined
      carry('Build', carriedOf({ chord: question.chord, frets: sounds, tuning }), addressOf(state))
    }, RESTING_MS)
    return () => clearTimeout(resting)
  }, [state])
  return state
}

/**
 * The workbench as it is drawn. A new answer is drawn in slices, so that keys and pointer never wait for it, and appears
 * all at once; a change without a new answer is drawn at once.
 */
function useShownState(before: WorkbenchState): WorkbenchState {
  const [state, setState] = useState(() => $workbench.get() ?? before)
  const shown = useRef(state.search)
  useEffect(() => {
    const show = (next: WorkbenchState | undefined) => {
      if (!next) return
      if (next.search === shown.current) setState(next)
      else startTransition(() => setState(next))
      shown.current = next.search
    }
    show($workbench.get())
    return $workbench.listen(show)
  }, [])
  return state
}

/** What a screen reader hears when the shape changes or a text can't be read. */
export function useAnnouncement(state: WorkbenchState): string {
  const { problem } = useStore(asked.$typed)
  const words = useMemo(() => announcementOf(state), [state])
  return problem?.message ?? words
}

function announcementOf(state: WorkbenchState): string {
  if (state.search.status === 'searching') return ''
  const voicing = voicingInHand(state)
  const { naming } = $session.get().settings
  const symbol = spokenChord(state.question.chord, naming)
  return voicing ? `${symbol}, ${spokenVoicing(voicing, naming)}` : `${symbol}, no shape`
}
