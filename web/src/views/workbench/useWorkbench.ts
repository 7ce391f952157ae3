/** All effects of the Build view: opening the store, the address, and what is said aloud. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { useCallback, useEffect, useRef, useState } from 'react'
import { spokenVoicing } from '../../neck/labels.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { tell } from '../../state/notices.ts'
import { $player, $session, changeSettings } from '../../state/session.ts'
import {
  $workbench,
  type Address,
  addressOf,
  asked,
  changePlayer,
  openWorkbench,
  readAddress,
  stepFrom,
  voicingInHand,
  type WorkbenchState,
} from '../../state/workbench/index.ts'

export function useWorkbench(address: Address): WorkbenchState {
  const [first] = useState(() => {
    const opened = stepFrom(address, $player.get())
    asked.open(opened.step, opened.typed)
    return opened
  })
  const player = useStore($player)
  const [before] = useState<WorkbenchState>(() => ({
    ...first.step,
    player,
    search: { status: 'searching', last: undefined },
  }))
  const state = useStore($workbench) ?? before

  useEffect(() => openWorkbench(first.step, $player.get(), first.typed), [first])
  useEffect(() => {
    if ($session.get().settings.cautionSeen) return
    tell.done(
      'Stretches build slowly. Stop at pain, tingling or numbness, rest every 20 to 30 minutes, and see a physician or hand therapist if it lasts. This stays in Set-up, under Hand.',
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
  return state
}

/** What a screen reader hears when the shape changes or a text can't be read. */
export function useAnnouncement(state: WorkbenchState): string {
  const { problem } = useStore(asked.$typed)
  return problem?.message ?? announcementOf(state)
}

function announcementOf(state: WorkbenchState): string {
  if (state.search.status === 'searching') return ''
  const voicing = voicingInHand(state)
  const symbol = writeSymbol(state.question.chord)
  return voicing ? `${symbol}, ${spokenVoicing(voicing, 'letters')}` : `${symbol}, no shape`
}
