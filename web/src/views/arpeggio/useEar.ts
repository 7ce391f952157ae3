/** The ear over the line: who is listened to, and beginning and ending it. */
import { useStore } from '@nanostores/react'
import { useCallback, useEffect, useState } from 'react'
import { withoutBeat } from '../../contracts/settings.ts'
import { $listening, type EarSource, listen, stopListening } from '../../ear/listening.ts'
import type { Plays } from '../../ear/simulatedPlayer.ts'
import { tell } from '../../state/notices.ts'
import { mixOf } from '../../state/playback.ts'
import { $session } from '../../state/session.ts'
import { scoreOf } from './toScore.ts'
import { type ArpeggioState, OWNER } from './useArpeggio.ts'

export type Who = 'microphone' | Plays

export interface LineEar {
  readonly who: Who
  readonly setWho: (who: Who) => void
  readonly isBusy: boolean
  /** There is a line to listen to. */
  readonly canListen: boolean
  /** Begins to listen, or ends it. */
  readonly listenOrStop: () => void
}

export function useEar({ line, plan }: Pick<ArpeggioState, 'line' | 'plan'>): LineEar {
  const { status } = useStore($listening)
  const [who, setWho] = useState<Who>('right')
  useEffect(() => stopListening, [])
  const isBusy = status === 'starting' || status === 'listening'
  const canListen = line.order.length > 0
  const listenOrStop = useCallback(() => {
    if (isBusy) return stopListening()
    if (!canListen) return undefined
    const { settings } = $session.get()
    if (settings.muted)
      return tell.done('Sound is off: the clicks could not be heard. Turn it on at the top right.', 'muted')
    const source: EarSource = who === 'microphone' ? { kind: 'microphone' } : { kind: 'simulated', plays: who }
    const countInBars = Math.max(1, settings.countInBars)
    const score = scoreOf(
      line,
      plan,
      { ...withoutBeat(settings), bassStandIn: false, metronome: true, countInBars },
      false,
    )
    return void listen(score, {
      owner: OWNER,
      source,
      tempo: settings.tempo,
      mix: mixOf(settings),
      latencyMs: settings.latencyMs,
    })
  }, [isBusy, canListen, who, line, plan])
  return { who, setWho, isBusy, canListen, listenOrStop }
}
