/** Every shape as its own reach: a bar from its lowest to its highest fingertip, with bass egg, order of tones and mm. */
import { handVerdict } from '@nestling/core/hand'
import { toneWeight } from '@nestling/core/pitch'
import { type Voicing, voicingReader } from '@nestling/core/voicing'
import { memo, useDeferredValue, useMemo } from 'react'
import { useMeant } from '../../../controls/useMeant.ts'
import { useOneStop } from '../../../controls/useOneStop.ts'
import type { NeckLayout } from '../../../neck/layout.ts'
import wordEgg from '../../../neck/wordEgg.module.css'
import { neckIn, takeShape, type WorkbenchState } from '../../../state/workbench/index.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { verdictWords } from '../../../words/hand.ts'
import { fretsWord } from '../../../words/shapes.ts'
import classes from './Found.module.css'
import { type Bar, lanesOf, type Rail } from './rails.ts'
import { areSame } from './shapes.ts'
import { useLanesInSight } from './useLanesInSight.ts'

/** Below this width a bar holds its egg only; wider ones hold their order of tones too, and their millimetres. */
const EGG_ONLY = 62
/** What the egg and the bar's ends take, a sign of its order, its millimetres: where these have no room they are left out. */
const [ENDS, SIGN, MM] = [30, 5.8, 44]
/** A page may be narrower than the drawing: by no more than this, or bars are cut anyway. */
const NARROWEST = 0.75

export interface RailsProps {
  readonly rails: readonly Rail[]
  readonly layout: NeckLayout
  readonly state: WorkbenchState
  /** The frets in hand, as they are written. */
  readonly inHand: string | undefined
  /** Those that sound the very same pitches. */
  readonly same: ReadonlySet<string>
  readonly setWord: (mask: number) => string
}

export function Rails({ rails, layout, state, inHand, same, setWord }: RailsProps) {
  const stop = useOneStop<HTMLDivElement>(layout.direction)
  const { question, player, frets } = state
  const lanes = useMemo(() => lanesOf(rails), [rails])
  const handLane = useMemo(
    () => (frets ? lanes.findIndex(({ bars }) => bars.some(({ shape }) => areSame(shape.frets, frets))) : -1),
    [lanes, frets],
  )
  // What can't be seen at once comes a moment later: the lanes before and after, and why a bar can't be held, which is for
  // those who point at it or hear it.
  const settled = useDeferredValue(lanes) === lanes
  const virtual = useLanesInSight(stop.ref, lanes, handLane, settled ? 1 : 0)
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const read = useMemo(() => voicingReader(question.chord, neck), [question.chord, neck])
  const refusalOf = (bar: Bar): string | undefined =>
    bar.shape.playable || !settled
      ? undefined
      : verdictWords(handVerdict(bar.shape.frets, neck, player.hand, undefined, { thumb: player.thumb }))
  return (
    <div className={classes['rails']} role="group" aria-label="Shapes at their places" {...stop} data-testid="rails">
      <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map((item) => {
          const row = lanes[item.index]
          if (!row) return null
          return (
            <div
              key={item.index}
              className={classes['rail']}
              style={{ height: item.size, transform: `translateY(${item.start}px)` }}
              role="group"
              aria-label={`strings ${setWord(row.mask)}`}
              data-hand={row.mask === lanes[handLane]?.mask || undefined}
            >
              <span className={classes['set']} style={sideOf(layout)}>
                {row.lane === 0 && <span data-testid="rail-set">{setWord(row.mask)}</span>}
              </span>
              <i
                className={classes['line']}
                style={{
                  left: percent(Math.min(layout.nut, layout.end)),
                  width: percent(Math.abs(layout.end - layout.nut)),
                }}
              />
              {row.bars.map((bar, index) => {
                const word = fretsWord(bar.shape.frets)
                return (
                  <BarButton
                    key={index}
                    bar={bar}
                    word={word}
                    voicing={read(bar.shape.frets)}
                    now={word === inHand}
                    isSame={same.has(word)}
                    refusal={refusalOf(bar)}
                  />
                )
              })}
              {item.index === handLane && (
                <EaseRuler bars={row.bars} inHand={inHand} layout={layout} comfortableMm={player.hand.comfortableMm} />
              )}
            </div>
          )
        })}
      </div>
    </div>
  )
}

const WIDTH = 1232
const percent = (units: number): string => `${(units / WIDTH) * 100}%`
const sideOf = (layout: NeckLayout) =>
  layout.direction === 1
    ? { left: 0, width: percent(layout.tipX(0) - 20) }
    : { right: 0, width: percent(WIDTH - layout.tipX(0) - 20) }

const BarButton = memo(function BarButton({
  bar: { shape, left, width },
  word,
  voicing,
  now,
  isSame,
  refusal,
}: {
  readonly bar: Bar
  readonly word: string
  readonly voicing: Voicing | undefined
  readonly now: boolean
  /** The very same pitches as in hand, on other strings. */
  readonly isSame: boolean
  readonly refusal: string | undefined
}) {
  const mm = Math.round(shape.reachMm)
  const order = voicing?.arrangement.degrees.map(degreeSign).join(' ') ?? ''
  const bass = shape.bass === 'foreign' ? 'its own bass' : `the ${degreeName(shape.bass)} in the bass`
  const needed = ENDS + order.length * SIGN
  const hasOrder = width >= EGG_ONLY
  const spoken = `${word}: ${order}${isSame ? ', the same pitches' : ''}, ${bass}, ${shape.lowest === 0 ? 'open' : `fret ${shape.lowest}`}, ${mm} millimetres${refusal === undefined ? '' : `, ${refusal}`}`
  const { onPointerDown, isMeant } = useMeant(word)
  return (
    <button
      type="button"
      className={`${wordEgg['egg']} ${classes['bar']}`}
      data-weight={toneWeight(shape.bass === 'foreign' ? '9' : shape.bass)}
      style={{ left: percent(left), width: percent(width) }}
      aria-pressed={now}
      aria-label={spoken}
      title={`${word} · ${order} · ${mm} mm${refusal === undefined ? '' : ` · ${refusal}`}`}
      onPointerDown={onPointerDown}
      onClick={(click) => {
        if (isMeant(click)) takeShape(shape.frets)
      }}
      data-testid="shape-row"
      data-frets={word}
      data-refused={!shape.playable || undefined}
      data-same={isSame || undefined}
      data-tight={(hasOrder && needed > width * NARROWEST) || undefined}
    >
      {isSame && <em title="the very same pitches">=</em>}
      {hasOrder && order}
      {hasOrder && needed + MM <= width && (
        <small data-snug={needed + MM > width * NARROWEST || undefined}>{mm} mm</small>
      )}
    </button>
  )
})

/** How far this hand is easy from where it is. */
function EaseRuler({
  bars,
  inHand,
  layout,
  comfortableMm,
}: {
  readonly bars: readonly Bar[]
  readonly inHand: string | undefined
  readonly layout: NeckLayout
  readonly comfortableMm: number
}) {
  const bar = bars.find(({ shape }) => fretsWord(shape.frets) === inHand)
  if (!bar || bar.shape.lowest === 0) return null
  const from = layout.tipX(bar.shape.lowest)
  const room = Math.abs(layout.end - from)
  const length = Math.min(room, comfortableMm * layout.scale)
  const left = layout.direction === 1 ? from : from - length
  const words = `comfortable to here: ${Math.round(comfortableMm)} mm`
  return (
    <span className={classes['ease']} style={{ left: percent(left), width: percent(length) }} data-testid="ease">
      <small>{length < room - 60 || layout.direction === -1 ? words : ''}</small>
    </span>
  )
}
