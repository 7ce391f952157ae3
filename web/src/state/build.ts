/**
 * The current build: what is asked, what was found, which shape is in hand. One store, changed by named actions.
 *   typed line or action → Build → worker → shapes → the shape in hand stays where the hand is
 */
import {
  type Build,
  type BuildParams,
  type FieldError,
  readBuild,
  readBuildLine,
  type Setting,
  type ShapesFound,
  writeBuild,
} from '@nestling/core/build'
import { bassDegreeOf, plainestRoot, writeSymbol } from '@nestling/core/chord'
import { neckOf, readTuning, writeTuning } from '@nestling/core/neck'
import { pitchClassOf, spellDegree } from '@nestling/core/pitch'
import { type Frets, readShape, rotate, slide, type Voicing, voicingOf, writeShape } from '@nestling/core/voicing'
import { atom } from 'nanostores'
import { searchClient } from '../workers/searchClient.ts'
import { $setting } from './session.ts'

export type Search =
  | { readonly status: 'searching'; readonly last: ShapesFound | undefined }
  | { readonly status: 'found'; readonly result: ShapesFound }
  | { readonly status: 'failed'; readonly message: string }

export interface BuildState {
  readonly setting: Setting
  /** The last build that could be read; a wrong text leaves it on the neck. */
  readonly build: Build
  /** What is in the text field. */
  readonly line: string
  readonly problem: FieldError | undefined
  readonly search: Search
  /** The shape in hand. */
  readonly frets: Frets | undefined
}

/** Rows that the page holds at most; the list says how many there are. */
export const MOST_SHOWN = 600
const MOST_UNDO = 200

export const $build = atom<BuildState | undefined>(undefined)

type Step = Pick<BuildState, 'build' | 'line' | 'frets'>
const past: Step[] = []
const future: Step[] = []

const state = (): BuildState => {
  const now = $build.get()
  if (now === undefined) throw new Error('the build store is used before it is opened')
  return now
}

export interface Address {
  readonly params: BuildParams
  readonly shape: string | undefined
  /** A tuning of the address's own, instead of the instrument's. */
  readonly tuning: string | undefined
}

const FIRST_BUILD: BuildParams = { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432' }

function tunedAs(setting: Setting, text: string | undefined): Setting {
  const tuning = text === undefined ? undefined : readTuning(text)
  if (!tuning?.ok || writeTuning(tuning.value) === writeTuning(setting.instrument.tuning)) return setting
  return { ...setting, instrument: { ...setting.instrument, tuning: tuning.value, capo: undefined } }
}

/** The state that an address means; what can't be read of it is told, and the rest still opens. */
export function stateFrom({ params, shape, tuning }: Address, session: Setting): BuildState {
  const setting = tunedAs(session, tuning)
  const strings = setting.instrument.tuning.strings.length
  const asked = params.chord === undefined ? { ...FIRST_BUILD, ...(strings < 5 ? { strings: '4321' } : {}) } : params
  const read = readBuild(asked, setting)
  const fallback = read.ok ? read : readBuild({ chord: 'C' }, setting)
  if (!fallback.ok) throw new Error(fallback.error.message)
  const frets = shape === undefined ? undefined : readShape(shape, strings)
  return {
    setting,
    build: fallback.value,
    line: '',
    problem: read.ok ? undefined : read.error,
    search: { status: 'searching', last: undefined },
    frets:
      frets?.ok && voicingOf(fallback.value.chord, frets.value, neckOf(setting.instrument)) ? frets.value : undefined,
  }
}

export function addressOf({ build, frets, setting }: Pick<BuildState, 'build' | 'frets' | 'setting'>): string {
  const params = new URLSearchParams(
    writeBuild(build, setting.instrument.tuning.strings.length) as Record<string, string>,
  )
  if (frets) params.set('shape', writeShape(frets))
  if (setting.instrument.tuning !== $setting.get().instrument.tuning)
    params.set('tuning', writeTuning(setting.instrument.tuning))
  return `/?${params.toString().replaceAll('%2C', ',').replaceAll('%2F', '/')}`
}

let asked = 0

/** Searches for the current build; an answer that was overtaken is thrown away. */
async function search(): Promise<void> {
  const ticket = ++asked
  const { build, setting, search: before } = state()
  const last = before.status === 'found' ? before.result : before.status === 'searching' ? before.last : undefined
  $build.set({ ...state(), search: { status: 'searching', last } })
  try {
    const result = await searchClient().shapesFor(build, setting, MOST_SHOWN)
    if (ticket !== asked) return
    const now = state()
    $build.set({ ...now, search: { status: 'found', result }, frets: inHand(now.frets, result, now.build, setting) })
  } catch (error) {
    if (ticket !== asked) return
    $build.set({
      ...state(),
      search: { status: 'failed', message: error instanceof Error ? error.message : String(error) },
    })
  }
}

/** Keeps the hand where it is: the same shape if it still counts, else the nearest that was found. */
function inHand(frets: Frets | undefined, result: ShapesFound, build: Build, setting: Setting): Frets | undefined {
  if (frets === undefined) return result.shapes[0]?.frets
  const same = result.shapes.find((shape) => writeShape(shape.frets) === writeShape(frets))
  if (same) return same.frets
  if (result.shapes.length === 0)
    return voicingOf(build.chord, frets, neckOf(setting.instrument)) && build.strings === undefined ? frets : undefined
  const centre = centreOf(frets)
  return result.shapes.reduce(
    (best, shape) =>
      Math.abs(centreOf(shape.frets) - centre) < Math.abs(centreOf(best) - centre) - 0.01 ? shape.frets : best,
    result.shapes[0]?.frets as Frets,
  )
}

function centreOf(frets: Frets): number {
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0)
  return pressed.length === 0 ? 0 : pressed.reduce((sum, fret) => sum + fret, 0) / pressed.length
}

/** One step that can be undone. */
function step(changes: Partial<Step>, options: { readonly search: boolean }) {
  const now = state()
  past.push({ build: now.build, line: now.line, frets: now.frets })
  if (past.length > MOST_UNDO) past.shift()
  future.length = 0
  $build.set({ ...now, problem: undefined, ...changes })
  if (options.search) void search()
}

export function openBuild(initial: BuildState) {
  $build.set(initial)
  past.length = 0
  future.length = 0
  void search()
}

/** Another instrument or habit: the same question, asked anew; strings that it does not have are forgotten. */
export function changeSetting(setting: Setting) {
  const now = state()
  const strings = setting.instrument.tuning.strings.length
  const same = strings === now.setting.instrument.tuning.strings.length
  $build.set({ ...now, setting, build: same ? now.build : { ...now.build, strings: undefined }, frets: undefined })
  void search()
}

/** Every keystroke in the line. A text that can't be read keeps the last good build and says what is wrong. */
export function typeLine(line: string) {
  const now = state()
  const read = readBuildLine(line, now.setting, now.build)
  if (!read.ok) {
    $build.set({ ...now, line, problem: line.trim() === '' ? undefined : read.error })
    return
  }
  step({ line, build: read.value }, { search: true })
}

export const choose = (changes: Partial<Build>) =>
  step({ build: { ...state().build, ...changes }, line: '' }, { search: true })

export const takeShape = (frets: Frets) => step({ frets }, { search: false })

/** The voicing in hand, if the shape is one of the current chord. */
export const voicingInHand = ({ build, frets, setting }: BuildState): Voicing | undefined =>
  frets === undefined ? undefined : voicingOf(build.chord, frets, neckOf(setting.instrument))

/** Moves the shape along the neck; root and name follow. False at the end of the neck. */
export function moveFret(by: 1 | -1): boolean {
  const now = state()
  const frets = now.frets && slide(now.frets, neckOf(now.setting.instrument), by)
  if (!frets) return false
  const { chord } = now.build
  const root = plainestRoot((pitchClassOf(chord.root) + by + 12) % 12, chord.formula)
  const bassDegree = bassDegreeOf(chord)
  const bass = bassDegree === undefined ? undefined : spellDegree(root, bassDegree)
  const moved = { root, formula: chord.formula, ...(bass === undefined ? {} : { bass }) }
  step(
    { frets, line: '', build: { ...now.build, chord: moved, symbol: writeSymbol(moved, { ascii: true }) } },
    { search: true },
  )
  return true
}

/** The next inversion along the neck on the same strings. False where the neck ends. */
export function invert(direction: 1 | -1): boolean {
  const now = state()
  const voicing = voicingInHand(now)
  const next = voicing && rotate(voicing, neckOf(now.setting.instrument), direction)
  if (!next) return false
  const { build } = now
  const lowest = next.arrangement.degrees[0]
  const arrangement =
    build.arrangement.kind === 'list' ? { kind: 'list' as const, degrees: next.arrangement.degrees } : build.arrangement
  const bass = build.bass === undefined ? undefined : lowest
  step(
    {
      frets: next.frets,
      build: { ...build, arrangement, bass, chord: { root: build.chord.root, formula: build.chord.formula } },
    },
    { search: true },
  )
  return true
}

/** The same question on the neighbouring string set. False at the outside string. */
export function moveStrings(by: 1 | -1): boolean {
  const now = state()
  const current = now.build.strings ?? now.frets?.flatMap((fret, index) => (fret === null ? [] : [index]))
  const strings = now.setting.instrument.tuning.strings.length
  const moved = current?.map((index) => index + by)
  if (!moved || moved.some((index) => index < 0 || index >= strings)) return false
  const lowest = voicingInHand(now)?.arrangement.degrees[0]
  step(
    {
      build: { ...now.build, strings: moved, ...(lowest && now.build.bass !== undefined ? { bass: lowest } : {}) },
      line: '',
    },
    { search: true },
  )
  return true
}

function restore(from: Step[], to: Step[]): boolean {
  const found = from.pop()
  if (!found) return false
  const now = state()
  to.push({ build: now.build, line: now.line, frets: now.frets })
  $build.set({ ...now, ...found, problem: undefined })
  void search()
  return true
}

export const undo = (): boolean => restore(past, future)
export const redo = (): boolean => restore(future, past)
