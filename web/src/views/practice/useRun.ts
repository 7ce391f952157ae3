/** The state of a run: what is asked with its undo, the round that goes on, what is kept of every root. */
import { useStore } from '@nanostores/react'
import { namesOf } from '@nestling/core/name'
import { type Neck, neckOf, stringNumber, writeTuning } from '@nestling/core/neck'
import {
  chanceOf,
  completeRunLine,
  type Grade,
  nearestRule,
  type RunLineLimits,
  type RunStep,
  readRunLine,
  ruleFor,
  runOf,
  writeMaterial,
  writeSuffix,
} from '@nestling/core/practice'
import { instrumentFor, type Player, playingIn } from '@nestling/core/request'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { FASTEST, type Settings, SLOWEST } from '../../contracts/settings.ts'
import { useKeptPast } from '../../shell/useKeptPast.ts'
import { useLineInAddress } from '../../shell/useLineInAddress.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { risen } from '../../sound/tapTempo.ts'
import { $playing, setMix, stop, strikeOver } from '../../sound/transport.ts'
import { createAsked, type Typed } from '../../state/asked.ts'
import { keepAttempt, sendWaiting } from '../../state/attempts.ts'
import { newId } from '../../state/ids.ts'
import { fretsTextOf } from '../../state/links.ts'
import { tell } from '../../state/notices.ts'
import { $rise, changeSound, hearScore, mixOf, swingOf } from '../../state/playback.ts'
import { played, playedMinutes } from '../../state/playedTime.ts'
import { $player, $session } from '../../state/session.ts'
import { localDay } from '../../words/days.ts'
import { faultsOf, LAST_ROUND_AFTER_MIN } from '../../words/practice.ts'
import { type Params, RUN_FRET_MAX, readRun, runQuery, writeRun } from './address.ts'
import { atBeat, isCleanRound, proposed, type Round, startedRound, type Taken, takenOf } from './round.ts'
import { BEATS_IN_BAR, notesOf, scoreOf } from './toScore.ts'
import type { RunPlan } from './types.ts'
import { type RunEar, useRunEar } from './useRunEar.ts'

export const OWNER = 'practice'
export const RUN_INPUT_ID = 'practice-run'

export interface RunState {
  readonly plan: RunPlan
  readonly steps: readonly RunStep[]
  readonly neck: Neck
  readonly player: Player
  readonly typed: Typed
  readonly type: (text: string) => void
  readonly finish: () => void
  /** What a half-typed line may become. */
  readonly goingOn: (text: string) => readonly string[]
  readonly change: (changes: Partial<RunPlan>) => void
  readonly undo: () => unknown
  readonly redo: () => unknown
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly status: 'off' | 'starting' | 'counting' | 'running'
  readonly round: Round
  /** The root that is looked at: the one that sounds, or where the run would begin. */
  readonly at: number
  readonly ear: RunEar
  readonly startOrStop: () => void
  readonly show: () => void
  readonly hear: () => void
  readonly grade: (grade: Grade) => void
  /** The run goes on from there. */
  readonly goTo: (index: number) => void
  /** Without a pause. */
  readonly minutes: number
}

/** Every part of the band is in the music; what is off is only not heard, so that it can be turned on within a bar. */
const runMix = (settings: Settings, noisy = false) => ({
  ...mixOf(settings),
  click: settings.metronome ? settings.clickVolume : 0,
  bass: settings.bassStandIn ? settings.bassVolume : 0,
  drums: settings.drums || noisy ? settings.drumsVolume : 0,
})
const ALL_PARTS = { metronome: true, bassStandIn: true, drums: true } as const

export function useRun(params: Params): RunState {
  const player = useStore($player)
  const { settings } = useStore($session)
  const [asked] = useState(() => {
    const { plan, typed } = readRun(params, player)
    const made = createAsked<RunPlan>(plan)
    if (typed) made.showLine(typed)
    return made
  })
  const plan = useStore(asked.$now)
  const typed = useStore(asked.$typed)
  const past = useStore(asked.$past)
  const { material, cycle, from: first, down, all, seed, rule, manner, near, bars, tuning } = plan
  const neck = useMemo(() => neckOf(instrumentFor({ tuning }, player)), [tuning, player])
  // What is shown of it is no other run: it goes on. Other bars are another one.
  const steps = useMemo(
    () => stepsOf({ material, cycle, from: first, down, all, seed, rule, manner, near }, neck, player),
    [material, cycle, first, down, all, seed, rule, manner, near, bars, neck, player],
  )
  const [round, setRound] = useState(() => startedRound(steps.length))
  /** Where the next start begins. */
  const [from, setFrom] = useState(0)
  const [minutes, setMinutes] = useState(0)
  const { owner, status: sounds, mark } = useStore($playing)
  const status = owner !== OWNER ? 'off' : sounds === 'stopped' ? 'off' : sounds === 'playing' ? 'running' : sounds
  const newest = useRef({ round, plan, steps, settings, neck })
  newest.current = { round, plan, steps, settings, neck }
  const runId = useRef('')
  const startedAt = useRef('')

  useEffect(() => {
    setMinutes(playedMinutes(Date.now()))
    void sendWaiting()
    const { tempo } = readRun(params, $player.get())
    if (tempo !== undefined) changeSound({ tempo })
    return stop
  }, [params])

  const settled = useCallback(
    (changes: Partial<RunPlan>, before: RunPlan): Partial<RunPlan> => {
      const { material, rule, manner } = changes
      // Tones in an order have no manner, and a manner has its own orders.
      if (rule?.kind === 'orders') return { ...changes, manner: undefined }
      if (manner !== undefined && before.rule.kind === 'orders' && !rule)
        return { ...changes, rule: nearestRule(neck.open.length) }
      if (!material || material.kind === 'shapes' || rule) return changes
      return { ...changes, rule: ruleFor(before.rule, material.formula, neck.open.length) }
    },
    [neck],
  )
  const change = useCallback(
    (changes: Partial<RunPlan>) => asked.step(settled(changes, asked.current())),
    [asked, settled],
  )
  const type = useCallback(
    (text: string) =>
      void asked.type(text, (written, planBefore) => {
        const read = readRunLine(written, limitsOf(planBefore, player, neck))
        if (!read.ok) return read
        const { tempo, ...changes } = read.value
        if (tempo !== undefined) changeSound({ tempo })
        return {
          ok: true,
          value: settled({ ...changes, ...(changes.material ? { title: '' } : {}) }, planBefore),
        }
      }),
    [asked, neck, player, settled],
  )
  const goingOn = useCallback(
    (text: string) => completeRunLine(text, limitsOf(asked.current(), player, neck)),
    [asked, player, neck],
  )
  useKeptPast(asked, 'practice')
  useLineInAddress(type, asked.finish)
  const count = neck.open.length
  useQuestion({
    address: writeRun(plan, count),
    open: (query) => {
      const there = readRun(Object.fromEntries(query), player)
      asked.open(there.plan, there.typed)
    },
  })

  const heardBar = useCallback((index: number, heard: Round['heard']) => {
    setRound((now) => (now.at === index ? { ...now, heard } : now))
  }, [])
  const ear = useRunEar({ neck, onHeard: heardBar })

  const isNoisy = settings.earJudges && ear.who === 'noise'

  // Another run is another piece of music: what plays the old one ends.
  const before = useRef(steps)
  useEffect(() => {
    if (before.current === steps) return
    before.current = steps
    setRound(startedRound(steps.length))
    setFrom(0)
    if ($playing.get().owner === OWNER) stop()
  }, [steps])

  const keep = useCallback((taken: Taken) => {
    const { plan, steps, settings } = newest.current
    const step = steps[taken.index]
    if (!step?.shape) return
    const seconds = (plan.bars * BEATS_IN_BAR * 60) / settings.tempo
    const { instrument } = $session.get()
    const strings = step.shape.frets.length
    const now = new Date()
    setMinutes(played(seconds * 1000, now.getTime()))
    void keepAttempt({
      id: newId(),
      kind: 'run',
      run: {
        id: runId.current,
        query: runQuery(plan, strings).toString(),
        title: plan.title,
        startedAt: startedAt.current,
      },
      card: '',
      at: now.toISOString(),
      day: localDay(now),
      material: writeMaterial(plan.material),
      suffix: `${plan.material.kind === 'arpeggio' ? 'arpeggio ' : ''}${writeSuffix(step.chord.formula)}`,
      root: step.chord.root,
      string: step.string === undefined ? 0 : stringNumber(step.string, strings),
      frets: fretsTextOf(step.shape.frets),
      tuning: writeTuning(plan.tuning ?? instrument.tuning),
      tempo: settings.tempo,
      grade: taken.grade,
      judge: taken.judge,
      shown: taken.shown || plan.showing === 'open',
      seconds,
      faults: taken.heard ? faultsOf(taken.heard.verdicts) : '',
      instrument: instrument.name,
    }).then((reply) => {
      if (!reply.ok && reply.status !== 0) tell.problem('Not kept', reply.message)
    })
  }, [])

  // The beat that sounds, told by the transport, moves the round on.
  const order = useRef<readonly number[]>([])
  useEffect(() => {
    if (owner !== OWNER || mark === undefined) return
    const each = newest.current.plan.bars * BEATS_IN_BAR
    const first = order.current[0] ?? 0
    const count = newest.current.steps.length
    const shifted = (mark + first * each) % (count * each)
    const { round: next, taken } = atBeat(newest.current.round, shifted, each)
    newest.current = { ...newest.current, round: next }
    setRound(next)
    if (taken) keep(taken)
  }, [owner, mark, keep])

  useEffect(() => {
    if (owner === OWNER) setMix(runMix(settings, isNoisy))
  }, [owner, settings, isNoisy])

  const end = useCallback(() => {
    ear.end()
    stop()
  }, [ear.end])
  useEffect(() => {
    if (status === 'off') ear.end()
  }, [status, ear.end])

  const start = useCallback(
    async (at: number) => {
      const { plan, steps, settings, neck } = newest.current
      if (steps.every(({ shape }) => shape === undefined)) return
      if (settings.muted)
        return tell.done('Sound is off: the beat could not be heard. Turn it on at the top right.', 'muted')
      const turned = [...steps.slice(at), ...steps.slice(0, at)]
      order.current = turned.map((step) => steps.indexOf(step))
      runId.current = newId()
      startedAt.current = new Date().toISOString()
      setRound({ ...startedRound(steps.length), before: newest.current.round.before })
      const listens = settings.earJudges ? await ear.begin() : false
      const each = plan.bars * BEATS_IN_BAR
      const first = settings.tempo
      const score = scoreOf(
        turned,
        plan.bars,
        { ...settings, ...ALL_PARTS },
        listens ? ear.struck(settings.tempo) : undefined,
        Math.min(...neck.open),
      )
      hearScore(score, {
        owner: OWNER,
        tempo: settings.tempo,
        swing: swingOf(settings),
        mix: runMix(settings, isNoisy),
        onCue: (mark, seconds) => {
          const index = order.current[Math.floor(mark / each)]
          const step = index === undefined ? undefined : newest.current.steps[index]
          if (listens && mark % each === 0 && step)
            ear.expect(index as number, step, seconds, (each * 60) / $session.get().settings.tempo)
        },
        onRound: (_, tempo) => {
          const rise = $rise.get()
          const next =
            rise > 0 && isCleanRound(newest.current.round) ? risen(tempo, rise, first) : $session.get().settings.tempo
          if (next !== tempo) changeSound({ tempo: next })
          if (playedMinutes(Date.now()) >= LAST_ROUND_AFTER_MIN) setTimeout(end)
          return next
        },
      })
      return undefined
    },
    [ear, end, isNoisy],
  )

  const startOrStop = useCallback(() => {
    if ($playing.get().owner === OWNER) {
      end()
      const { round } = newest.current
      // The root that sounds was begun: it counts when somebody said how it went.
      if (round.at >= 0 && proposed(round) !== undefined) keep(takenOf(round))
      setFrom(Math.max(0, round.at))
    } else void start(from)
  }, [end, keep, start, from])

  const goTo = useCallback(
    (index: number) => {
      setFrom(index)
      if ($playing.get().owner === OWNER) void start(index)
      else setRound((now) => ({ ...now, at: -1, beat: -1, chosen: undefined, heard: undefined, shown: false }))
    },
    [start],
  )

  const at = status === 'running' && round.at >= 0 ? round.at : from
  const show = useCallback(() => setRound((now) => ({ ...now, shown: true })), [])
  const hear = useCallback(() => {
    const step = newest.current.steps[Math.max(0, at)]
    if (!step) return
    if ($session.get().settings.muted) return tell.done('Sound is off. Turn it on at the top right.', 'muted')
    const notes = notesOf(step, neck)
    const apart = step.line ? 0.5 : 0.06
    setRound((now) => ({ ...now, shown: now.at >= 0 ? true : now.shown }))
    void strikeOver(
      notes.map((note, index) => ({
        ...note,
        part: 'strings',
        at: index * apart,
        length: step.line ? apart : 3,
        loud: 0.8,
      })),
      100,
      runMix($session.get().settings),
    )
  }, [at, neck])
  const grade = useCallback((chosen: Grade) => {
    setRound((now) => (now.at < 0 ? now : { ...now, chosen }))
  }, [])

  return {
    plan,
    steps,
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
    status,
    round,
    at,
    ear,
    startOrStop,
    show,
    hear,
    grade,
    goTo,
    minutes,
  }
}

type Asked = Pick<RunPlan, 'material' | 'cycle' | 'from' | 'down' | 'all' | 'seed' | 'rule' | 'manner' | 'near'>

export const stepsOf = (plan: Asked, neck: Neck, player: Player): readonly RunStep[] =>
  runOf(
    { ...plan, random: chanceOf(plan.seed), fretMax: lastFretOf(plan, neck), playing: playingIn(plan.manner, player) },
    neck,
    player.hand,
  )

/** One's own shapes lie where they lie; those that are found stay where the frets are wide. */
const lastFretOf = ({ material }: Pick<RunPlan, 'material'>, neck: Neck): number =>
  material.kind === 'shapes' ? neck.lastFret : Math.min(RUN_FRET_MAX, neck.lastFret)

/** What a line can say here, and what wishes without a chord are about. */
function limitsOf({ material }: RunPlan, { naming }: Player, neck: Neck): RunLineLimits {
  return {
    strings: neck.open.length,
    slowest: SLOWEST,
    fastest: FASTEST,
    naming,
    formula: material.kind === 'shapes' ? undefined : material.formula,
    nameOf: (frets) => namesOf(frets, neck)[0]?.chord,
  }
}
