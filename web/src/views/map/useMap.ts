/** The state of the Map: the question, the worker's answer, the change that is looked at, the cell in hand, the address. */
import { useStore } from '@nanostores/react'
import {
  type Build,
  type BuildParams,
  type ChordMap,
  instrumentFor,
  readBuild,
  type Setting,
  writeBuild,
} from '@nestling/core/build'
import { readSymbol } from '@nestling/core/chord'
import { shapeJudge } from '@nestling/core/hand'
import { EXTENSIONS } from '@nestling/core/name'
import { type Neck, neckOf } from '@nestling/core/neck'
import { voicingReader } from '@nestling/core/voicing'
import { useEffect, useMemo, useState } from 'react'
import { $setting } from '../../state/session.ts'
import { searchClient } from '../../workers/searchClient.ts'
import { type ChangedCell, changedCell, type MapChange } from './change.ts'

export interface MapAddress {
  readonly params: BuildParams
  readonly morph: string | undefined
  readonly add: string | undefined
  readonly way: string | undefined
}

export type MapSearch =
  | { readonly status: 'searching' }
  | { readonly status: 'found'; readonly map: ChordMap }
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
  readonly search: MapSearch
  /** Landmarks on every cell. */
  readonly landmarks: boolean
  readonly setLandmarks: (shown: boolean) => void
  readonly sets: ShownSets
  readonly setSets: (sets: ShownSets) => void
  readonly neck: Neck
  readonly setting: Setting
  /** Row by row, cell by cell: the cell after the change; `undefined` where the map has none. */
  readonly changed: readonly (readonly (ChangedCell | undefined)[])[]
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
  const [build, setBuild] = useState(first.build)
  const [text, setTyped] = useState(address.params.chord ?? 'C')
  const [problem, setProblem] = useState(first.problem)
  const [change, setChange] = useState<MapChange>(() => firstChange(address))
  const [landmarks, setLandmarks] = useState(false)
  const [sets, setSets] = useState<ShownSets>('all')
  const [search, setSearch] = useState<MapSearch>({ status: 'searching' })

  useEffect(() => {
    let current = true
    setSearch((before) => (before.status === 'found' ? before : { status: 'searching' }))
    searchClient()
      .mapOf(build, setting)
      .then(
        (map) => current && setSearch({ status: 'found', map }),
        (error: unknown) =>
          current && setSearch({ status: 'failed', message: error instanceof Error ? error.message : String(error) }),
      )
    return () => {
      current = false
    }
  }, [build, setting])
  useEffect(() => {
    const params = new URLSearchParams(
      writeBuild(build, setting.instrument.tuning.strings.length) as Record<string, string>,
    )
    if (change.kind === 'morph') params.set('morph', suffixIn(change, build))
    if (change.kind === 'extend') {
      params.set('add', change.extension)
      params.set('way', change.way)
    }
    window.history.replaceState(null, '', `/map?${params}`)
  }, [build, change, setting])

  const neck = useMemo(() => neckOf(instrumentFor(build, setting)), [build, setting])
  const map = search.status === 'found' ? search.map : undefined
  const changed = useMemo(() => {
    if (!map) return []
    const judge = shapeJudge(neck, setting.hand, { thumb: setting.thumb })
    const read = voicingReader(map.chord, neck)
    return map.rows.map(({ cells }) =>
      cells.map((cell) => {
        const voicing = cell.frets && cell.frets.length === neck.open.length ? read(cell.frets) : undefined
        return voicing && changedCell(voicing, change, neck, judge)
      }),
    )
  }, [map, neck, setting, change])

  return {
    text,
    setText: (typed) => {
      setTyped(typed)
      const chord = readSymbol(typed, setting.naming)
      setProblem(chord.ok || typed.trim() === '' ? undefined : chord.error.message)
      if (!chord.ok) return
      const { root, formula } = chord.value
      setBuild((before) => ({ ...before, chord: { root, formula }, symbol: typed, omit: undefined, bass: undefined }))
    },
    problem,
    build,
    choose: (changes) => setBuild((before) => ({ ...before, ...changes })),
    change,
    setChange,
    search,
    landmarks,
    setLandmarks,
    sets,
    setSets,
    neck,
    setting,
    changed,
  }
}

/** A morph's formula as a suffix for the address. */
function suffixIn(change: Extract<MapChange, { kind: 'morph' }>, build: Build): string {
  const found = MORPHS.find(({ formula }) => formula.join() === change.formula.join())
  return found?.suffix ?? build.symbol
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
const MORPHS = [...TRIAD_MORPHS, ...SEVENTH_MORPHS]

/** Whether a row of the sheet is shown. */
export function isShown(strings: readonly number[], sets: ShownSets): boolean {
  if (sets === 'all') return true
  if (sets === 'neighbouring')
    return strings.every((string, index) => index === 0 || string === (strings[index - 1] ?? 0) + 1)
  return strings.join() === sets
}
