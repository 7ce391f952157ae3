/** Lanes and progressions as music: which shapes sound one after another, and when. */
import type { Chord } from '@nestling/core/chord'
import type { Lane, LaneInKey } from '@nestling/core/lane'
import type { Neck } from '@nestling/core/neck'
import type { NoteName } from '@nestling/core/pitch'
import { must } from '@nestling/core/result'
import {
  bandEvents,
  barsOf,
  beatsInBar,
  FOUR_FOUR,
  patternEvents,
  readPattern,
  type Score,
  STROKE_PATTERNS,
  soundedNotes,
  withCountIn,
} from '@nestling/core/time'
import { centreOf, type Frets } from '@nestling/core/voicing'
import { type BandSettings, bandOf } from '../../contracts/settings.ts'
import type { Going, KeyAnswer, KeyPlan } from './types.ts'

/** A shape in its turn. */
export interface Turn {
  readonly chord: Chord
  readonly frets: Frets
  /** Where it stands in the view; `undefined` for a chord that no lane has. */
  readonly step: number | undefined
  readonly lane: number
  /** Of a lane in another key than the one that is shown. */
  readonly tonic?: NoteName | undefined
}

/** One lane in key after key: up in one, down in the next. */
export const turnsInKeys = (all: readonly LaneInKey[], lane: number): readonly Turn[] =>
  all.flatMap(({ key, lane: one }, index) => {
    const up = turnsOf(one, lane).map((turn): Turn => ({ ...turn, step: undefined, tonic: key.tonic }))
    return index % 2 === 0 ? up : up.toReversed()
  })

const turnsOf = ({ steps }: Lane, lane: number): readonly Turn[] =>
  steps.flatMap(({ step, chord, shape, instead }): readonly Turn[] => {
    const used = shape ?? instead?.shape
    return used ? [{ step, lane, frets: used.frets, chord: shape ? chord : (instead?.chord ?? chord) }] : []
  })

/** The lane that is chosen, or both in turn, as it is gone through. */
export function turnsGoing({ lanes, plan }: KeyAnswer, going: Going = plan.going): readonly Turn[] {
  const chosen = lanes[plan.lane]
  const up = chosen ? turnsOf(chosen, plan.lane) : []
  switch (going) {
    case 'up':
      return up
    case 'down':
      return up.toReversed()
    case 'up-down':
      return [...up, ...up.toReversed().slice(1)]
    case 'turns':
      return lanes.flatMap((lane, index) =>
        index % 2 === 0 ? turnsOf(lane, index) : turnsOf(lane, index).toReversed(),
      )
  }
}

/** Each written chord at the nearest place of the lanes that are shown; chords that they don't have are left out. */
export function turnsWritten({ lanes, plan }: KeyAnswer): readonly Turn[] {
  let centre: number | undefined
  return plan.written.flatMap((chord): readonly Turn[] => {
    const places = lanes
      .flatMap((lane, index) => turnsOf(lane, index))
      .filter((turn) => turn.chord.root === chord.root && turn.chord.formula.join() === chord.formula.join())
    const apart = ({ frets }: Turn) => (centre === undefined ? 0 : Math.abs(centreOf(frets) - centre))
    const [nearest] = places.toSorted((a, b) => apart(a) - apart(b))
    if (!nearest) return []
    centre = centreOf(nearest.frets)
    return [nearest]
  })
}

/** How far the hand walks, in frets. */
export const walkOf = (turns: readonly Turn[]): number =>
  Math.round(
    turns.slice(1).reduce((sum, { frets }, index) => {
      const before = turns[index]
      return sum + (before ? Math.abs(centreOf(frets) - centreOf(before.frets)) : 0)
    }, 0),
  )

export function scoreOf(
  turns: readonly Turn[],
  neck: Neck,
  { lasting, pattern }: Pick<KeyPlan, 'lasting' | 'pattern'>,
  settings: BandSettings,
  loop: boolean,
): Score {
  const bar = beatsInBar(FOUR_FOUR)
  const each = lasting === 'bar' ? bar : 1
  const beats = Math.ceil((turns.length * each) / bar) * bar
  const read = readPattern(pattern)
  const hand = read.ok ? read.value : must(readPattern(STROKE_PATTERNS.strum))
  // Each chord begins the pattern: a lane changes its chord on every bar or beat.
  const strings = turns.flatMap((turn, index) =>
    patternEvents(hand, soundedNotes(turn.frets, neck, turn.chord), {
      at: index * each,
      beats: each,
      since: 0,
      mark: index,
    }),
  )
  const under = Math.min(...neck.open)
  const chords = turns.map(({ chord }, index) => ({ chord, at: index * each, beats: each, under }))
  return withCountIn(
    {
      metre: FOUR_FOUR,
      countIn: 0,
      loop,
      beats,
      events: [...strings, ...bandEvents(bandOf(settings), chords, barsOf(beats, FOUR_FOUR), loop)],
    },
    settings.countInBars,
  )
}
