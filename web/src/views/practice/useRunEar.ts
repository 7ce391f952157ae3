/** The ear over a run: who is listened to, what is due, and what it makes of every bar. */

import type { ExpectedString, Mark, StringVerdict } from '@nestling/core/ear'
import type { Neck } from '@nestling/core/neck'
import { chanceOf, gradeHeard, type RunStep } from '@nestling/core/practice'
import { requireAt } from '@nestling/core/result'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { type BarJudged, listenToRun, type RunListening } from '../../ear/chordListening.ts'
import { type ChordPlays, noiseOver, picked, strummed } from '../../ear/chordPlayer.ts'
import { tell } from '../../state/notices.ts'
import { $session } from '../../state/session.ts'
import { refusal } from '../../words/ear.ts'
import { notesOf, type Struck } from './toScore.ts'
import type { BarHeard } from './types.ts'

export type Who = 'microphone' | ChordPlays

export interface RunEar {
  readonly who: Who
  readonly setWho: (who: Who) => void
  /** It listens to the run that goes on. */
  readonly isOn: boolean
  /** Opens the microphone, or the simulated player; false when neither can be had. */
  readonly begin: () => Promise<boolean>
  readonly end: () => void
  readonly expect: (index: number, step: RunStep, atS: number, lastsS: number) => void
  /** What the simulated player strikes; nothing while a microphone listens. */
  readonly struck: (tempo: number) => Struck | undefined
}

export interface RunEarOptions {
  readonly neck: Neck
  readonly onHeard: (index: number, heard: BarHeard) => void
}

/** Of the simulated player's slips. */
const SEED = 7

export function useRunEar({ neck, onHeard }: RunEarOptions): RunEar {
  const [who, setWho] = useState<Who>('mixed')
  const [isOn, setOn] = useState(false)
  const listening = useRef<RunListening | undefined>(undefined)
  const due = useRef<{ readonly index: number; readonly step: RunStep } | undefined>(undefined)
  const end = useCallback(() => {
    listening.current?.end()
    listening.current = undefined
    setOn(false)
  }, [])
  useEffect(() => end, [end])
  const begin = useCallback(async () => {
    end()
    try {
      listening.current = await listenToRun(
        who === 'microphone' ? 'microphone' : who === 'noise' ? 'simulated in noise' : 'simulated',
        $session.get().settings.latencyMs,
        (judged) => {
          if (due.current) onHeard(due.current.index, heardOf(judged, due.current.step))
        },
      )
      setOn(true)
      return true
    } catch (error) {
      tell.problem('The ear can’t listen', refusal(error))
      return false
    }
  }, [end, who, onHeard])
  const expect = useCallback<RunEar['expect']>(
    (index, step, atS, lastsS) => {
      const { shape, line } = step
      if (!listening.current || !shape) return
      // A line of the bar before is judged first: what is due changes after it.
      const next = { index, step }
      if (line) {
        listening.current.expect(
          { kind: 'line', midis: line.map(({ midi }) => midi), everyS: lastsS / line.length },
          atS,
          lastsS,
        )
      } else listening.current.expect({ kind: 'chord', strings: expectedOf(step, neck) }, atS, lastsS)
      due.current = next
    },
    [neck],
  )
  const struck = useCallback(
    (tempo: number): Struck | undefined => {
      if (who === 'microphone') return undefined
      const random = chanceOf(SEED)
      return (step, _, at, beats) => {
        const strum = { notes: notesOf(step, neck), neck, at, beats, tempo, random }
        const played = step.line ? picked(who, strum) : strummed(who, strum)
        return who === 'noise' ? [...played, ...noiseOver(strum)] : played
      }
    },
    [who, neck],
  )
  return useMemo(() => ({ who, setWho, isOn, begin, end, expect, struck }), [who, isOn, begin, end, expect, struck])
}

export const expectedOf = ({ shape }: RunStep, neck: Neck): readonly ExpectedString[] =>
  (shape?.frets ?? []).map((fret, string) => {
    const openMidi = neck.open[string] as number
    return { string, openMidi, midi: fret === null ? null : openMidi + fret }
  })

function heardOf(judged: BarJudged, { line = [], shape }: RunStep): BarHeard {
  if (judged.kind === 'chord') {
    const { verdicts, lateMs } = judged.heard
    return { verdicts, lateMs: lateMs ?? 0, grade: gradeOf(verdicts, lateMs ?? 0) }
  }
  // Of a line each string is told by its worst note.
  const { marks } = judged.judgement
  const verdicts = (shape?.frets ?? []).map((_, string): StringVerdict => {
    const mine = marks.filter((_, index) => line[index]?.string === string)
    if (mine.length === 0) return { kind: 'still' }
    return verdictOf(
      mine.find(({ kind }) => kind !== 'right') ?? requireAt(mine, 0),
      line.find((note) => note.string === string)?.midi,
    )
  })
  const late = marks.flatMap((mark) => (mark.kind === 'right' ? [mark.lateMs] : []))
  const lateMs = late.length > 0 ? Math.round(late.reduce((sum, one) => sum + one, 0) / late.length) : 0
  return { verdicts, lateMs, grade: gradeOf(verdicts, lateMs) }
}

function verdictOf(mark: Mark, midi: number | undefined): StringVerdict {
  if (mark.kind === 'right' || mark.kind === 'octave') return { kind: 'rang' }
  if (mark.kind === 'missing' || midi === undefined) return { kind: 'missing' }
  return { kind: 'off', by: mark.heard.midi > midi ? 1 : -1 }
}

const isFault = ({ kind }: StringVerdict): boolean => kind === 'missing' || kind === 'off' || kind === 'rings'

const gradeOf = (verdicts: readonly StringVerdict[], lateMs: number) =>
  gradeHeard({
    right: verdicts.filter(({ kind }) => kind === 'rang').length,
    faults: verdicts.filter(isFault).length,
    lateMs,
  })
