/** The ladder: the shapes that answer the sentence, as small necks; thousands of them scroll smoothly. */
import { NativeSelect } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { leftOutBesides } from '@nestling/core/chord'
import { handVerdict } from '@nestling/core/hand'
import { type Degree, withSigns } from '@nestling/core/pitch'
import { type Frets, voicingReader } from '@nestling/core/voicing'
import { useVirtualizer } from '@tanstack/react-virtual'
import { memo, useMemo, useRef, useState } from 'react'
import { useSettled } from '../../../controls/useSettled.ts'
import { SmallNeck } from '../../../neck/SmallNeck.tsx'
import { $waysOut, neckIn, takeQuestion, takeShape, type WorkbenchState } from '../../../state/workbench/index.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { verdictWords } from '../../../words/hand.ts'
import { fretsWord, stringsApart } from '../../../words/shapes.ts'
import {
  countBy,
  filtered, type LadderFilter, type LadderHead, type LadderOrder, type LadderShape, ladderOf, POSITIONS, type Position, positionOf, shapesIn,
} from './ladder.ts' // biome-ignore format: a list
import classes from './ShapesFound.module.css'

const ROW_HEIGHT = 74
const HEAD_HEIGHT = 28
/** "the 5 and the root". */
const leftOutWords = (degrees: readonly Degree[]): string =>
  degrees.map((degree) => `the ${degree === 'R' ? 'root' : degreeSign(degree)}`).join(' and ')

const NO_FILTER: LadderFilter = { bass: undefined, position: undefined, playable: false }

export const ShapesFound = memo(function ShapesFound({ state }: { readonly state: WorkbenchState }) {
  const { search, question, player } = state
  const result = search.status === 'found' ? search.result : search.status === 'searching' ? search.last : undefined
  const [order, setOrder] = useState<LadderOrder>('ease')
  const [filter, setFilter] = useState(NO_FILTER)
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const { root, formula } = question.chord
  // Rows are of the chord that was searched: while a new search runs, the last rows stay until they are replaced.
  const shapes = useMemo(
    () => (result && result.strings === neck.open.length ? shapesIn(result, { root, formula }, neck) : []),
    [result, root, formula, neck],
  )
  const shown = useMemo(() => filtered(shapes, filter), [shapes, filter])
  const near = order === 'near' ? state.frets : undefined
  const rows = useMemo(() => ladderOf(shown, order, near), [shown, order, near])
  const strings = neck.open.length
  const where = question.strings === undefined ? 'on any strings' : `on ${stringsApart(question.strings, strings)}`
  // Nobody asked for these to go: it is said.
  const besides =
    question.omit === undefined && player.school === 'drop-fifth' && question.strings !== undefined
      ? leftOutBesides(formula, question.strings.length)
      : []
  return (
    <section aria-label="Shapes found" aria-busy={search.status === 'searching'} className={classes['section']}>
      <h2 className={classes['head']}>
        Shapes found
        <span data-testid="count">
          {result && search.status === 'found'
            ? `${result.count} ${where}${result.playable < result.count ? ` · ${result.playable} playable` : ''}`
            : ''}
        </span>
      </h2>
      {shapes.length > 0 && (
        <Controls shapes={shapes} filter={filter} setFilter={setFilter} order={order} setOrder={setOrder} />
      )}
      {besides.length > 0 && shapes.length > 0 && (
        <p className={classes['empty']} data-testid="left-out">
          On {question.strings?.length} strings {leftOutWords(besides)} {besides.length === 1 ? 'is' : 'are'} left out.
        </p>
      )}
      {search.status === 'failed' && (
        <p role="alert" className={classes['empty']}>
          The search stopped: {search.message}. Change the line to try again.
        </p>
      )}
      {search.status === 'searching' && result === undefined && (
        <p className={classes['empty']}>Looking along the neck…</p>
      )}
      {search.status === 'found' && search.result.playable === 0 && <WaysOut state={state} where={where} />}
      {shapes.length > 0 && shown.length === 0 && (
        <p className={classes['empty']}>
          None of the {shapes.length} pass these filters.{' '}
          <button type="button" className={classes['link']} onClick={() => setFilter(NO_FILTER)}>
            Show all
          </button>
        </p>
      )}
      {rows.length > 0 && <Rows rows={rows} state={state} />}
      {result?.truncated && search.status === 'found' && (
        <p className={classes['empty']}>
          {result.shown} of {result.count} are listed. Name a string set or an arrangement to see the others.
        </p>
      )}
    </section>
  )
})

const Controls = memo(function Controls({
  shapes: now,
  filter,
  setFilter,
  order,
  setOrder,
}: {
  readonly shapes: readonly LadderShape[]
  readonly filter: LadderFilter
  readonly setFilter: (filter: LadderFilter) => void
  readonly order: LadderOrder
  readonly setOrder: (order: LadderOrder) => void
}) {
  // The rows come first; the counts in the choices a moment later.
  const shapes = useSettled(now)
  const basses = useMemo(() => [...countBy(shapes, (shape) => shape.bass)], [shapes])
  const positions = useMemo(() => countBy(shapes, positionOf), [shapes])
  return (
    <div className={classes['controls']}>
      <NativeSelect
        size="xs"
        aria-label="Order"
        value={order}
        onChange={(event) => setOrder(event.currentTarget.value as LadderOrder)}
        data={[
          { value: 'ease', label: 'usual first' },
          { value: 'neck', label: 'along the neck' },
          { value: 'near', label: 'nearest' },
        ]}
      />
      <NativeSelect
        size="xs"
        aria-label="Bass tone"
        value={filter.bass ?? ''}
        onChange={(event) =>
          setFilter({ ...filter, bass: (event.currentTarget.value || undefined) as LadderFilter['bass'] })
        }
        data={[
          { value: '', label: 'any bass' },
          ...basses.map(([bass, count]) => ({ value: bass, label: `${bassWord(bass)} (${count})` })),
        ]}
      />
      <NativeSelect
        size="xs"
        aria-label="Place on the neck"
        value={filter.position ?? ''}
        onChange={(event) =>
          setFilter({ ...filter, position: (event.currentTarget.value || undefined) as Position | undefined })
        }
        data={[
          { value: '', label: 'any fret' },
          ...POSITIONS.map((position) => ({
            value: position,
            label: `${position} (${positions.get(position) ?? 0})`,
          })),
        ]}
      />
    </div>
  )
})

const bassWord = (bass: LadderShape['bass']): string => (bass === 'foreign' ? 'its own bass' : `${degreeName(bass)}`)

const GIVE_UP = {
  reach: () => 'with a longer stretch',
  strings: (strings: string) => `on ${strings}`,
  arrangement: () => 'in any arrangement',
  bass: () => 'with any tone in the bass and on top',
  omit: () => 'leaving out other tones',
} as const

/** Nothing found is never the end: what would be found, and how many. */
function WaysOut({ state, where }: { readonly state: WorkbenchState; readonly where: string }) {
  const ways = useStore($waysOut)
  const { question, player } = state
  const strings = neckIn({ question, player }).open.length
  const beyond = state.search.status === 'found' ? state.search.result.count : 0
  return (
    <div className={classes['empty']} data-testid="ways-out">
      <p>
        No shape {where} within your reach
        {beyond > 0 ? `; ${beyond} can’t be held by this hand` : ''}.
      </p>
      {ways === undefined ? (
        <p>Looking for a way out…</p>
      ) : ways.length === 0 ? (
        <p>No single change helps. Give up two wishes at once: any strings and any arrangement, or double a tone.</p>
      ) : (
        <ul>
          {ways.slice(0, 6).map((way) => (
            <li key={`${way.giveUp}${way.question.strings?.join()}`}>
              <button type="button" className={classes['link']} onClick={() => takeQuestion(way.question)}>
                {way.playable}{' '}
                {GIVE_UP[way.giveUp](way.question.strings ? stringsApart(way.question.strings, strings) : '')}
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

function Rows({ rows, state }: { readonly rows: ReturnType<typeof ladderOf>; readonly state: WorkbenchState }) {
  const box = useRef<HTMLDivElement>(null)
  const { question, player, frets } = state
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: (index) => (rows[index]?.kind === 'head' ? HEAD_HEIGHT : ROW_HEIGHT),
    overscan: 3,
    initialRect: { width: 340, height: 320 },
  })
  const read = useMemo(() => voicingReader(question.chord, neckIn({ question, player })), [question, player])
  const refusalOf = (one: Frets) =>
    verdictWords(handVerdict(one, neckIn({ question, player }), player.hand, undefined, { thumb: player.thumb }))
  const inHand = frets && fretsWord(frets)
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a box that scrolls must be reached by the keyboard
    <div ref={box} className={classes['rows']} tabIndex={0} role="group" aria-label="List of shapes">
      <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map((item) => {
          const row = rows[item.index]
          if (row === undefined) return null
          const voicing = row.kind === 'shape' ? read(row.frets) : undefined
          return (
            <div
              // By place, so that the next answer redraws the rows that are there.
              key={item.index}
              className={classes['place']}
              style={{ height: item.size, transform: `translateY(${item.start}px)` }}
            >
              {row.kind === 'head' ? (
                <Head head={row} />
              ) : (
                <ShapeRow
                  shape={row}
                  degrees={voicing?.degrees ?? row.frets.map((fret) => (fret === null ? null : 'R'))}
                  stack={voicing?.arrangement.degrees.map(withSigns).join(' ') ?? ''}
                  inHand={inHand === fretsWord(row.frets)}
                  refusal={row.playable ? undefined : refusalOf(row.frets)}
                />
              )}
            </div>
          )
        })}
      </div>
    </div>
  )
}

const Head = ({ head }: { readonly head: LadderHead }) => (
  <h3 className={classes['group']}>
    {head.strings} · {bassWord(head.bass)} in the bass <span>{head.count}</span>
  </h3>
)

const ShapeRow = memo(function ShapeRow({
  shape,
  degrees,
  stack,
  inHand,
  refusal,
}: {
  readonly shape: LadderShape
  readonly degrees: Parameters<typeof SmallNeck>[0]['degrees']
  readonly stack: string
  readonly inHand: boolean
  /** Why the hand can't hold it. */
  readonly refusal: string | undefined
}) {
  return (
    <button
      type="button"
      className={classes['row']}
      aria-pressed={inHand}
      onClick={() => takeShape(shape.frets)}
      data-testid="shape-row"
    >
      <SmallNeck frets={shape.frets} degrees={degrees} />
      <span>
        <strong>{fretsWord(shape.frets)}</strong>
        <small>{stack}</small>
        <small>
          {shape.lowest === 0 ? 'open' : `fret ${shape.lowest}`} · {Math.round(shape.reachMm)} mm
          {refusal !== undefined && ` · ${refusal}`}
        </small>
      </span>
    </button>
  )
})
