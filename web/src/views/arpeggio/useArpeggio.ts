/** The state of the Arpeggio view: the plan with its undo, what is typed, what plays, the address. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import type { Player } from '@nestling/core/request'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { stopListening } from '../../ear/listening.ts'
import { useKeptPast } from '../../shell/useKeptPast.ts'
import { useLineInAddress } from '../../shell/useLineInAddress.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { $playing, stop } from '../../sound/transport.ts'
import { createAsked, type Typed } from '../../state/asked.ts'
import { carriedOf, carry } from '../../state/carried.ts'
import { hearScore, hearTone, swingOf } from '../../state/playback.ts'
import { $player, $session } from '../../state/session.ts'
import { type Params, readPlan, writePlan } from './address.ts'
import { completeArpeggioLine, readArpeggioLine } from './line.ts'
import { type ArpeggioLine, lineOf, settled } from './plan.ts'
import { scoreOf, stringNoteOf } from './toScore.ts'
import type { Plan } from './types.ts'

export const OWNER = 'arpeggio'
export const CHORD_INPUT_ID = 'arpeggio-chord'

export interface ArpeggioState {
  readonly plan: Plan
  readonly line: ArpeggioLine
  readonly player: Player
  readonly typed: Typed
  readonly type: (text: string) => void
  readonly finish: () => void
  /** What a half-typed line may become. */
  readonly goingOn: (text: string) => readonly string[]
  readonly change: (changes: Partial<Plan>) => void
  readonly undo: () => unknown
  readonly redo: () => unknown
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly loop: boolean
  readonly setLoop: (loop: boolean) => void
  readonly playOrStop: () => void
  /** The note that was last pressed, by its index in the line: the neck, the table and the notation show it. */
  readonly selected: number | undefined
  /** Selects a note and lets it be heard. */
  readonly select: (index: number) => void
}

/** The chord as it stands in the field: as the player would type it. */
const typedChord = ({ chord }: Pick<Plan, 'chord'>): string => {
  const { naming } = $session.get().settings
  return writeSymbol(chord, naming === 'letters' ? { ascii: true } : { naming })
}

export function useArpeggio(params: Params): ArpeggioState {
  const player = useStore($player)
  const [asked] = useState(() => {
    const { plan, typed } = readPlan(params, player)
    const made = createAsked<Plan>(plan, { lineOf: typedChord })
    if (typed) made.showLine(typed)
    return made
  })
  const plan = useStore(asked.$now)
  const typed = useStore(asked.$typed)
  const past = useStore(asked.$past)
  const [loop, setLoop] = useState(true)
  const [selected, setSelected] = useState<number | undefined>(undefined)
  const line = useMemo(() => lineOf(plan, player), [plan, player])

  const change = useCallback((changes: Partial<Plan>) => asked.step(settled(asked.current(), changes)), [asked])
  const type = useCallback(
    (text: string) => {
      asked.type(text, (written, before) => readArpeggioLine(written, player, before))
    },
    [asked, player],
  )
  const goingOn = useCallback((text: string) => completeArpeggioLine(text, player, asked.current()), [asked, player])
  useKeptPast(asked, 'arpeggio')
  useLineInAddress(type, asked.finish)
  useQuestion({
    address: writePlan(plan, line.neck.open.length),
    open: (query) => {
      const there = readPlan(Object.fromEntries(query), player)
      asked.open(there.plan, there.typed)
    },
  })
  useEffect(() => {
    const tuning = plan.tuning ?? player.instrument.tuning
    const { chord, shape } = plan
    carry('Arpeggio', carriedOf({ chord, frets: shape, tuning }), writePlan(plan, line.neck.open.length))
  }, [plan, player, line])
  // Another line is another piece of music: what plays the old one ends.
  const before = useRef(line)
  useEffect(() => {
    if (before.current === line) return
    before.current = line
    setSelected(undefined)
    stopListening()
    if ($playing.get().owner === OWNER) stop()
  }, [line])

  const select = useCallback(
    (index: number) => {
      const note = line.notes[index]
      if (!note) return
      setSelected(index)
      hearTone(stringNoteOf(note), 'one tone')
    },
    [line],
  )

  const playOrStop = useCallback(() => {
    if ($playing.get().owner === OWNER) {
      stopListening()
      stop()
      return
    }
    const { settings } = $session.get()
    hearScore(scoreOf(line, plan, settings, loop), { owner: OWNER, tempo: settings.tempo, swing: swingOf(settings) })
  }, [line, plan, loop])

  return {
    plan,
    line,
    player,
    typed,
    type,
    finish: asked.finish,
    goingOn,
    change,
    undo: asked.undo,
    redo: asked.redo,
    canUndo: past.canUndo,
    canRedo: past.canRedo,
    loop,
    setLoop,
    playOrStop,
    selected,
    select,
  }
}
