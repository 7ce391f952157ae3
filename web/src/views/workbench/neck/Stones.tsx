/** The other inversions of the shape in hand, as stepping stones on the neck. */
import type { Neck } from '@nestling/core/neck'
import { type Frets, rotations, type Voicing } from '@nestling/core/voicing'
import { memo, useMemo } from 'react'
import { degreeLabel } from '../../../neck/labels.ts'
import type { NeckLayout } from '../../../neck/layout.ts'
import { type ManyEgg, ManyEggs } from '../../../neck/ManyEggs.tsx'
import classes from '../../../neck/neck.module.css'

/** Small and quiet, and none where the shape or another stone already stands. */
export const Stones = memo(function Stones({
  voicing,
  neck,
  layout,
}: {
  readonly voicing: Voicing | undefined
  readonly neck: Neck
  readonly layout: NeckLayout
}) {
  const stones = useMemo(
    () => (voicing ? rotations(voicing, neck).filter((other) => other.frets.join() !== voicing.frets.join()) : []),
    [voicing, neck],
  )
  const taken = new Set(voicing?.frets.map((fret, string) => `${string}:${fret}`))
  const eggs = stones.flatMap((stone) =>
    stone.frets.flatMap((fret, string): readonly ManyEgg[] => {
      const place = `${string}:${fret}`
      if (fret === null || fret > layout.lastFret || taken.has(place)) return []
      taken.add(place)
      return [{ x: layout.tipX(fret), y: layout.stringY(string), degree: stone.degrees[string] ?? 'R' }]
    }),
  )
  return (
    <g data-testid="stones">
      <path d={stones.map((stone) => threadOf(stone.frets, layout)).join('')} className={classes['thread']} />
      <ManyEggs eggs={eggs} size={Math.min(12, layout.rowHeight * 0.4)} kind="stone" labelOf={degreeLabel} />
    </g>
  )
})

/** A thin line through the tones of one inversion, string by string: they say that they belong together. */
function threadOf(frets: Frets, layout: NeckLayout): string {
  const points = frets.flatMap((fret, string) =>
    fret === null || fret > layout.lastFret ? [] : [`${layout.tipX(fret)} ${layout.stringY(string)}`],
  )
  return points.length > 0 ? `M${points.join('L')}` : ''
}
