/** From the place in hand to the next one up its lane: what each string does, finger by finger. */
import { useStore } from '@nanostores/react'
import { handOn } from '@nestling/core/hand'
import { placesOf } from '@nestling/core/map'
import { stringNumber } from '@nestling/core/neck'
import { memo, useMemo } from 'react'
import { Egg } from '../../../neck/Egg.tsx'
import { $session } from '../../../state/session.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { counted, fretsWord } from '../../../words/shapes.ts'
import { takePlace } from '../keys.ts'
import type { MapState, ShownMap } from '../useMap.ts'
import classes from './Beside.module.css'

const WIDTH = 320
const ROW = 22
const FRET = 33
const LEFT = 34

export const NextUp = memo(function NextUp({
  shown,
  step,
}: {
  readonly shown: ShownMap
  readonly step: MapState['step']
}) {
  const { settings } = useStore($session)
  const { chosen, rows, neck, player } = shown
  const lane = useMemo(() => {
    const row = rows.find(({ cells }) => cells.some((cell) => cell === chosen))
    return row ? placesOf(row) : []
  }, [rows, chosen])
  const next = chosen && lane[lane.indexOf(chosen) + 1]
  const fingers = useMemo(() => {
    const { bestFingering } = handOn(neck, player.hand, { thumb: player.thumb })
    return [chosen, next].map((place) => place && bestFingering(place.frets)?.fingers)
  }, [chosen, next, neck, player])
  if (!chosen) return null
  if (!next)
    return (
      <section aria-label="To the next one up" className={classes['section']}>
        <h2 className={classes['head']}>
          To the next one up <span>the highest of its lane</span>
        </h2>
      </section>
    )
  const strings = chosen.frets.length
  const steps = chosen.frets.flatMap((from, string) => {
    const to = next.frets[string]
    const [was, is] = [chosen.degrees[string], next.degrees[string]]
    if (from === null || to === null || to === undefined || !was || !is) return []
    return [{ string, by: to - from, was, is, fingers: [fingers[0]?.[string], fingers[1]?.[string]] as const }]
  })
  const listed = settings.lowOnTop ? steps : steps.toReversed()
  const most = Math.max(1, ...steps.map(({ by }) => Math.abs(by)))
  const fret = Math.min(FRET, (WIDTH - LEFT - 130) / most)
  return (
    <section aria-label="To the next one up" className={classes['section']}>
      <h2 className={classes['head']}>
        To the next one up
        <button type="button" className={classes['next']} onClick={() => takePlace({ step }, next)}>
          {fretsWord(next.frets)}
        </button>
      </h2>
      <svg
        viewBox={`0 0 ${WIDTH} ${listed.length * ROW}`}
        className={classes['steps']}
        role="img"
        aria-label={listed
          .map(
            ({ string, by, was, is }) =>
              `string ${stringNumber(string, strings)}: the ${degreeName(was)} ${by === 0 ? 'stays' : `goes ${counted(Math.abs(by), 'fret')} ${by > 0 ? 'up' : 'down'}`} to the ${degreeName(is)}`,
          )
          .join('; ')}
      >
        {listed.map(({ string, by, was, is, fingers: [before, after] }, row) => {
          const y = row * ROW + ROW / 2
          // A step down starts where it ends.
          const start = LEFT + 12 + (by < 0 ? -by * fret : 0)
          const end = start + by * fret
          return (
            <g key={string}>
              <text x={0} y={y + 4}>
                {stringNumber(string, strings)}
              </text>
              <path d={`M18 ${y}H${WIDTH}`} />
              {by !== 0 && <path d={`M${start} ${y}H${end}`} data-way />}
              {Array.from({ length: Math.max(0, Math.abs(by) - 1) }, (_, at) => (
                <circle key={at} cx={start + Math.sign(by) * (at + 1) * fret} cy={y} r={1.9} />
              ))}
              <Egg x={start} y={y} size={10.5} degree={was} label={degreeSign(was)} />
              {by !== 0 && <Egg x={end} y={y} size={10.5} degree={is} label={degreeSign(is)} />}
              <text x={Math.max(start, end) + 17} y={y + 4}>
                {by === 0 ? 'stays' : `${by > 0 ? '+' : '−'}${Math.abs(by)}`}
                {before && after && before !== after ? `  finger ${before} → ${after}` : ''}
              </text>
            </g>
          )
        })}
      </svg>
    </section>
  )
})
