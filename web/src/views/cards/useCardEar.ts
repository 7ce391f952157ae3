/** The ear on a card: the shape is played instead of typed, and judged string by string. */
import type { StringVerdict } from '@nestling/core/ear'
import { chanceOf, type Grade, gradeHeard, rightAnswers } from '@nestling/core/practice'
import { soundedNotes } from '@nestling/core/time'
import type { Frets } from '@nestling/core/voicing'
import { useCallback, useEffect, useRef, useState } from 'react'
import { listenToRun, type RunListening } from '../../ear/chordListening.ts'
import { strummed } from '../../ear/chordPlayer.ts'
import { strikeOver } from '../../sound/transport.ts'
import { tell } from '../../state/notices.ts'
import { mixOf } from '../../state/playback.ts'
import { $player, $session } from '../../state/session.ts'
import { refusal } from '../../words/ear.ts'
import type { Asked } from './useCards.ts'

export type CardWho = 'microphone' | 'right' | 'a fret off'

export interface CardHeard {
  readonly frets: Frets
  readonly verdicts: readonly StringVerdict[]
  readonly grade: Grade
}

export interface CardEar {
  readonly who: CardWho
  readonly setWho: (who: CardWho) => void
  readonly isListening: boolean
  readonly listenOrStop: () => void
}

/** So long a player may take to find the shape. */
const WAITS_S = 30
/** The simulated player takes a breath first. */
const BREATH_BEATS = 0.5
const TEMPO = 60
const SEED = 3

export function useCardEar(asked: Asked | undefined, heard: (heard: CardHeard) => void): CardEar {
  const [who, setWho] = useState<CardWho>('microphone')
  const [isListening, setListening] = useState(false)
  const listening = useRef<RunListening | undefined>(undefined)
  const end = useCallback(() => {
    listening.current?.end()
    listening.current = undefined
    setListening(false)
  }, [])
  // Another card is another question.
  useEffect(() => end, [end, asked])

  const listen = useCallback(async () => {
    if (asked?.card.kind !== 'play') return
    const { card, neck } = asked
    const [right] = rightAnswers(card, neck, $player.get().hand)
    if (right?.kind !== 'frets') return
    const { frets } = right
    const { settings } = $session.get()
    setListening(true)
    try {
      const opened = await listenToRun(who === 'microphone' ? who : 'simulated', settings.latencyMs, (judged) => {
        if (judged.kind !== 'chord' || !judged.heard.isLast) return
        end()
        const { verdicts } = judged.heard
        const faults = verdicts.filter(({ kind }) => kind === 'missing' || kind === 'off' || kind === 'rings').length
        heard({
          frets,
          verdicts,
          grade: gradeHeard({ right: verdicts.filter(({ kind }) => kind === 'rang').length, faults, lateMs: 0 }),
        })
      })
      listening.current = opened
      const strings = frets.map((fret, string) => {
        const openMidi = neck.open[string] as number
        return { string, openMidi, midi: fret === null ? null : openMidi + fret }
      })
      opened.expect({ kind: 'chord', strings }, opened.now(), WAITS_S)
      if (who === 'microphone') return
      const notes = soundedNotes(frets, neck, { ...card.chord, root: card.root })
      const strum = { notes, neck, at: BREATH_BEATS, beats: 3, tempo: TEMPO, random: chanceOf(SEED) }
      void strikeOver(strummed(who, strum), TEMPO, mixOf(settings))
    } catch (error) {
      end()
      tell.problem('The ear can’t listen', refusal(error))
    }
  }, [asked, who, heard, end])

  const listenOrStop = useCallback(() => {
    if (isListening) end()
    else void listen()
  }, [isListening, end, listen])
  return { who, setWho, isListening, listenOrStop }
}
