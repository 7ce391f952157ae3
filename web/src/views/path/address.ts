/** The address holds the whole plan: the tune's own texts, and how the view stands on it. */
import { MOST_PLAYED_BARS, type Span } from '@nestling/core/chart'
import { type Neck, neckOf, type StringSet, writeTuning } from '@nestling/core/neck'
import { instrumentFor, type Player, readOtherTuning } from '@nestling/core/request'
import { readTune, TUNE_FIELDS, TUNE_WISHES, writeTune } from '@nestling/core/tune'
import type { KeptTune } from '../../contracts/tune.ts'
import type { PathPlan } from './types.ts'

export type Params = Readonly<Record<string, string>>

/** What stands there before anything is typed: a tune of the scenario. */
export const FIRST_CHART = `title: Slow Ferry
key: Ab
4/4 bossa =112
[A] |: Fm9 | Bbm7 | Eb13 | Abmaj9 |
| Dbmaj7 | Gm7b5 C7b9 | 1. Fm7 | Db9 C7b9 :|
| 2. Fm7 | Eb7sus4 Eb7 |`

/** Four strings with the bass on the fifth or the sixth; on fewer strings the highest four. */
export function usualSets({ open }: Pick<Neck, 'open'>): readonly StringSet[] {
  const low = open.length - 6
  if (low < 0) return [open.map((_, string) => string).slice(-4)]
  return [
    [low + 1, low + 2, low + 3, low + 4],
    [low, low + 2, low + 3, low + 4],
  ]
}

const whole = (text: string | undefined, least: number, most: number): number | undefined => {
  const number = Number(text)
  return text !== undefined && Number.isInteger(number) && number >= least && number <= most ? number : undefined
}

/** The neck of a plan: the instrument's, in its tuning. */
export const neckFor = ({ tuning }: Pick<PathPlan, 'tuning'>, player: Player): Neck =>
  neckOf(instrumentFor({ tuning }, player))

/** What can't be read is left as it opens; a chart's own slips are told where it is typed. */
export function readPlan(params: Params, player: Player): PathPlan {
  const { tuning: asked, ...others } = params
  const read = asked === undefined ? undefined : readOtherTuning(asked, player)
  const tuning = read?.ok ? read.value : undefined
  const texts = Object.fromEntries(TUNE_FIELDS.flatMap((field) => (others[field] ? [[field, others[field]]] : [])))
  const { lastFret } = neckFor({ tuning }, player)
  const { tune } = readTune(
    { ...texts, chart: params['chart'] ?? FIRST_CHART, ...(tuning ? { tuning: writeTuning(tuning) } : {}) },
    player.instrument.tuning,
  )
  const { wishes } = tune
  return {
    ...tune,
    wishes: {
      ...wishes,
      fretMin: Math.min(wishes.fretMin, lastFret),
      fretMax: Math.min(wishes.fretMax, lastFret),
    },
    tuning,
    // The way is found anew: what was kept is held, where the player wants it so.
    way: [],
    chosen: (whole(params['at'], 1, 4096) ?? 1) - 1,
    part: readPart(params['part']),
    tune: whole(params['tune'], 1, Number.MAX_SAFE_INTEGER),
    seen: whole(params['of'], 1, Number.MAX_SAFE_INTEGER),
  }
}

/** `5-8`: the first and the last played bar. */
function readPart(text = ''): Span | undefined {
  const [first, last] = text.split('-')
  const from = whole(first, 1, MOST_PLAYED_BARS)
  const to = whole(last, from ?? 1, MOST_PLAYED_BARS)
  return from === undefined || to === undefined ? undefined : { from: from - 1, to: to - 1 }
}

/** The tune's texts as an address has them: only what differs from how the view opens; the chart always. */
function textsOf(plan: PathPlan, player: Player): Readonly<Record<string, string>> {
  const { lastFret } = neckFor(plan, player)
  const { wishes } = plan
  // A shorter neck ends before the usual frets do.
  const fretMax = wishes.fretMax === lastFret ? Math.max(lastFret, TUNE_WISHES.fretMax) : wishes.fretMax
  const texts = writeTune({ ...plan, wishes: { ...wishes, fretMax } }, player.instrument.tuning)
  return texts as Readonly<Record<string, string>>
}

/** Nothing of it has changed since it was kept. */
function isAsKept(plan: PathPlan, { id, version, tune }: KeptTune, player: Player): boolean {
  if (plan.tune !== id || plan.seen !== version) return false
  const there = readPlan(tune as Params, player)
  return JSON.stringify(textsOf(plan, player)) === JSON.stringify(textsOf(there, player))
}

/** @param kept The tune of the Book that the plan is of: what is as there is opened by its number. */
export function writePlan(plan: PathPlan, player: Player, kept?: KeptTune): string {
  const query = new URLSearchParams({
    ...(kept && isAsKept(plan, kept, player) ? {} : textsOf(plan, player)),
    ...(plan.chosen === 0 ? {} : { at: String(plan.chosen + 1) }),
    ...(plan.part ? { part: `${plan.part.from + 1}-${plan.part.to + 1}` } : {}),
    ...(plan.tune === undefined ? {} : { tune: String(plan.tune) }),
    ...(plan.tune === undefined || plan.seen === undefined ? {} : { of: String(plan.seen) }),
  })
  return `/path?${query.toString().replaceAll('%2C', ',').replaceAll('%7C', '|').replaceAll('%3A', ':')}`
}
