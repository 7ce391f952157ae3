/** The state of the Arpeggio view: the plan with its undo, what is typed, what plays, the address. */
import { useStore } from '@nanostores/react'
import type { Setting } from '@nestling/core/build'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { stopListening } from '../../ear/listening.ts'
import { type TypedChord, useTypedChord } from '../../shell/useTypedChord.ts'
import { $playing, stop } from '../../sound/transport.ts'
import { hearChords, hearScore } from '../../state/hearing.ts'
import { changedFrom, type Moment, NO_HISTORY, redone, undone } from '../../state/history.ts'
import { $session, $setting } from '../../state/session.ts'
import { type Params, readPlan, writePlan } from './address.ts'
import { type Line, lineOf } from './plan.ts'
import { scoreOf } from './toScore.ts'
import type { Plan } from './types.ts'

export const OWNER = 'arpeggio'
export const CHORD_INPUT_ID = 'arpeggio-chord'
/** A plan that stays this long is written into the address. */
const SETTLED_MS = 60

export interface ArpeggioState {
  readonly plan: Plan
  readonly line: Line
  readonly setting: Setting
  readonly typed: TypedChord
  readonly change: (changes: Partial<Plan>) => void
  readonly undo: () => void
  readonly redo: () => void
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

export function useArpeggio(params: Params): ArpeggioState {
  const setting = useStore($setting)
  const [first] = useState(() => readPlan(params, setting))
  const [steps, setSteps] = useState<Moment<Plan>>({ now: first.plan, history: NO_HISTORY })
  const [loop, setLoop] = useState(true)
  const [selected, setSelected] = useState<number | undefined>(undefined)
  const plan = steps.now
  const line = useMemo(() => lineOf(plan, setting), [plan, setting])

  const change = useCallback(
    (changes: Partial<Plan>) =>
      setSteps(({ now, history }) => ({ now: settled(now, changes), history: changedFrom(history, now) })),
    [],
  )
  const typed = useTypedChord({ text: first.plan.symbol, problem: first.problem }, setting.naming, (chord, symbol) =>
    change({ symbol, chord, shape: undefined }),
  )
  const go = (to: (moment: Moment<Plan>) => Moment<Plan> | undefined) => {
    const there = to(steps)
    if (!there) return
    setSteps(there)
    typed.show(there.now.symbol)
  }

  useEffect(() => {
    const later = setTimeout(
      () => window.history.replaceState(null, '', writePlan(plan, line.neck.open.length)),
      SETTLED_MS,
    )
    return () => clearTimeout(later)
  }, [plan, line])
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
      hearChords([{ midis: [note.midi] }], 'together', 'one tone')
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
    const score = scoreOf(line, plan, settings, loop)
    hearScore(score, { owner: OWNER, tempo: settings.tempo, swing: settings.swing, countIn: score.countIn })
  }, [line, plan, loop])

  return {
    plan,
    line,
    setting,
    typed,
    change,
    undo: () => go(undone),
    redo: () => go(redone),
    canUndo: steps.history.past.length > 0,
    canRedo: steps.history.future.length > 0,
    loop,
    setLoop,
    playOrStop,
    selected,
    select,
  }
}

/** Choices that belong to another line are given up with it. */
function settled(now: Plan, changes: Partial<Plan>): Plan {
  const next = { ...now, ...changes }
  const other = next.chord !== now.chord || next.way !== now.way || next.at !== now.at || next.string !== now.string
  const from = next.from === 'lowest' || next.chord.formula.includes(next.from) ? next.from : 'R'
  const find = next.find !== undefined && next.chord.formula.includes(next.find) ? next.find : undefined
  return { ...next, from, find, ...(other ? { line: 0, chosen: changes.chosen ?? [] } : {}) }
}
