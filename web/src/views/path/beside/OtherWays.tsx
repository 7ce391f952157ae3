/** Other ways through the whole tune: the hand's line of laid over the present one, heard, set side by side, or taken. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import type { PathWay } from '@nestling/core/path'
import { memo } from 'react'
import { $session } from '../../../state/session.ts'
import { fretsWord } from '../../../words/shapes.ts'
import { takeAnew } from '../anew.ts'
import { $look, compare, comparedTo } from '../look.ts'
import type { PathState } from '../usePath.ts'
import classes from './Beside.module.css'

const WIDTH = 110
const HEIGHT = 18

export const OtherWays = memo(function OtherWays({ state }: { readonly state: PathState }) {
  const { settings } = useStore($session)
  const { found, played, plan } = state.answer
  const { compared } = useStore($look)
  const other = comparedTo(found, compared)
  const anew = other && compared?.isAnew ? other : undefined
  const ways = anew ? [anew, ...found.others] : found.others
  if (ways.length === 0) return null
  const take = (way: PathWay) => {
    if (way === anew) return takeAnew(state)
    const different = way.shapes.flatMap((shape, chord) =>
      shape && fretsWord(shape.frets) !== fretsWord(found.shapes[chord]?.frets ?? [])
        ? [{ chord, frets: shape.frets }]
        : [],
    )
    const kept = plan.held.filter(({ chord }) => !different.some((one) => one.chord === chord))
    return state.change({ held: [...kept, ...different].toSorted((a, b) => a.chord - b.chord) })
  }
  const words = (way: PathWay): string => {
    if (way === anew) return 'all chosen anew'
    const other = way.shapes.flatMap((shape, chord) =>
      shape && fretsWord(shape.frets) !== fretsWord(found.shapes[chord]?.frets ?? []) ? [chord] : [],
    )
    const [first] = other
    const symbol =
      first === undefined
        ? ''
        : writeSymbol((played.chords[first] as (typeof played.chords)[0]).chord, {
            naming: settings.naming,
            school: settings.symbols,
          })
    return other.length === 1 ? `another ${symbol}` : `another ${symbol} and ${other.length - 1} more`
  }
  return (
    <section aria-label="Other ways through" className={classes['section']}>
      <div className={classes['headLine']}>
        <h2 className={classes['head']}>Other ways through</h2>
        {other ? (
          <p className={classes['beside']}>
            <button type="button" aria-label={`Take ${words(other)}`} onClick={() => take(other)}>
              take it
            </button>
            <button type="button" onClick={() => $look.set({ ...$look.get(), as: 'table' })}>
              side by side
            </button>
          </p>
        ) : (
          <span>grey: as it is now</span>
        )}
      </div>
      <ul className={classes['list']}>
        {ways.map((way) => (
          <li key={way.shapes.map((shape) => fretsWord(shape?.frets ?? [])).join()}>
            <button
              type="button"
              data-testid="other-way"
              aria-pressed={other === way}
              aria-label={`Compare ${words(way)}: the whole path costs ${Math.abs(way.total - found.total).toFixed(2)} ${way.total >= found.total ? 'more' : 'less'}`}
              onClick={() => compare(found, other === way ? undefined : way)}
            >
              <span className={classes['reason']}>{words(way)}</span>
              <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width={WIDTH} height={HEIGHT} aria-hidden="true">
                <path d={lineOf(found, played.chords.length, [found, way])} className={classes['line']} data-now />
                <path d={lineOf(way, played.chords.length, [found, way])} className={classes['line']} />
              </svg>
              <em>
                {way.total >= found.total ? '+' : '−'}
                {Math.abs(way.total - found.total).toFixed(2)}
              </em>
            </button>
            <button
              type="button"
              aria-label={`Play ${words(way)}`}
              title="play this way"
              className={classes['hear']}
              onClick={() => state.hearWay(way.shapes)}
            >
              ▷
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
})

function lineOf({ shapes }: PathWay, count: number, scale: readonly PathWay[]): string {
  const places = scale.flatMap((way) => way.shapes.flatMap((shape) => shape?.indexMm ?? []))
  const [low, high] = [Math.min(...places) - 20, Math.max(...places) + 20]
  const each = WIDTH / Math.max(1, count)
  const parts = shapes.flatMap((shape, index) =>
    shape?.indexMm === undefined
      ? []
      : [`${index * each} ${2 + ((shape.indexMm - low) / (high - low)) * (HEIGHT - 4)}H${(index + 1) * each}`],
  )
  return parts.length === 0 ? '' : `M${parts.join('L')}`
}
