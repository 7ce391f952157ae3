/** The state of the Map: the question, the worker's answer, the change that is looked at, the cell in hand, the address. */
import { useStore } from '@nanostores/react'
import {
  type Build,
  type BuildParams,
  type ChangedMap,
  type ChordMap,
  instrumentFor,
  type MapChange,
  readBuild,
  type Setting,
  writeBuild,
} from '@nestling/core/build'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { EXTENSIONS } from '@nestling/core/name'
import { type Neck, neckOf } from '@nestling/core/neck'
import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import { changedFrom, type Moment, NO_HISTORY, redone, undone } from '../../state/history.ts'
import { $setting } from '../../state/session.ts'
import { mapClient } from '../../workers/mapClient.ts'

export interface MapAddress {
  readonly params: BuildParams
  readonly morph: string | undefined
  readonly add: string | undefined
  readonly way: string | undefined
}

/** An answer, with the question that it belongs to: the page may have gone on asking. */
export interface FoundMap {
  readonly build: Build
  readonly setting: Setting
  readonly neck: Neck
  readonly map: ChordMap
  readonly change: MapChange
  readonly changed: ChangedMap
}

export type MapSearch =
  | { readonly status: 'searching' }
  | { readonly status: 'found'; readonly found: FoundMap }
  | { readonly status: 'failed'; readonly message: string }

/** All string sets, neighbouring strings only, or one set by its string indices. */
export type ShownSets = 'all' | 'neighbouring' | `${number},${string}`

export interface MapState {
  readonly text: string
  readonly setText: (text: string) => void
  readonly problem: string | undefined
  readonly build: Build
  readonly choose: (changes: Partial<Build>) => void
  readonly change: MapChange
  readonly setChange: (change: MapChange) => void
  readonly undo: () => void
  readonly redo: () => void
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly search: MapSearch
  /** Landmarks on every cell. */
  readonly landmarks: boolean
  readonly setLandmarks: (shown: boolean) => void
  readonly sets: ShownSets
  readonly setSets: (sets: ShownSets) => void
  readonly setting: Setting
}

/** What is asked: one step to undo. */
interface Asked {
  readonly build: Build
  readonly change: MapChange
}

/** An answer that stays this long is written into the address. */
const SETTLED_MS = 50

function addressOf({ build, change, setting }: FoundMap): string {
  const strings = setting.instrument.tuning.strings.length
  const params = new URLSearchParams(writeBuild(build, strings) as Record<string, string>)
  // As it would follow the letter of any root.
  if (change.kind === 'morph')
    params.set('morph', writeSymbol({ root: 'C', formula: change.formula }, { ascii: true }).slice(1))
  if (change.kind === 'extend') {
    params.set('add', change.extension)
    params.set('way', change.way)
  }
  return `/map?${params}`
}

const FIRST: BuildParams = { chord: 'C', arrangement: 'close' }

function firstChange({ morph, add, way }: MapAddress): MapChange {
  const target = morph === undefined ? undefined : readSymbol(`C${morph}`)
  if (target?.ok) return { kind: 'morph', formula: target.value.formula }
  const extension = EXTENSIONS.find((one) => one === add)
  if (extension) return { kind: 'extend', extension, way: way === 'fifth-gives-way' ? way : 'root-moves' }
  return { kind: 'none' }
}

export function useMap(address: MapAddress): MapState {
  const setting = useStore($setting)
  const [first] = useState(() => {
    const asked = readBuild(address.params.chord === undefined ? FIRST : address.params, setting)
    const build = asked.ok ? asked : readBuild(FIRST, setting)
    if (!build.ok) throw new Error(build.error.message)
    return { build: build.value, problem: asked.ok ? undefined : asked.error.message }
  })
  const [moment, setMoment] = useState<Moment<Asked>>(() => ({
    now: { build: first.build, change: firstChange(address) },
    history: NO_HISTORY,
  }))
  const { build, change } = moment.now
  const [text, setTyped] = useState(address.params.chord ?? 'C')
  const [problem, setProblem] = useState(first.problem)
  const [landmarks, setLandmarks] = useState(false)
  const [sets, setSets] = useState<ShownSets>('all')
  const [search, setSearch] = useState<MapSearch>({ status: 'searching' })
  const answered = useRef<FoundMap>(undefined)

  const ask = useCallback(
    (next: (now: Asked) => Partial<Asked>) =>
      setMoment(({ now, history }) => ({ now: { ...now, ...next(now) }, history: changedFrom(history, now) })),
    [],
  )
  const setChange = useCallback((next: MapChange) => ask(() => ({ change: next })), [ask])
  const go = useCallback((to: (moment: Moment<Asked>) => Moment<Asked> | undefined) => {
    setMoment((before) => to(before) ?? before)
    setProblem(undefined)
  }, [])
  // After undo and redo the field says what is mapped; while typing it is left alone.
  const typed = useRef(build.symbol)
  useEffect(() => {
    if (typed.current === build.symbol) return
    typed.current = build.symbol
    setTyped(build.symbol)
  }, [build.symbol])

  useEffect(() => {
    let current = true
    answer(build, setting, change, answered.current).then(
      (found) => {
        if (!current) return
        answered.current = found
        // Many small necks: drawn in slices, so that the page stays free meanwhile.
        startTransition(() => setSearch({ status: 'found', found }))
      },
      (error: unknown) =>
        current && setSearch({ status: 'failed', message: error instanceof Error ? error.message : String(error) }),
    )
    return () => {
      current = false
    }
  }, [build, setting, change])
  useEffect(() => {
    if (search.status !== 'found') return undefined
    // Not at once: a new address has the whole page styled and painted again.
    const settled = setTimeout(() => window.history.replaceState(null, '', addressOf(search.found)), SETTLED_MS)
    return () => clearTimeout(settled)
  }, [search])

  return {
    text,
    setText: (written) => {
      setTyped(written)
      const chord = readSymbol(written, setting.naming)
      setProblem(chord.ok || written.trim() === '' ? undefined : chord.error.message)
      if (!chord.ok) return
      typed.current = written
      const { root, formula } = chord.value
      ask(({ build: before }) => ({
        build: { ...before, chord: { root, formula }, symbol: written, omit: undefined, bass: undefined },
      }))
    },
    problem,
    build,
    choose: (changes) => ask((now) => ({ build: { ...now.build, ...changes } })),
    undo: () => go(undone),
    redo: () => go(redone),
    canUndo: moment.history.past.length > 0,
    canRedo: moment.history.future.length > 0,
    change,
    setChange,
    search,
    landmarks,
    setLandmarks,
    sets,
    setSets,
    setting,
  }
}

/** Asks the worker; a map that answers the same question already is only changed. */
async function answer(
  build: Build,
  setting: Setting,
  change: MapChange,
  last: FoundMap | undefined,
): Promise<FoundMap> {
  const client = mapClient()
  const map = last?.build === build && last.setting === setting ? last.map : await client.mapOf(build, setting)
  const changed = await client.changedMap(map, build, setting, change)
  return { build, setting, neck: neckOf(instrumentFor(build, setting)), map, change, changed }
}

const morphsOf = (suffixes: readonly string[]) =>
  suffixes.flatMap((suffix) => {
    const read = readSymbol(`C${suffix}`)
    return read.ok ? [{ suffix, formula: read.value.formula }] : []
  })

/** The formulas that a triad or a seventh chord is morphed into, by their suffixes. */
export const TRIAD_MORPHS = morphsOf(['', 'm', 'dim', 'aug', 'sus2', 'sus4'])
export const SEVENTH_MORPHS = morphsOf([
  'maj7',
  '7',
  'm7',
  'm7b5',
  'dim7',
  'm(maj7)',
  '6',
  'm6',
  '7sus4',
  'maj7#5',
  '7#5',
])

/** Whether a row of the sheet is shown. */
export function isShown(strings: readonly number[], sets: ShownSets): boolean {
  if (sets === 'all') return true
  if (sets === 'neighbouring')
    return strings.every((string, index) => index === 0 || string === (strings[index - 1] ?? 0) + 1)
  return strings.join() === sets
}
