/** What lies behind the line: the scale that holds it; and instead of it, one tone of the chord everywhere. */
import { soundingMidi } from '@nestling/core/neck'
import { pitchClassOf } from '@nestling/core/pitch'
import { memo } from 'react'
import { Egg } from '../../../neck/Egg.tsx'
import type { NeckLayout } from '../../../neck/layout.ts'
import { degreeSign } from '../../../words/degrees.ts'
import type { ArpeggioLine } from '../plan.ts'
import type { Plan } from '../types.ts'
import classes from './LineNeck.module.css'

export const ScaleLayer = memo(function ScaleLayer({
  line,
  plan,
  layout,
}: {
  readonly line: ArpeggioLine
  readonly plan: Plan
  readonly layout: NeckLayout
}) {
  const { scale, neck } = line
  if (!scale) return null
  const added = new Map(scale.tones.filter(({ inChord }) => !inChord).map((tone) => [pitchClassOf(tone.note), tone]))
  const within = (fret: number) => plan.way !== 'position' || (fret >= plan.at - 1 && fret <= plan.at + 4)
  return (
    <g data-testid="scale-layer">
      {neck.open.flatMap((_, string) =>
        Array.from({ length: layout.lastFret + 1 }, (_, fret) => fret)
          .filter((fret) => fret === 0 || fret >= (neck.firstFret[string] as number))
          .filter((fret) => within(fret))
          .flatMap((fret) => {
            const tone = added.get(soundingMidi(neck, string, fret) % 12)
            if (!tone) return []
            return [
              <g key={`${string}:${fret}`} className={classes['scaleTone']} data-rubs={tone.rubs || undefined}>
                <circle cx={layout.tipX(fret)} cy={layout.stringY(string)} r={9} />
                <text x={layout.tipX(fret)} y={layout.stringY(string) + 4}>
                  {degreeSign(tone.degree)}
                </text>
              </g>,
            ]
          }),
      )}
    </g>
  )
})

/** Every tone of the chord by its number, the one that is looked for in full. */
export const FoundTones = memo(function FoundTones({
  line,
  plan,
  layout,
}: {
  readonly line: ArpeggioLine
  readonly plan: Plan
  readonly layout: NeckLayout
}) {
  return line.places
    .filter(({ fret }) => fret <= layout.lastFret)
    .map((place) => (
      <g key={`${place.string}:${place.fret}`} data-testid={place.degree === plan.find ? 'found-tone' : undefined}>
        <Egg
          kind={place.degree === plan.find ? 'sounding' : 'stone'}
          x={layout.tipX(place.fret)}
          y={layout.stringY(place.string)}
          size={
            place.degree === plan.find ? Math.min(15, layout.rowHeight * 0.48) : Math.min(12, layout.rowHeight * 0.4)
          }
          degree={place.degree}
          label={degreeSign(place.degree)}
        />
      </g>
    ))
})
