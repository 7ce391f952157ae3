/** The state of the Map: the question, the worker's answer, the change that is looked at, the cell in hand, the address. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import type { ChangedMap, ChordMap, MapChange } from '@nestling/core/map'
import { type Neck, neckOf } from '@nestling/core/neck'
import { instrumentFor, type Player, type Question, readTypedLine } from '@nestling/core/request'
import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import { useKeptPast } from '../../shell/useKeptPast.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { createAsked, type Typed } from '../../state/asked.ts'
import { $player, $session } from '../../state/session.ts'
import { mapClient } from '../../workers/clients.ts'
import { type AskedMap, type MapAddress, readMap, readMapAddress, writeMap } from './address.ts'

/** An answer, with the question that it belongs to: the page may have gone on asking. */
export interface FoundMap extends AskedMap {
  readonly player: Player
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
  readonly typed: Typed
  readonly type: (text: string) => void
  readonly finish: () => void
  readonly question: Question
  readonly choose: (changes: Partial<Question>) => void
  readonly change: MapChange
  readonly setChange: (change: MapChange) => void
  readonly undo: () => unknown
  readonly redo: () => unknown
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly search: MapSearch
  /** Landmarks on every cell. */
  readonly landmarks: boolean
  readonly setLandmarks: (shown: boolean) => void
  readonly sets: ShownSets
  readonly setSets: (sets: ShownSets) => void
  readonly player: Player
}

/** The chord as it stands in the field: as the player would type it. */
const typedChord = ({ question }: AskedMap): string => {
  const { naming } = $session.get().settings
  return writeSymbol(question.chord, naming === 'letters' ? { ascii: true } : { naming })
}

export function useMap(address: MapAddress): MapState {
  const player = useStore($player)
  const [asked] = useState(() => {
    const first = readMap(address, player)
    const made = createAsked<AskedMap>(first.asked, { lineOf: typedChord })
    if (first.typed) made.showLine(first.typed)
    return made
  })
  const { question, change } = useStore(asked.$now)
  const typed = useStore(asked.$typed)
  const past = useStore(asked.$past)
  const [landmarks, setLandmarks] = useState(false)
  const [sets, setSets] = useState<ShownSets>('all')
  const [search, setSearch] = useState<MapSearch>({ status: 'searching' })
  const answered = useRef<FoundMap>(undefined)

  const setChange = useCallback((next: MapChange) => asked.step({ change: next }), [asked])
  const type = useCallback(
    (text: string) => {
      asked.type(text, (written, before) => {
        const read = readTypedLine(written, player, before.question)
        if (!read.ok) return read
        const { question: wanted } = read.value
        const { root, formula } = wanted.chord
        // The sheet has all string sets and all basses anyway, and a new chord is not yet changed.
        const here = { ...wanted, chord: { root, formula }, strings: undefined, bass: undefined, top: undefined }
        return { ok: true, value: { question: here } }
      })
    },
    [asked, player],
  )

  useEffect(() => {
    let current = true
    answer(question, player, change, answered.current).then(
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
  }, [question, player, change])
  useKeptPast(asked, 'map')
  useQuestion({
    address: search.status === 'found' ? writeMap(search.found, search.found.neck.open.length) : undefined,
    open: (query) => {
      const there = readMap(readMapAddress(query), player)
      asked.open(there.asked, there.typed)
    },
  })

  return {
    typed,
    type,
    finish: asked.finish,
    question,
    choose: (changes) => asked.step({ question: { ...question, ...changes } }),
    undo: asked.undo,
    redo: asked.redo,
    canUndo: past.canUndo,
    canRedo: past.canRedo,
    change,
    setChange,
    search,
    landmarks,
    setLandmarks,
    sets,
    setSets,
    player,
  }
}

/** Asks the worker; a map that answers the same question already is only changed. */
async function answer(
  question: Question,
  player: Player,
  change: MapChange,
  last: FoundMap | undefined,
): Promise<FoundMap> {
  const client = mapClient()
  const map = last?.question === question && last.player === player ? last.map : await client.mapOf(question, player)
  const changed = await client.changedMap(map, question, player, change)
  return { question, player, neck: neckOf(instrumentFor(question, player)), map, change, changed }
}

/** Whether a row of the sheet is shown. */
export function isShown(strings: readonly number[], sets: ShownSets): boolean {
  if (sets === 'all') return true
  if (sets === 'neighbouring')
    return strings.every((string, index) => index === 0 || string === (strings[index - 1] ?? 0) + 1)
  return strings.join() === sets
}
