/** The state of the Map: the question, the worker's answer, the change that is looked at, the cell in hand, the address. */
import { useStore } from '@nanostores/react'
import {
  type Build,
  type ChangedMap,
  type ChordMap,
  instrumentFor,
  type MapChange,
  type Setting,
} from '@nestling/core/build'
import { type Neck, neckOf } from '@nestling/core/neck'
import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import { type TypedChord, useTypedChord } from '../../shell/useTypedChord.ts'
import { changedFrom, type Moment, NO_HISTORY, redone, undone } from '../../state/history.ts'
import { $setting } from '../../state/session.ts'
import { mapClient } from '../../workers/mapClient.ts'
import { type AskedMap, type MapAddress, readMap, writeMap } from './address.ts'

/** An answer, with the question that it belongs to: the page may have gone on asking. */
export interface FoundMap extends AskedMap {
  readonly setting: Setting
  readonly neck: Neck
  readonly map: ChordMap
  readonly changed: ChangedMap
}

export type MapSearch =
  | { readonly status: 'searching' }
  | { readonly status: 'found'; readonly found: FoundMap }
  | { readonly status: 'failed'; readonly message: string }

/** All string sets, neighbouring strings only, or one set by its string indices. */
export type ShownSets = 'all' | 'neighbouring' | `${number},${string}`

export interface MapState {
  readonly typed: TypedChord
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

/** An answer that stays this long is written into the address. */
const SETTLED_MS = 50

export function useMap(address: MapAddress): MapState {
  const setting = useStore($setting)
  const [first] = useState(() => readMap(address, setting))
  const [moment, setMoment] = useState<Moment<AskedMap>>({ now: first.asked, history: NO_HISTORY })
  const { build, change } = moment.now
  const [landmarks, setLandmarks] = useState(false)
  const [sets, setSets] = useState<ShownSets>('all')
  const [search, setSearch] = useState<MapSearch>({ status: 'searching' })
  const answered = useRef<FoundMap>(undefined)

  const ask = useCallback(
    (next: (now: AskedMap) => Partial<AskedMap>) =>
      setMoment(({ now, history }) => ({ now: { ...now, ...next(now) }, history: changedFrom(history, now) })),
    [],
  )
  const setChange = useCallback((next: MapChange) => ask(() => ({ change: next })), [ask])
  const typed = useTypedChord(
    { text: address.params.chord ?? 'C', problem: first.problem },
    setting.naming,
    ({ root, formula }, symbol) =>
      ask(({ build: before }) => ({
        build: { ...before, chord: { root, formula }, symbol, omit: undefined, bass: undefined },
      })),
  )
  const go = (to: (moment: Moment<AskedMap>) => Moment<AskedMap> | undefined) => {
    const there = to(moment)
    if (!there) return
    setMoment(there)
    typed.show(there.now.build.symbol)
  }

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
    const settled = setTimeout(
      () => window.history.replaceState(null, '', writeMap(search.found, search.found.neck.open.length)),
      SETTLED_MS,
    )
    return () => clearTimeout(settled)
  }, [search])

  return {
    typed,
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

/** Whether a row of the sheet is shown. */
export function isShown(strings: readonly number[], sets: ShownSets): boolean {
  if (sets === 'all') return true
  if (sets === 'neighbouring')
    return strings.every((string, index) => index === 0 || string === (strings[index - 1] ?? 0) + 1)
  return strings.join() === sets
}
