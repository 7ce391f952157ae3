/** The shape that is open beside the list: as music, with its history, and what can be done with it. */
import { useStore } from '@nanostores/react'
import type { EasierGrip } from '@nestling/core/answer'
import { writeSymbol } from '@nestling/core/chord'
import { namesOf } from '@nestling/core/name'
import type { Neck } from '@nestling/core/neck'
import type { Shape } from '@nestling/core/shape'
import type { TasteTerm } from '@nestling/core/taste'
import { soundedNotes } from '@nestling/core/time'
import type { Voicing } from '@nestling/core/voicing'
import { useCallback, useEffect, useMemo, useState } from 'react'
import type { ShapeHistory } from '../../contracts/book.ts'
import type { KeptShape } from '../../contracts/shape.ts'
import { stop } from '../../sound/transport.ts'
import { historyOf, shownShape } from '../../state/book.ts'
import { call } from '../../state/http.ts'
import { toBuild, toPractice } from '../../state/links.ts'
import { hearChords } from '../../state/playback.ts'
import { $player, $session } from '../../state/session.ts'
import { shapesBlock, toSheet } from '../../state/toSheet.ts'
import { addToTray } from '../../state/tray.ts'
import { fretsWord } from '../../words/shapes.ts'
import { countingClient } from '../../workers/clients.ts'
import type { BookState } from './useBook.ts'

export interface OpenShape {
  readonly kept: KeptShape | undefined
  readonly shape: Shape | undefined
  /** Where it sounds its chord: the player’s own neck, if it does there. */
  readonly neck: Neck | undefined
  readonly voicing: Voicing | undefined
  readonly symbol: string
  /** What else it is called, best first, without its own name. */
  readonly otherNames: readonly string[]
  readonly history: ShapeHistory | undefined
  /** What would lie better, with where it is built. */
  readonly easier: { readonly frets: string; readonly because: TasteTerm; readonly href: string } | undefined
  readonly href: string | undefined
  readonly practiseHref: string | undefined
  readonly sheetHref: string | undefined
  readonly hear: () => void
  readonly toTray: () => void
  /** For who listens. */
  readonly spoken: string
}

const OWNER = 'book'
const MOST_NAMES = 4

export function useOpen({ plan, shapes }: BookState): OpenShape {
  const player = useStore($player)
  const session = useStore($session)
  const { settings } = session
  const { open } = plan
  const inList = useMemo(() => {
    const all = [...shapes.values()]
    return open === undefined ? all[0] : all.find(({ id }) => id === open)
  }, [shapes, open])
  // Opened by its address it may be far down the list, or left out by what is asked.
  const [found, setFound] = useState<KeptShape | undefined>(undefined)
  useEffect(() => {
    if (open === undefined || inList) return undefined
    let current = true
    void call<KeptShape>('GET', `/api/shapes/${open}`).then(
      (reply) => current && setFound(reply.ok ? reply.value : undefined),
    )
    return () => {
      current = false
    }
  }, [open, inList])
  const kept = inList ?? (found?.id === open ? found : undefined)
  const [history, setHistory] = useState<{ readonly of: number; readonly value: ShapeHistory } | undefined>(undefined)
  const id = kept?.id
  useEffect(() => {
    if (id === undefined) return undefined
    let current = true
    // Walked over quickly, shapes are not asked for their history one after another.
    const waiting = setTimeout(
      () => void historyOf(id).then((reply) => current && reply.ok && setHistory({ of: id, value: reply.value })),
      150,
    )
    return () => {
      current = false
      clearTimeout(waiting)
    }
  }, [id])
  const shown = useMemo(() => kept && shownShape(kept, session), [kept, session])
  const { shape, neck, voicing } = shown ?? {}
  const style = useMemo(
    () => ({ naming: settings.naming, school: settings.symbols }),
    [settings.naming, settings.symbols],
  )
  const symbol = shape ? writeSymbol(shape.chord, style) : (kept?.chord ?? '')
  // They come with the history: naming waits until the page is alive.
  const hasHistory = history !== undefined && history.of === id
  const otherNames = useMemo(() => {
    if (!shape || !neck || !hasHistory) return []
    const all = namesOf(shape.frets, neck, { near: shape.chord }).map(({ chord }) => writeSymbol(chord, style))
    return [...new Set(all)].filter((name) => name !== symbol).slice(0, MOST_NAMES)
  }, [shape, neck, symbol, style, hasHistory])
  const [grip, setGrip] = useState<{ readonly of: Shape; readonly value: EasierGrip } | undefined>(undefined)
  useEffect(() => {
    if (!shape || !hasHistory) return undefined
    let current = true
    // Without it everything else is there all the same.
    void countingClient()
      .easierGrip(shape, player)
      .catch(() => undefined)
      .then((value) => current && value && setGrip({ of: shape, value }))
    return () => {
      current = false
    }
  }, [shape, player, hasHistory])
  const easier = useMemo(
    () =>
      shape && grip?.of === shape
        ? {
            frets: fretsWord(grip.value.frets),
            because: grip.value.because,
            href: toBuild({ ...shape, frets: grip.value.frets }, player),
          }
        : undefined,
    [grip, shape, player],
  )
  const hear = useCallback(() => {
    if (!shape || !neck) return
    stop()
    hearChords([{ notes: soundedNotes(shape.frets, neck, shape.chord) }], 'strum', OWNER)
  }, [shape, neck])
  const toTray = useCallback(() => {
    if (shape) void addToTray([shape])
  }, [shape])
  return useMemo(
    () => ({
      kept,
      shape,
      neck,
      voicing,
      symbol,
      otherNames,
      easier,
      history: hasHistory ? history.value : undefined,
      href: shape && toBuild(shape, player),
      practiseHref: shape && toPractice([shape], player, kept?.name),
      sheetHref: shape && toSheet(shapesBlock([{ shape, name: kept?.name ?? '', note: kept?.note ?? '' }])),
      hear,
      toTray,
      spoken: kept ? `${symbol}, ${kept.name}, ${kept.frets}` : '',
    }),
    [kept, shape, neck, voicing, symbol, otherNames, easier, history, hasHistory, player, hear, toTray],
  )
}
