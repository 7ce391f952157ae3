/** The state of the Path view: the plan with its undo, its path (from the worker), what plays, the address. */
import { useStore } from '@nanostores/react'
import { type Chart, guessKey, type Played, playedChart, readChart, type Span, writeChart } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import type { Key } from '@nestling/core/key'
import type { Neck } from '@nestling/core/neck'
import { findPath, PATH_WISHES, type PathFound, type PathQuestion, type PathShape } from '@nestling/core/path'
import { instrumentFor, type Player } from '@nestling/core/request'
import type { Shape } from '@nestling/core/shape'
import { withChart } from '@nestling/core/tune'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { withoutBeat } from '../../contracts/settings.ts'
import type { KeptTune } from '../../contracts/tune.ts'
import type { Stop } from '../../controls/Stopped.tsx'
import { useKeptPast } from '../../shell/useKeptPast.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { tempoWithin } from '../../sound/tapTempo.ts'
import { $playing, stop } from '../../sound/transport.ts'
import { createAsked, type Typed } from '../../state/asked.ts'
import { carriedOf, leftAt } from '../../state/carried.ts'
import { toArpeggio } from '../../state/links.ts'
import { tell } from '../../state/notices.ts'
import { changeSound, hearScore, swingOf } from '../../state/playback.ts'
import { $player, $session } from '../../state/session.ts'
import { keepWalk } from '../../state/walk.ts'
import { pathClient } from '../../workers/clients.ts'
import type { PathAround } from '../../workers/path.worker.ts'
import { neckFor, type Params, readPlan, writePlan } from './address.ts'
import { OWNER } from './look.ts'
import { partOf } from './parts.ts'
import { scoreOf } from './toScore.ts'
import type { PathAnswer, PathPlan } from './types.ts'
import { useKeptTune } from './useKeptTune.ts'
import { useWhenAnswered } from './useWhenAnswered.ts'
import { withoutWishLines } from './wishLines.ts'

export const CHART_ID = 'path-chart'
const WAYS = 5

export interface PathState {
  readonly plan: PathPlan
  /** The last path; of an earlier plan while the worker is at the new one. */
  readonly answer: PathAnswer
  /** The worker has stopped on the newest plan. */
  readonly stopped: Stop | undefined
  readonly neck: Neck
  readonly player: Player
  /** The chart's key, or the one it seems to be in. */
  readonly key: { readonly key: Key; readonly isGuess: boolean; readonly orElse: Key | undefined } | undefined
  readonly typed: Typed
  /** All that is wrong with what is typed. */
  readonly problems: ReturnType<typeof readChart>['errors']
  readonly type: (text: string) => void
  readonly finish: () => void
  readonly change: (changes: Partial<PathPlan>) => void
  /** It is kept: as this one, so far. */
  readonly keptAs: (kept: KeptTune) => void
  readonly undo: () => unknown
  readonly redo: () => unknown
  readonly canUndo: boolean
  readonly canRedo: boolean
  /** What is around the chosen chord; `undefined` until it is counted. */
  readonly around: PathAround | undefined
  readonly chosenShape: PathShape | undefined
  readonly shape: Shape | undefined
  readonly playAll: () => void
  readonly hearStep: () => void
  readonly hearWay: (shapes: readonly (PathShape | undefined)[]) => void
  readonly choose: (chord: number) => void
  readonly hold: () => void
  readonly takeShape: (frets: Shape['frets']) => void
  /** The state once it is of the newest plan. */
  readonly whenAnswered: () => Promise<PathState>
}

export const questionOf = (plan: PathPlan, played: Played, neck: Neck, player: Player): PathQuestion => ({
  chords: played.chords.map(({ chord }) => chord),
  neck,
  hand: player.hand,
  thumb: player.thumb,
  wishes: {
    ...PATH_WISHES,
    ...plan.wishes,
    manner: plan.wishes.manner ?? player.manner,
    ensemble: player.withBassPlayer ? 'bass-player' : 'alone',
  },
  weights: plan.weights,
  loop: plan.loop,
  held: plan.held.filter(({ chord }) => chord < played.chords.length),
  melody: played.chords.map((_, index) => plan.melody.find(({ chord }) => chord === index)?.midi),
  best: WAYS,
})

/** @param opened The kept tune that the address names. */
export function usePath(params: Params, opened: KeptTune | undefined): PathState {
  const player = useStore($player)
  const [asked] = useState(() =>
    createAsked<PathPlan>(readPlan(params, player), {
      lineOf: ({ chart }) => writeChart(chart, { naming: $session.get().settings.naming }),
    }),
  )
  const plan = useStore(asked.$now)
  const typed = useStore(asked.$typed)
  const past = useStore(asked.$past)
  const neck = useMemo(() => neckFor({ tuning: plan.tuning }, player), [plan.tuning, player])
  const { answer, stopped } = useAnswer(plan, neck, player)
  const problems = useMemo(
    () => readChart(withoutWishLines(typed.line, player).chart, player.naming).errors,
    [typed.line, player],
  )

  const change = useCallback(
    (changes: Partial<PathPlan>) => {
      const before = asked.current()
      const { chart } = changes
      asked.step({ ...(chart ? heldOver(before, chart) : {}), ...changes })
    },
    [asked],
  )
  const type = useCallback(
    (text: string) => {
      asked.type(text, (written, before) => {
        const tune = withoutWishLines(written, player)
        const { chart } = readChart(tune.chart, player.naming)
        const wishes = { ...before.wishes, ...tune.wishes }
        return { ok: true, value: { chart, wishes, ...heldOver(before, chart) } }
      })
    },
    [asked, player],
  )
  useKeptPast(asked, 'path')
  // Later changes grow from what has landed.
  const { kept, keepHere, withTexts } = useKeptTune(opened, ({ version }) => asked.settle({ seen: version }))
  const keptAs = useCallback(
    (now: KeptTune) => {
      keepHere(now)
      asked.settle({ tune: now.id, seen: now.version })
    },
    [asked, keepHere],
  )
  useQuestion({
    address: answer.plan === plan ? writePlan(plan, player, kept) : undefined,
    open: (query) => {
      const there = withTexts(Object.fromEntries(query))
      if (there) asked.open(readPlan(there, player))
      else window.location.reload()
    },
  })
  // A chart brings its tempo along.
  const { tempoBpm } = plan.chart
  useEffect(() => {
    if (tempoBpm !== undefined && tempoBpm !== $session.get().settings.tempo)
      changeSound({ tempo: tempoWithin(tempoBpm) })
  }, [tempoBpm])
  const { played, found } = answer
  const at = Math.min(answer.plan.chosen, Math.max(0, played.chords.length - 1))
  const chosenShape = found.shapes[at]
  const chord = played.chords[at]?.chord
  const shape = useMemo(
    (): Shape | undefined =>
      chord && chosenShape
        ? { chord, frets: chosenShape.frets, tuning: instrumentFor(answer.plan, player).tuning }
        : undefined,
    [chord, chosenShape, player, answer],
  )
  useEffect(() => {
    if (!shape) return
    leftAt('Path', carriedOf(shape), writePlan(answer.plan, player, kept))
    const { tuning } = shape
    keepWalk({
      title: answer.plan.chart.title === '' ? 'the tune' : answer.plan.chart.title,
      at,
      chords: answer.played.chords.map(({ chord }, index) => {
        const frets = answer.found.shapes[index]?.frets
        return {
          symbol: writeSymbol(chord, { ascii: true }),
          address: frets && toArpeggio({ chord, frets, tuning }, player),
        }
      }),
    })
  }, [shape, answer, neck, at, player, kept])
  const key = useMemo(() => {
    const { chart } = answer.plan
    if (chart.key) return { key: chart.key, isGuess: false, orElse: undefined }
    const guess = guessKey(played.chords)
    return guess && { key: guess.key, isGuess: true, orElse: guess.orElse }
  }, [answer, played])
  const around = useAround(answer, at, key?.key)

  const hear = useCallback(
    (shapes: readonly (PathShape | undefined)[], span?: Span) => {
      const { settings } = $session.get()
      hearScore(scoreOf(played, shapes, neck, answer.plan, settings, span), {
        owner: OWNER,
        tempo: settings.tempo,
        swing: swingOf(settings),
      })
    },
    [played, neck, answer],
  )
  const playAll = useCallback(() => {
    if ($playing.get().owner === OWNER) return stop()
    if (found.shapes.every((one) => one === undefined))
      return tell.done('There is nothing to play: type chords in bars.', 'nothing-to-play')
    return hear(found.shapes, partOf(answer.plan, played))
  }, [hear, found, answer, played])
  const hearWay = useCallback(
    (shapes: readonly (PathShape | undefined)[]) =>
      $playing.get().owner === OWNER ? stop() : hear(shapes, partOf(answer.plan, played)),
    [hear, answer, played],
  )
  const hearStep = useCallback(() => {
    const bars = [played.chords[Math.max(0, at - 1)]?.bar, played.chords[at]?.bar]
    if (bars[1] === undefined) return tell.done('There is no step to play.', 'nothing-to-play')
    const { settings } = $session.get()
    const quiet = withoutBeat(settings)
    return hearScore(
      scoreOf(played, found.shapes, neck, { ...answer.plan, loop: false }, quiet, {
        from: bars[0] ?? bars[1],
        to: bars[1],
      }),
      {
        owner: OWNER,
        tempo: settings.tempo,
      },
    )
  }, [played, found, neck, answer, at])
  const choose = useCallback(
    (next: number) => asked.step({ chosen: Math.min(Math.max(0, next), Math.max(0, played.chords.length - 1)) }),
    [asked, played],
  )
  const takeShape = useCallback(
    (frets: Shape['frets']) => {
      const { held } = asked.current()
      asked.step({
        held: [...held.filter((one) => one.chord !== at), { chord: at, frets }].toSorted((a, b) => a.chord - b.chord),
      })
    },
    [asked, at],
  )
  const hold = useCallback(() => {
    const { held } = asked.current()
    if (held.some((one) => one.chord === at)) asked.step({ held: held.filter((one) => one.chord !== at) })
    else if (chosenShape) takeShape(chosenShape.frets)
    else tell.done('There is no shape to hold here.', 'no-shape')
  }, [asked, at, chosenShape, takeShape])
  const state = {
    plan,
    answer,
    stopped,
    neck,
    player,
    key,
    typed,
    problems,
    type,
    finish: asked.finish,
    change,
    keptAs,
    undo: asked.undo,
    redo: asked.redo,
    canUndo: past.canUndo,
    canRedo: past.canRedo,
    around,
    chosenShape,
    shape,
    playAll,
    hearStep,
    hearWay,
    choose,
    hold,
    takeShape,
  }
  return useWhenAnswered(state, asked.current)
}

/** What is asked of single chords, over a changed chart. */
function heldOver(plan: PathPlan, chart: Chart): Pick<PathPlan, 'held' | 'melody'> {
  const { held, melody } = withChart(plan, chart)
  return { held, melody }
}

/** What makes another path; the chosen chord and how it is played do not. */
const pathKey = ({ chords, wishes, weights, loop, held, melody }: PathQuestion): string =>
  JSON.stringify([chords, wishes, weights, loop, held, melody])

/** Different chords that are found while the page is drawn; more would hold up the server and the page. */
const MOST_AT_ONCE = 12

/** The path that stands there at first; of a long tune none, until the worker has found it. */
function firstFound(question: PathQuestion): PathFound {
  const different = new Set(question.chords.map((chord) => JSON.stringify(chord)))
  if (different.size <= MOST_AT_ONCE) return findPath({ ...question, best: 1 })
  const nothing = question.chords.map(() => undefined)
  return { total: 0, shapes: nothing, steps: nothing, others: [], gaps: [] }
}

/** The path of a plan; the last good one stays until the worker has the new. */
function useAnswer(
  plan: PathPlan,
  neck: Neck,
  player: Player,
): { readonly answer: PathAnswer; readonly stopped: Stop | undefined } {
  const played = useMemo(() => playedChart(plan.chart), [plan.chart])
  const question = useMemo(() => questionOf(plan, played, neck, player), [plan, played, neck, player])
  const wanted = pathKey(question)
  const [answer, setAnswer] = useState<PathAnswer>(() => ({
    plan,
    played,
    question,
    found: firstFound(question),
  }))
  const [stopped, setStop] = useState<Stop | undefined>(undefined)
  const [tries, setTries] = useState(0)
  const [of, setOf] = useState<{ readonly key: string; readonly neck: Neck } | undefined>(undefined)
  const isCurrent = of?.key === wanted && of.neck === neck
  const newest = useRef({ plan, played, question })
  newest.current = { plan, played, question }
  useEffect(() => {
    setStop(undefined)
    if (isCurrent) return undefined
    let current = true
    pathClient()
      .find(newest.current.question)
      .then(
        (found: PathFound) => {
          if (!current) return
          // What lies over a path belongs to it, and stays over the same one found again.
          setAnswer((before) => ({ ...newest.current, found: isSamePath(before.found, found) ? before.found : found }))
          setOf({ key: wanted, neck })
        },
        (error: unknown) => {
          const message = error instanceof Error ? error.message : String(error)
          if (current) setStop({ message, again: () => setTries((before) => before + 1) })
        },
      )
    return () => {
      current = false
    }
    // The plan is asked anew only where it makes another path.
  }, [wanted, neck, isCurrent, tries])
  const shown = useMemo((): PathAnswer => {
    if (isCurrent) return { ...answer, plan, played }
    // Until the new path is there one goes on through the chords of the last: what is pressed next is meant for that chord.
    return answer.plan.chart === plan.chart ? { ...answer, plan: { ...answer.plan, chosen: plan.chosen } } : answer
  }, [isCurrent, answer, plan, played])
  return { answer: shown, stopped }
}

const isSamePath = (a: PathFound, b: PathFound): boolean => told(a) === told(b)
const told = ({ shapes, steps, others, gaps }: PathFound): string =>
  JSON.stringify([
    [shapes, ...others.map((way) => way.shapes)].map((way) => way.map((shape) => shape && [shape.frets, shape.cost])),
    steps.map((step) => step?.parts),
    gaps,
  ])

const SETTLED_MS = 120

/** What is around the chosen chord, asked when the path has settled. */
function useAround({ question, found }: PathAnswer, at: number, key: Key | undefined): PathAround | undefined {
  const [around, setAround] = useState<
    { readonly of: PathFound; readonly at: number; readonly around: PathAround } | undefined
  >(undefined)
  useEffect(() => {
    if (question.chords.length === 0) return undefined
    let current = true
    const settled = setTimeout(() => {
      pathClient()
        .around(question, at, key)
        .then(
          (told) => current && setAround({ of: found, at, around: told }),
          () => undefined,
        )
    }, SETTLED_MS)
    return () => {
      current = false
      clearTimeout(settled)
    }
  }, [question, found, at, key])
  return around?.of === found && around.at === at ? around.around : undefined
}
