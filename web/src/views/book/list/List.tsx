/** The shapes of the Book: as many lines as there are, of which only those in sight are drawn and fetched. */

import { useElementSize } from '@mantine/hooks'
import { useStore } from '@nanostores/react'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { requireAt } from '@nestling/core/result'
import { soundedNotes } from '@nestling/core/time'
import { lowestPressed } from '@nestling/core/voicing'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useMemo, useRef } from 'react'
import type { KeptShape } from '../../../contracts/shape.ts'
import { addressOfTune, practiceOfTune } from '../../../contracts/tuneAddresses.ts'
import { useOneStop } from '../../../controls/useOneStop.ts'
import { shownShape } from '../../../state/book.ts'
import { fretsIn } from '../../../state/links.ts'
import { hearChords } from '../../../state/playback.ts'
import { $session } from '../../../state/session.ts'
import { toSheet, tuneBlock } from '../../../state/toSheet.ts'
import { counted } from '../../../words/shapes.ts'
import { type GroupLine, type Line, linesOf, placesOf } from '../lines.ts'
import { deleteTuneOf } from '../parts/deleteTune.ts'
import type { BookState } from '../useBook.ts'
import type { OpenShape } from '../useOpen.ts'
import classes from './List.module.css'
import { ShapeItem } from './ShapeItem.tsx'
import { windowOf } from './window.ts'

const SHAPE_PX = 172
const HEAD_PX = 42
const ROW_PX = 124
const CHORDS_PX = 34
const HEIGHTS: Readonly<Record<Line['kind'], number>> = {
  head: HEAD_PX,
  row: ROW_PX,
  chords: CHORDS_PX,
  pair: HEAD_PX + ROW_PX,
}

/** What a line is, by what stands in it. */
function keyOf(line: Line, perLine: number): string {
  const own =
    line.kind === 'pair'
      ? line.groups.map(({ tune, from }) => `${tune}:${from}`).join()
      : line.kind === 'chords'
        ? line.tune
        : line.from
  return `${line.kind} ${own} ${perLine}`
}

export function List({ state, open }: { readonly state: BookState; readonly open: OpenShape }) {
  const { total, groups, shapes, see, plan } = state
  const { ref: measured, width } = useElementSize()
  const scroller = useRef<HTMLElement>(null)
  const perLine = Math.max(1, Math.floor((width || SHAPE_PX * 4) / SHAPE_PX))
  const lines = useMemo(() => linesOf({ total, groups }, perLine), [total, groups, perLine])
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => HEIGHTS[requireAt(lines, index).kind],
    // A line keeps its measured height whatever stands above it now.
    getItemKey: (index) => keyOf(requireAt(lines, index), perLine),
    overscan: 1,
  })
  const items = virtual.getVirtualItems()
  const [first, last] = [items[0]?.index ?? 0, items.at(-1)?.index ?? 0]
  useEffect(() => {
    const places = lines.slice(first, last + 1).flatMap(placesOf)
    const [from] = places[0] ?? []
    const [to, count] = places.at(-1) ?? []
    if (from !== undefined && to !== undefined && count !== undefined) see(from, to + count - 1)
  }, [lines, first, last, see])
  const stop = useOneStop<HTMLElement>(1, scroller)
  // The open shape is in sight wherever the keyboard goes.
  const at = plan.open === undefined ? undefined : [...shapes].find(([, { id }]) => id === plan.open)?.[0]
  useEffect(() => {
    if (at === undefined) return
    const line = lines.findIndex((one) => placesOf(one).some(([from, count]) => at >= from && at < from + count))
    if (line >= 0) virtual.scrollToIndex(line, { align: 'auto' })
  }, [at, lines, virtual])

  if (total === 0 && groups.length === 0) return <Nothing state={state} />
  return (
    <section {...stop} className={classes['list']} aria-label="Shapes" data-testid="book-list">
      <div ref={measured} style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {items.map(({ index, start, key }) => {
          const line = requireAt(lines, index)
          return (
            <div
              key={key}
              ref={virtual.measureElement}
              data-index={index}
              className={classes['line']}
              style={{ transform: `translateY(${start}px)` }}
            >
              {line.kind === 'head' && <Head group={line} state={state} />}
              {line.kind === 'row' && (
                <Row from={line.from} count={line.count} perLine={perLine} state={state} open={open} />
              )}
              {line.kind === 'chords' && <Chords tune={line.tune} state={state} />}
              {line.kind === 'pair' && (
                <div className={classes['pair']}>
                  {line.groups.map((group) => (
                    <div key={group.tune ?? 'none'}>
                      <Head group={group} state={state} isNarrow />
                      {group.count === 0 && <Chords tune={group.tune} state={state} />}
                      <Row
                        from={group.from}
                        count={group.count}
                        perLine={Math.max(1, Math.floor(perLine / 2))}
                        state={state}
                        open={open}
                      />
                    </div>
                  ))}
                </div>
              )}
            </div>
          )
        })}
      </div>
    </section>
  )
}

/** A tune's name, what it is, the walk of the hand through its shapes, and where it goes. */
function Head({
  group,
  state,
  isNarrow = false,
}: {
  readonly group: GroupLine
  readonly state: BookState
  readonly isNarrow?: boolean
}) {
  const tune = state.contents.tunes.find(({ id }) => id === group.tune)
  if (!tune) return <h2 className={classes['head']}>In no tune</h2>
  const own = Array.from({ length: Math.min(group.count, 40) }, (_, index) => state.shapes.get(group.from + index))
  const shapes = own.filter((shape): shape is KeptShape => shape !== undefined)
  const walk = walkOf(shapes)
  return (
    <div className={classes['head']} data-testid="tune-head">
      <h2>{tune.title}</h2>
      <small>{tune.about}</small>
      {!isNarrow && walk > 0 && <small className={classes['walk']}>hand walks {counted(walk, 'fret')}</small>}
      <span className={classes['go']} data-not-on-paper>
        {!isNarrow && group.count > 1 && (
          <button
            type="button"
            data-quiet
            aria-label={`Play the shapes of ${tune.title}`}
            onClick={() => playRow(shapes)}
          >
            Play
          </button>
        )}
        <a href={addressOfTune(tune.id)} aria-label={`${tune.title} to Path`}>
          To Path
        </a>
        <a href={practiceOfTune(tune.id)} aria-label={`Practise ${tune.title}`}>
          Practise
        </a>
        {!isNarrow && (
          <>
            <a href={toSheet(tuneBlock(tune.id))} aria-label={`${tune.title} to a sheet`}>
              To a sheet
            </a>
            {state.plan.tune === String(tune.id) && (
              <button type="button" aria-label={`Delete ${tune.title}`} onClick={() => void deleteTuneOf(state, tune)}>
                delete
              </button>
            )}
          </>
        )}
      </span>
    </div>
  )
}

/** Seconds from one shape of the row to the next. */
const APART_S = 1.4

function playRow(shapes: readonly KeptShape[]): void {
  const sounds = shapes.flatMap((kept) => {
    const shown = shownShape(kept)
    return shown ? [{ notes: soundedNotes(shown.shape.frets, shown.neck, shown.shape.chord) }] : []
  })
  hearChords(sounds, 'strum', 'book-row', APART_S)
}

/** Of a tune under which nothing is kept: its first chords with the shapes of its way through. */
function Chords({ tune: id, state }: { readonly tune: number | null; readonly state: BookState }) {
  const { settings } = useStore($session)
  const tune = state.contents.tunes.find((one) => one.id === id)
  if (!tune?.chords) return null
  const { chords, moreChords: more = 0 } = tune
  return (
    <p className={classes['chords']} data-testid="tune-chords">
      {chords.map(({ symbol, frets }, index) => {
        const read = readSymbol(symbol)
        return (
          <span key={`${index}${symbol}`}>
            <strong>
              {read.ok ? writeSymbol(read.value, { naming: settings.naming, school: settings.symbols }) : symbol}
            </strong>{' '}
            {frets}
          </span>
        )
      })}
      {more > 0 && <span>and {counted(more, 'chord')} more</span>}
    </p>
  )
}

function walkOf(shapes: readonly KeptShape[]): number {
  const places = shapes.flatMap(({ frets }) => {
    const held = fretsIn(frets)
    const lowest = held ? lowestPressed(held) : 0
    return lowest > 0 ? [lowest] : []
  })
  return places.slice(1).reduce((sum, fret, index) => sum + Math.abs(fret - (places[index] ?? fret)), 0)
}

interface RowProps {
  readonly from: number
  readonly count: number
  readonly perLine: number
  readonly state: BookState
  readonly open: OpenShape
}

/** Shapes of one line share a window of frets, where that is not too wide to be read. */
function Row({ from, count, perLine, state, open }: RowProps) {
  const own = Array.from({ length: count }, (_, index) => state.shapes.get(from + index))
  const window = windowOf(own.flatMap((shape) => shape?.frets ?? []))
  return (
    <ul className={classes['row']} style={{ gridTemplateColumns: `repeat(${perLine}, minmax(0, 1fr))` }}>
      {own.map((shape, index) => (
        <li key={shape?.id ?? `on-the-way-${from + index}`}>
          {shape ? (
            <ShapeItem shape={shape} window={window} state={state} isOpen={open.kept?.id === shape.id} />
          ) : (
            <p className={classes['coming']}>…</p>
          )}
        </li>
      ))}
    </ul>
  )
}

function Nothing({ state }: { readonly state: BookState }) {
  const { plan, contents, change } = state
  const isAsked = plan.find !== '' || plan.tag !== undefined || plan.tune !== undefined || plan.instrument !== undefined
  if (contents.shapes === 0 && !isAsked)
    return (
      <div className={classes['nothing']}>
        <p>
          Shapes that you keep in <a href="/">Build</a> with <kbd>K</kbd> come here, and stay when the application is
          closed.
        </p>
        <p>
          A file can be read too:{' '}
          <button type="button" onClick={() => change({ part: 'files' })}>
            files and copies
          </button>
        </p>
      </div>
    )
  return (
    <div className={classes['nothing']}>
      <p>{plan.find === '' ? 'Nothing is kept there.' : `Nothing in the Book matches “${plan.find}”.`}</p>
      <button
        type="button"
        onClick={() => change({ find: '', tag: undefined, tune: undefined, instrument: undefined })}
      >
        All of it
      </button>
    </div>
  )
}
