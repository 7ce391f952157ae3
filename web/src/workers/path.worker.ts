/** Paths, off the main thread: what was searched for one question is kept for the next. */
import type { Chord } from '@nestling/core/chord'
import type { Between, Key } from '@nestling/core/key'
import { waysBetween } from '@nestling/core/key'
import {
  type Alternative,
  type PathFound,
  type PathQuestion,
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
    const melody = question.melody?.with(at, undefined)
    const free = freeAt({ ...question, melody }, at)
    for (const test of wantedTests(wanted)) {
      const [found] = free.alternatives(at, 1, test)
      if (found) return found
    }
    return undefined
  },
}

export type PathWorker = typeof api
expose(api)
