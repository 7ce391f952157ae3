/** The ladder: the shapes that answer the build line, as small necks, easiest first. */
import type { RankedShape } from '@nestling/core/hand'
import { neckOf } from '@nestling/core/neck'
import { withSigns } from '@nestling/core/pitch'
import { type Voicing, voicingOf, writeShape } from '@nestling/core/voicing'
import { useMemo } from 'react'
import { SmallNeck } from '../../../neck/SmallNeck.tsx'
import { degreeName } from '../../../neck/tone.ts'
import { type BuildState, takeShape } from '../../../state/build.ts'
import { stringsApart } from '../line/choices.ts'
import classes from './ShapesFound.module.css'

export function ShapesFound({ state }: { readonly state: BuildState }) {
  const { search, build, setting } = state
  const result = search.status === 'found' ? search.result : search.status === 'searching' ? search.last : undefined
  const rows = useMemo(() => {
    const neck = neckOf(setting.instrument)
    return (result?.shapes ?? []).flatMap((shape) => {
      const voicing = voicingOf(build.chord, shape.frets, neck)
      return voicing ? [{ shape, voicing }] : []
    })
  }, [result, build.chord, setting.instrument])
  const strings = setting.instrument.tuning.strings.length
  const where = build.strings === undefined ? 'on any strings' : `on ${stringsApart(build.strings, strings)}`
  return (
    <section aria-label="Shapes found" aria-busy={search.status === 'searching'}>
      <h2 className={classes['head']}>
        Shapes found
        <span data-testid="count">
          {result && search.status === 'found' ? `${result.count} ${where} · easiest first` : ''}
        </span>
      </h2>
      {search.status === 'failed' && (
        <p role="alert" className={classes['empty']}>
          The search stopped: {search.message}. Change the line to try again.
        </p>
      )}
      {search.status === 'searching' && result === undefined && (
        <p className={classes['empty']}>Looking along the neck…</p>
      )}
      {search.status === 'found' && search.result.count === 0 && (
        <p className={classes['empty']}>
          No shape {where} within this hand's reach. Try any arrangement, another string set, or another tone in the
          bass.
        </p>
      )}
      <ul className={classes['list']}>
        {rows.map(({ shape, voicing }) => (
          <li key={writeShape(shape.frets)}>
            <ShapeRow
              shape={shape}
              voicing={voicing}
              inHand={state.frets !== undefined && writeShape(state.frets) === writeShape(shape.frets)}
            />
          </li>
        ))}
      </ul>
      {result?.truncated && search.status === 'found' && (
        <p className={classes['empty']}>
          {rows.length} of {result.count} are shown. Name a string set or an arrangement to see the others.
        </p>
      )}
    </section>
  )
}

function ShapeRow({
  shape,
  voicing,
  inHand,
}: {
  readonly shape: RankedShape
  readonly voicing: Voicing
  readonly inHand: boolean
}) {
  const bass = voicing.arrangement.degrees[0]
  const pressed = shape.frets.filter((fret): fret is number => fret !== null && fret > 0)
  return (
    <button
      type="button"
      className={classes['row']}
      aria-pressed={inHand}
      onClick={() => takeShape(shape.frets)}
      data-testid="shape-row"
    >
      <SmallNeck frets={shape.frets} degrees={voicing.degrees} />
      <span>
        <strong>{writeShape(shape.frets)}</strong>
        <small>
          {pressed.length === 0 ? 'open' : `fret ${Math.min(...pressed)}`} · {bass && degreeName(bass)} in the bass
        </small>
        <small>
          {voicing.arrangement.degrees.map(withSigns).join(' ')} · {Math.round(shape.reachMm)} mm
          {shape.fingering ? '' : ' · more than four fingers'}
        </small>
      </span>
    </button>
  )
}
