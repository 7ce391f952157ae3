/** The tune as a table, a row for each chord; beside it another way through, where one is compared. */
import { useStore } from '@nanostores/react'
import { type Chord, writeSymbol } from '@nestling/core/chord'
import { type PathShape, type PathWay, stepsOf } from '@nestling/core/path'
import { type NamingSystem, pitchAt, plainName, spellDegree, writePitch } from '@nestling/core/pitch'
import { memo } from 'react'
import { $session } from '../../../state/session.ts'
import { fretsWord } from '../../../words/shapes.ts'
import { $look, $mark, comparedTo } from '../look.ts'
import type { PathState } from '../usePath.ts'
import { Empty } from './Columns.tsx'
import classes from './TuneTable.module.css'

export const TuneTable = memo(function TuneTable({ state }: { readonly state: PathState }) {
  const { settings } = useStore($session)
  const mark = useStore($mark)
  const { compared } = useStore($look)
  const { played, found, plan } = state.answer
  const other = comparedTo(found, compared)
  if (played.chords.length === 0) return <Empty />
  const now = costsOf(found, state)
  const then = other && costsOf(other, state)
  return (
    <table className={classes['table']} data-testid="tune-table">
      <caption>
        {other
          ? `As it is, ${found.total.toFixed(2)}, and beside it another way, ${other.total.toFixed(2)}`
          : `Every chord of the tune; together they cost ${found.total.toFixed(2)}`}
      </caption>
      <thead>
        <tr>
          {['bar', 'chord', 'shape', 'fingers', 'top', 'moves', 'hand', 'cost'].map((head) => (
            <th key={head} scope="col">
              {head}
            </th>
          ))}
          {other && (
            <>
              <th scope="col">another way</th>
              <th scope="col">its cost</th>
            </>
          )}
        </tr>
      </thead>
      <tbody>
        {played.chords.map((one, chord) => {
          const shape = found.shapes[chord]
          const step = found.steps[chord]
          const beside = other?.shapes[chord]
          const isOther = fretsWord(beside?.frets ?? []) !== fretsWord(shape?.frets ?? [])
          return (
            <tr
              key={chord}
              data-chosen={chord === plan.chosen || undefined}
              data-sounds={mark === chord || undefined}
              data-other={(other && isOther) || undefined}
            >
              <td>{one.bar + 1}</td>
              <th scope="row">
                <button type="button" aria-pressed={chord === plan.chosen} onClick={() => state.choose(chord)}>
                  {writeSymbol(one.chord, { naming: settings.naming, school: settings.symbols })}
                </button>
              </th>
              <td>{shape ? fretsWord(shape.frets) : 'no shape'}</td>
              <td>{shape?.fingers.map((finger) => finger ?? '·').join('')}</td>
              <td>{shape && topOf(shape, one.chord, settings.naming)}</td>
              <td>{step?.moves.map((by) => (by === undefined ? '·' : signedSteps(by))).join(' ')}</td>
              <td>{step && step.handMm >= 0.5 ? `${Math.round(step.handMm)} mm` : ''}</td>
              <td>{now[chord]?.toFixed(2)}</td>
              {other && (
                <>
                  <td>{isOther ? (beside ? fretsWord(beside.frets) : 'no shape') : 'the same'}</td>
                  <td>{then?.[chord]?.toFixed(2)}</td>
                </>
              )}
            </tr>
          )
        })}
      </tbody>
    </table>
  )
})

/** What each chord adds to a way: its shape, and the step to it. */
export function costsOf(
  { shapes }: Pick<PathWay, 'shapes'>,
  { answer }: Pick<PathState, 'answer'>,
): readonly (number | undefined)[] {
  const { question } = answer
  const step = stepsOf(question)
  return shapes.map((shape, chord) => {
    return shape && shape.cost + (step(shapes, chord)?.cost ?? 0)
  })
}

const signedSteps = (by: number): string => (by === 0 ? '0' : by > 0 ? `+${by}` : `−${-by}`)
/** Its top tone, spelled by the chord. */
function topOf({ midis, degrees }: PathShape, { root }: Chord, naming: NamingSystem): string {
  const midi = Math.max(...midis.map((one) => one ?? 0))
  const degree = degrees[midis.indexOf(midi)]
  const name = (degree && spellDegree(root, degree)) ?? plainName(midi % 12)
  return writePitch(pitchAt(name, midi), naming)
}
