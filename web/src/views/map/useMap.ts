/** The state of the Map: what is asked, the worker's answer, the place in hand, the address. */
import { useStore } from '@nanostores/react'
import { type ChordMap, easiestPlace, type MapPlace, placesOf } from '@nestling/core/map'
import { type Neck, neckOf } from '@nestling/core/neck'
import { instrumentFor, type Player } from '@nestling/core/request'
import { startTransition, useCallback, useEffect, useMemo, useState } from 'react'
import { useKeptPast } from '../../shell/useKeptPast.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { createAsked, type Typed } from '../../state/asked.ts'
import { $player, $session } from '../../state/session.ts'
import { fretsWord } from '../../words/shapes.ts'
import { mapClient } from '../../workers/clients.ts'
import { type AskedMap, isShown, readMap, writeMap } from './address.ts'
import { completeMapLine, readMapLine, writeMapLine } from './line.ts'
import { readFirstMap } from './writtenMap.ts'

/** An answer, with the question that it belongs to: the page may have gone on asking. */
export interface FoundMap extends Pick<AskedMap, 'question' | 'change'> {
  readonly player: Player
  readonly neck: Neck
  readonly map: ChordMap
}

export type MapSearch =
  | { readonly status: 'searching' }
  | { readonly status: 'found'; readonly found: FoundMap }
  | { readonly status: 'failed'; readonly message: string; readonly again: () => void }

export interface MapState {
  readonly typed: Typed
  readonly type: (text: string) => void
  readonly finish: () => void
  /** What a half-typed line may become. */
  readonly goingOn: (text: string) => readonly string[]
  readonly asked: AskedMap
  readonly step: (changes: Partial<AskedMap>) => void
  readonly undo: () => unknown
  readonly redo: () => unknown
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly search: MapSearch
  readonly player: Player
}

/** The map as it is shown: without the string sets that are not asked for. */
export interface ShownMap extends FoundMap {
  readonly rows: ChordMap['rows']
  readonly places: readonly MapPlace[]
  /** The place in hand: the one that was taken, or the easiest. */
  readonly chosen: MapPlace | undefined
  readonly wasTaken: boolean
}

const lineOf = (asked: AskedMap): string => writeMapLine(asked, $session.get().settings.naming)

/** @param map The server's answer, as it was written into the page. */
export function useMap(query: string, map: string): MapState {
  const player = useStore($player)
  const [asked] = useState(() => {
    const first = readMap(new URLSearchParams(query), player)
    const made = createAsked<AskedMap>(first.asked, { lineOf })
    if (first.typed) made.showLine(first.typed)
    return made
  })
  const now = useStore(asked.$now)
  const { question, change } = now
  const typed = useStore(asked.$typed)
  const past = useStore(asked.$past)
  const [search, setSearch] = useState<MapSearch>(() => ({
    status: 'found',
    found: { question, change, player, neck: neckOf(instrumentFor(question, player)), map: readFirstMap(map) },
  }))
  const isAnswered =
    search.status === 'found' &&
    search.found.question === question &&
    search.found.change === change &&
    search.found.player === player
  const [attempt, setAttempt] = useState(0)

  const type = useCallback(
    (text: string) => {
      asked.type(text, (written, before) => readMapLine(written, player, before))
    },
    [asked, player],
  )

  const goingOn = useCallback((text: string) => completeMapLine(text, player, asked.current()), [asked, player])

  useEffect(() => {
    if (isAnswered) return undefined
    let current = true
    mapClient()
      .mapOf(question, player, change)
      .then(
        (map: ChordMap) => {
          if (!current) return
          const found = { question, change, player, neck: neckOf(instrumentFor(question, player)), map }
          // Many lanes: drawn in slices, so that the page stays free meanwhile.
          startTransition(() => setSearch({ status: 'found', found }))
        },
        (error: unknown) => {
          const message = error instanceof Error ? error.message : String(error)
          if (current) setSearch({ status: 'failed', message, again: () => setAttempt((tries) => tries + 1) })
        },
      )
    return () => {
      current = false
    }
  }, [question, player, change, attempt, isAnswered])
  useKeptPast(asked, 'lanes')
  const answered = search.status === 'found' && search.found.question === question && search.found.change === change
  useQuestion({
    address: answered ? writeMap(now, search.found.neck.open.length) : undefined,
    open: (there) => {
      const read = readMap(there, player)
      asked.open(read.asked, read.typed)
    },
  })

  return {
    typed,
    type,
    finish: asked.finish,
    goingOn,
    asked: now,
    // Another chord or arrangement has other places.
    step: useCallback(
      (changes) => asked.step('place' in changes ? changes : { ...changes, place: undefined }),
      [asked],
    ),
    undo: asked.undo,
    redo: asked.redo,
    canUndo: past.canUndo,
    canRedo: past.canRedo,
    search,
    player,
  }
}

/** What of the answer is shown, and which place is in hand there. */
export function useShown({ search, asked: { sets, place } }: MapState): ShownMap | undefined {
  const found = search.status === 'found' ? search.found : undefined
  return useMemo(() => found && shownOf(found, sets, place), [found, sets, place])
}

export function shownOf(found: FoundMap, sets: AskedMap['sets'], place: string | undefined): ShownMap {
  const rows = found.map.rows.filter(({ strings }) => isShown(strings, sets))
  const places = rows.flatMap(placesOf)
  const taken = place === undefined ? undefined : places.find(({ frets }) => fretsWord(frets) === place)
  const chosen = taken ?? easiestPlace({ ...found.map, rows })
  return { ...found, rows, places, chosen, wasTaken: taken !== undefined }
}
