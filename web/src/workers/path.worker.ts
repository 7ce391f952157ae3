/** Paths, off the main thread: what was searched for one question is kept for the next. */
import type { Chord } from '@nestling/core/chord'
import type { Between, Key } from '@nestling/core/key'
import { waysBetween } from '@nestling/core/key'
import {
  type Alternative,
  type PathFound,
  type PathQuestion,
  pathSolver,
  rememberingSolver,
  type WantedShape,
  wantedTests,
} from '@nestling/core/path'
import { expose } from 'comlink'

/** A chord in between, and what the whole path costs with it. */
export interface BetweenCost extends Between {
  readonly total: number
}

/** Around one chord of a path: its other shapes, and what may stand before it. */
export interface PathAround {
  readonly others: readonly Alternative[]
  readonly between: readonly BetweenCost[]
}

const MOST_OTHERS = 8
/** Of all shapes of a chord as many are looked at for one that is wanted, and so many of them in the whole path. */
const MOST_WANTED = 2000
const MOST_TRIED = 8
const solve = rememberingSolver()

/** The path with another chord before one of its own; held shapes keep their chords. */
function withBefore(question: PathQuestion, at: number, chord: Chord): PathQuestion {
  const after = (index: number) => (index >= at ? index + 1 : index)
  return {
    ...question,
    chords: question.chords.toSpliced(at, 0, chord),
    held: question.held.map((one) => ({ ...one, chord: after(one.chord) })),
    melody: question.melody?.toSpliced(at, 0, undefined),
    best: 1,
  }
}

/** Of a held chord the others are told too. */
const freeAt = (question: PathQuestion, at: number) =>
  solve({ ...question, held: question.held.filter(({ chord }) => chord !== at) })

const api = {
  find: (question: PathQuestion): PathFound => solve(question).best(),
  around(question: PathQuestion, at: number, key: Key | undefined): PathAround {
    const [to, from] = [question.chords[at], question.chords[at - 1]]
    const between = from && to ? waysBetween(from, to, key) : []
    return {
      others: freeAt(question, at).alternatives(at, MOST_OTHERS),
      between: between
        .map((one): BetweenCost => ({ ...one, total: solve(withBefore(question, at, one.chord)).best().total }))
        .toSorted((a, b) => a.total - b.total),
    }
  },
  /** The shape of one chord that is as wanted, with which the whole path costs least. */
  wanted(question: PathQuestion, at: number, wanted: WantedShape): Alternative | undefined {
    const chord = question.chords[at]
    if (!chord) return undefined
    const free = { ...question, melody: question.melody?.with(at, undefined), best: 1 }
    const others = question.held.filter((one) => one.chord !== at)
    // The chord alone, with all of its shapes: what is wanted may be none that a player takes first.
    const alone = pathSolver({
      ...free,
      chords: [chord],
      held: [],
      melody: undefined,
      loop: false,
      candidates: MOST_WANTED,
    })
    for (const test of wantedTests(wanted)) {
      const found = alone
        .alternatives(0, MOST_TRIED, test)
        .map(({ shape }): Alternative => {
          const held = [...others, { chord: at, frets: shape.frets }]
          return { shape, total: solve({ ...free, held }).best().total }
        })
        .toSorted((a, b) => a.total - b.total)
      if (found[0]) return found[0]
    }
    return undefined
  },
}

export type PathWorker = typeof api
expose(api)
