/** The state of the Key view: the plan with its undo, its lanes (from the worker), what plays, the address. */
import { useStore } from '@nanostores/react'
import type { Chord } from '@nestling/core/chord'
import { completeKeyLine, type KeyLine, laneInHand, nearestShape, readKeyLine, writeKeyLine } from '@nestling/core/lane'
import type { Neck } from '@nestling/core/neck'
import { instrumentFor, type Player, playingIn } from '@nestling/core/request'
import type { Shape } from '@nestling/core/shape'
import type { Frets } from '@nestling/core/voicing'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { withoutBeat } from '../../contracts/settings.ts'
import type { Stop } from '../../controls/Stopped.tsx'
import { useKeptPast } from '../../shell/useKeptPast.ts'
import { useLineInAddress } from '../../shell/useLineInAddress.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { $playing, stop } from '../../sound/transport.ts'
import { createAsked, type Typed } from '../../state/asked.ts'
import { carriedOf, leftAt } from '../../state/carried.ts'
import { tell } from '../../state/notices.ts'
import { hearScore, swingOf } from '../../state/playback.ts'
import { $player, $session } from '../../state/session.ts'
import { keyClient } from '../../workers/clients.ts'
import { neckFor, type Params, readPlan, writePlan } from './address.ts'
import { followed } from './followed.ts'
import { scoreOf, type Turn, turnsGoing, turnsInKeys, turnsWritten } from './toScore.ts'
import type { KeyAnswer, KeyPlan } from './types.ts'
import { movedByFourths, useLanes } from './useLanes.ts'

export const OWNER = 'key'
export const KEY_INPUT_ID = 'key-line'
/** What is in hand when this long has passed is carried to other views. */
const RESTING_MS = 120

export interface KeyState {
  readonly plan: KeyPlan
  /** The last lanes; of an earlier plan while the worker is at the new one. */
  readonly answer: KeyAnswer
  /** The worker has stopped on the newest plan. */
  readonly stopped: Stop | undefined
  readonly neck: Neck
  readonly player: Player
  readonly typed: Typed
  readonly type: (text: string) => void
  readonly finish: () => void
  /** What a half-typed line may become. */
  readonly goingOn: (text: string) => readonly string[]
  readonly change: (changes: Partial<KeyPlan>) => void
  readonly undo: () => unknown
  readonly redo: () => unknown
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly loop: boolean
  readonly setLoop: (loop: boolean) => void
  /** Plays the lane, or what was written in numbers, or stops. */
  readonly playLane: () => void
  readonly playWritten: () => void
  /** The shape that is chosen. */
  readonly chosen: Turn | undefined
  readonly hearChosen: () => void
  /** Plays the chosen lane in twelve keys, or stops. */
  readonly playAllKeys: () => void
  /** Hears the step before, a chord in between, and the chosen step. */
  readonly hearBetween: (chord: Chord) => void
  readonly shape: Shape | undefined
  /** What plays: the turns by their marks. */
  readonly turns: readonly Turn[]
  readonly byFourths: (by: number) => void
}

export function useKey(params: Params): KeyState {
  const player = useStore($player)
  const [asked] = useState(() => {
    const { plan, typed } = readPlan(params, player)
    const made = createAsked<KeyPlan>(plan, {
      lineOf: (now) => writeKeyLine(now, neckFor(now, player).open.length, $session.get().settings.naming),
    })
    if (typed) made.showLine(typed)
    return made
  })
  const plan = useStore(asked.$now)
  const typed = useStore(asked.$typed)
  const past = useStore(asked.$past)
  const [loop, setLoop] = useState(false)
  const [turns, setTurns] = useState<readonly Turn[]>([])
  const { answer, stop: stopped } = useLanes(asked, plan, player)
  const { neck } = answer

  const change = useCallback((changes: Partial<KeyPlan>) => asked.step(followed(asked.current(), changes)), [asked])
  const type = useCallback(
    (text: string) => {
      asked.type(text, (written, before) => {
        const read = readKeyLine(written, neckFor(before, player).open.length, player.naming, before)
        return read.ok ? { ok: true, value: planOf(read.value, before, player) } : read
      })
    },
    [asked, player],
  )
  const goingOn = useCallback(
    (text: string) => {
      const now = asked.current()
      return completeKeyLine(text, neckFor(now, player).open.length, player.naming, now)
    },
    [asked, player],
  )
  useKeptPast(asked, 'key-lanes')
  useLineInAddress(type, asked.finish)
  useQuestion({
    // Written when its lanes are there: to write it meanwhile would hold them up.
    address: answer.plan === plan ? writePlan(plan, neck) : undefined,
    open: (query) => {
      const there = readPlan(Object.fromEntries(query), player)
      asked.open(there.plan, there.typed)
    },
  })

  const lane = answer.lanes[answer.plan.lane]
  const standing = lane?.steps[answer.plan.step - 1]
  const chosen = useMemo((): Turn | undefined => {
    const used = standing?.shape ?? standing?.instead?.shape
    if (!standing || !used) return undefined
    const chord = standing.shape ? standing.chord : (standing.instead?.chord ?? standing.chord)
    return { chord, frets: used.frets, step: standing.step, lane: answer.plan.lane }
  }, [standing, answer.plan.lane])
  const shape = useMemo(
    (): Shape | undefined =>
      chosen && {
        chord: chosen.chord,
        frets: withoutCapo(chosen.frets, answer.plan, player),
        tuning: instrumentFor(answer.plan, player).tuning,
      },
    [chosen, answer, player],
  )
  // Not while one key follows another.
  useEffect(() => {
    if (!shape) return undefined
    const resting = setTimeout(() => leftAt('Key', carriedOf(shape), writePlan(answer.plan, neck)), RESTING_MS)
    return () => clearTimeout(resting)
  }, [shape, answer, neck])

  const hear = useCallback(
    (next: readonly Turn[], again: boolean) => {
      setTurns(next)
      const { settings } = $session.get()
      hearScore(scoreOf(next, neck, answer.plan, settings, again), {
        owner: OWNER,
        tempo: settings.tempo,
        swing: swingOf(settings),
      })
    },
    [neck, answer],
  )
  const play = useCallback(
    (next: readonly Turn[], nothing: string) => {
      if ($playing.get().owner === OWNER) return stop()
      if (next.length === 0) return tell.done(nothing, 'nothing-to-play')
      return hear(next, loop)
    },
    [hear, loop],
  )
  const playLane = useCallback(() => play(turnsGoing(answer), 'This lane has no shape to play.'), [play, answer])
  const playWritten = useCallback(() => play(turnsWritten(answer), 'Nothing is written: press 1 to 7.'), [play, answer])
  const hearChosen = useCallback(() => {
    if (!chosen) return tell.done('This step has no shape here.', 'nothing-to-play')
    setTurns([])
    const once = { ...answer.plan, lasting: 'bar' } as const
    const quiet = withoutBeat($session.get().settings)
    return hearScore(scoreOf([chosen], neck, once, quiet, false), { owner: 'one step', tempo: 80 })
  }, [chosen, neck, answer])
  const playAllKeys = useCallback(() => {
    const ask = answer.lanes[answer.plan.lane]?.ask
    if ($playing.get().owner === OWNER || !ask) return stop()
    return void keyClient()
      .lanesOfAllKeys(answer.plan, playingIn(answer.plan.manner, player), ask, neck, player.hand)
      .then(
        (all) => play(turnsInKeys(all, answer.plan.lane), 'This lane has no shape to play.'),
        (error: unknown) => tell.problem('No lanes', error instanceof Error ? error.message : String(error)),
      )
  }, [answer, neck, player, play])
  const hearBetween = useCallback(
    (chord: Chord) => {
      const { lanes, plan: shown } = answer
      const here = lanes[shown.lane]
      const from = here?.steps[shown.step - 2] ?? here?.steps[6]
      if (!chosen || !here || !from?.shape || !standing)
        return tell.done('There is no shape to come from.', 'nothing-to-play')
      const before: Turn = { chord: from.chord, frets: from.shape.frets, step: from.step, lane: shown.lane }
      const leapt = (from.shape.frets[from.string] ?? 1) + 1
      const shape = nearestShape(chord, standing.string, leapt, neck, player.hand, neck.lastFret)
      if (!shape) return tell.done('No shape of it lies near.', 'nothing-to-play')
      setTurns([])
      const quiet = withoutBeat($session.get().settings)
      const three = [before, { chord, frets: shape.frets, step: undefined, lane: shown.lane }, chosen]
      return hearScore(scoreOf(three, neck, { ...shown, lasting: 'beat' }, quiet, false), {
        owner: 'in between',
        tempo: 60,
      })
    },
    [answer, chosen, standing, neck, player],
  )
  // Other lanes are another piece of music.
  const before = useRef(answer)
  useEffect(() => {
    const isOther = before.current.lanes !== answer.lanes
    before.current = answer
    if (isOther && $playing.get().owner === OWNER) {
      // One key after another while it plays: the new lanes go on at once.
      hear(turnsGoing(answer), loop)
    }
  }, [answer, hear, loop])

  const byFourths = useCallback((by: number) => change(movedByFourths(asked.current(), by)), [asked, change])
  return {
    plan,
    answer,
    stopped,
    neck,
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
    playLane,
    playWritten,
    chosen,
    hearChosen,
    playAllKeys,
    hearBetween,
    shape,
    turns,
    byFourths,
  }
}

/** What a line changes; of orders that it leaves open the one that climbs through is taken. */
function planOf({ asks, others, from, ...said }: KeyLine, before: KeyPlan, player: Player): Partial<KeyPlan> {
  const now = { ...before, ...said }
  const inHand =
    asks && others ? laneInHand(now, [...asks, ...others], neckFor(before, player), player.hand) : undefined
  const taken = inHand ? [inHand] : asks?.slice(0, 2)
  return followed(before, {
    ...said,
    ...(taken ? { asks: taken, from, ...(taken.length < 2 ? { lane: 0 } : {}) } : {}),
    ...(from === undefined ? {} : { from }),
  })
}

/** Elsewhere the shape is held without the plan's own capo: what rang open is stopped where it lay. */
function withoutCapo(frets: Frets, { capo }: KeyPlan, { instrument }: Player): Frets {
  const isOwn = capo === undefined || capo === (instrument.capo?.fret ?? 0)
  return isOwn ? frets : frets.map((fret) => (fret === 0 ? (capo ?? 0) : fret))
}
