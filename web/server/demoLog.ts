/** Six weeks of Marit's log, made up by a seed: runs that get quicker, roots that stay hard, cards as they fell due, days of rest. */
import { MEDIUM_HAND } from '@nestling/core/hand'
import { type Instrument, neckOf, stringIndex, stringNumber, writeTuning } from '@nestling/core/neck'
import {
  chanceOf,
  dayText,
  deckOf,
  formOf,
  type Grade,
  type RunStep,
  readMaterial,
  runOf,
  writeCard,
} from '@nestling/core/practice'
import { must } from '@nestling/core/result'
import { writeFrets } from '@nestling/core/voicing'
import type { CardsDraft } from '../src/contracts/practice.ts'
import type { FormedAttempt } from '../src/data/practiceRepository.ts'
import { scheduleOf } from '../src/data/schedule.ts'

export const DEMO_WEEKS = 6
const DAY_MS = 24 * 3600_000
const FRET_MAX = 15
const BARS = 4
/** In how many of seven days she plays. */
const PLAYS = 0.66
const CARDS_A_DAY = 14
const NEW_A_DAY = 6

/** What she works at: since which day, and how quick it was then. */
const WORK = [
  { material: 'maj7', place: [5, 6], since: 0, tempo: 66 },
  { material: 'm7', place: [5, 6], since: 0, tempo: 58 },
  { material: '7', place: [5, 6], since: 4, tempo: 62 },
  { material: 'm7b5', place: [5], since: 20, tempo: 54 },
] as const
/** How much slower or quicker each letter lies in her hand, in beats a minute. */
const EASE = [-4, 2, 6, -2, 4, 0, 8] as const
/** Far from the open strings, and late in the round. */
const HARD_ROOTS = new Set(['Db', 'C#', 'Gb', 'F#', 'B', 'Ab'])

export interface DemoLog {
  readonly attempts: readonly FormedAttempt[]
  readonly decks: readonly CardsDraft[]
  /** When the cards were made. */
  readonly decksAt: Date
}

/** @param today The log ends the day before. */
export function demoLog(instrument: Instrument, today: Date, seed: number): DemoLog {
  const random = chanceOf(seed)
  const neck = neckOf(instrument)
  const tuning = writeTuning(instrument.tuning)
  const end = Math.floor(today.getTime() / DAY_MS)
  const first = end - DEMO_WEEKS * 7
  // Either string may begin, so that every root is met on both.
  const runs = WORK.map(({ material, place }) => ({
    material,
    ways: [place, place.toReversed()].map((numbers) =>
      runOf(
        {
          material: must(readMaterial(material, neck.open.length)),
          cycle: 'fourths',
          from: 'E',
          rule: { kind: 'in-turn', strings: numbers.map((number) => stringIndex(number, neck.open.length)) },
          fretMax: FRET_MAX,
        },
        neck,
        MEDIUM_HAND,
      ),
    ),
  }))
  const decksAt = new Date((first + 7) * DAY_MS + 17 * 3600_000)
  const decks = runs.slice(0, 2).map(
    ({ material, ways: [steps = []] }): CardsDraft => ({
      material,
      title: '',
      tuning,
      cards: deckOf(steps, 1, neck, MEDIUM_HAND).map(writeCard),
    }),
  )
  const attempts: FormedAttempt[] = []
  const answers = new Map<string, { at: number; grade: Grade }[]>()
  for (let day = first; day < end; day++) {
    if (random() > PLAYS) continue
    let at = day * DAY_MS + (17.2 + random() * 2) * 3600_000
    const about = { day: dayText(day), tuning, instrument: instrument.name }
    for (const [index, work] of WORK.entries()) {
      const since = day - first - work.since
      const steps = runs[index]?.ways[random() < 0.5 ? 0 : 1]
      // Not everything on every day.
      if (since < 0 || !steps || random() > 0.62) continue
      const rounds = 1 + Math.floor(random() * 3)
      for (let round = 0; round < rounds; round++) {
        const tempo = Math.round(work.tempo + since * 0.5 + (round - 1) * 6 + random() * 5)
        const run = {
          id: `demo-${day}-${index}-${round}`,
          query: `material=${work.material}`,
          title: '',
          startedAt: new Date(at).toISOString(),
        }
        for (const [place, step] of steps.entries()) {
          const seconds = (BARS * 4 * 60) / tempo
          at += seconds * 1000
          const played = playedStep(step, {
            since,
            random,
            hard: HARD_ROOTS.has(step.root),
            over: tempo - work.tempo - since * 0.45,
          })
          if (!step.shape || !played) continue
          attempts.push({
            ...about,
            ...played,
            id: `${run.id}-${place}`,
            kind: 'run',
            run,
            card: '',
            at: new Date(at).toISOString(),
            material: work.material,
            suffix: work.material,
            root: step.root,
            string: step.string === undefined ? 0 : stringNumber(step.string, neck.open.length),
            frets: writeFrets(step.shape.frets),
            form: formOf(step.shape.frets),
            tempo,
            shown: false,
            seconds,
          })
        }
        at += 60_000
      }
    }
    if (day * DAY_MS < decksAt.getTime()) continue
    for (const { material, card } of dueOn(decks, answers, decksAt.getTime(), at)) {
      at += (12 + random() * 30) * 1000
      const grade: Grade = random() < 0.12 ? 'lost' : random() < 0.2 ? 'hard' : random() < 0.85 ? 'had' : 'easy'
      answers.set(card, [...(answers.get(card) ?? []), { at, grade }])
      attempts.push({
        ...about,
        id: `demo-card-${attempts.length}`,
        kind: 'card',
        run: null,
        card,
        at: new Date(at).toISOString(),
        material,
        suffix: '',
        root: '',
        string: 0,
        frets: '',
        form: '',
        tempo: 0,
        grade,
        judge: 'answer',
        shown: false,
        seconds: 12 + random() * 30,
        faults: '',
      })
    }
  }
  return { attempts, decks, decksAt }
}

/** How a root went: hard roots are skipped at first, lost for a while, and found late. */
function playedStep(
  step: RunStep,
  {
    since,
    random,
    hard,
    over,
  }: { readonly since: number; readonly random: () => number; readonly hard: boolean; readonly over: number },
) {
  // The furthest roots come into the round later.
  if (hard && since < 8 && random() < 0.7) return undefined
  // A hand has its own tempo for every root: above it, it slips.
  const own = over + (EASE[step.root.charCodeAt(0) % EASE.length] ?? 0)
  const skill = Math.min(0.94, (hard ? 0.5 : 0.8) + since * 0.005) - Math.max(0, own) * 0.055
  const luck = random()
  const grade: Grade = luck < skill * 0.14 ? 'easy' : luck < skill ? 'had' : luck < skill + 0.16 ? 'hard' : 'lost'
  const judge = since > 12 && random() < 0.7 ? ('ear' as const) : ('player' as const)
  const isWrong = grade === 'hard' || grade === 'lost'
  const faults =
    judge === 'ear' && isWrong ? (step.string === 1 && random() < 0.7 ? '3:+1' : random() < 0.5 ? '4:0' : '2:-1') : ''
  return { grade, judge, faults }
}

/** The cards that a day asks, as the schedule of their answers has them. */
function dueOn(
  decks: readonly CardsDraft[],
  answers: ReadonlyMap<string, readonly { at: number; grade: Grade }[]>,
  made: number,
  now: number,
) {
  let fresh = 0
  const all = decks.flatMap(({ material, cards }) => cards.map((card) => ({ material, card })))
  const due = all.filter(({ card }) => {
    const before = answers.get(card)
    if (!before) return fresh++ < NEW_A_DAY
    return scheduleOf(made, before).dueAt <= now
  })
  return due.slice(0, CARDS_A_DAY)
}
