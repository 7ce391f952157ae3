/** The voices on a line of pitch: how far they lie apart, and where a double bass plays. */
import { useStore } from '@nanostores/react'
import { BASS_RANGE_BELOW } from '@nestling/core/hand'
import { type Midi, pitchAt, plainName, writePitch } from '@nestling/core/pitch'
import type { Voicing } from '@nestling/core/voicing'
import { Egg } from '../../../neck/Egg.tsx'
import { $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { intervalName, intervalSign } from '../../../words/intervals.ts'
import classes from './ThisShape.module.css'

const WIDTH = 380
const HEIGHT = 70
const AXIS = 38
const MARGIN = 14
const OCTAVE = 12
/** Two eggs nearer than this would cover one another. */
const CLOSE = 22
/** The line is never shorter: two octaves and a half from the lowest string of a guitar. */
const LEAST_SPAN = 34

export function PitchLine({
  voicing,
  lowest,
}: {
  readonly voicing: Voicing /** The lowest string as it rings open. */
  readonly lowest: Midi
}) {
  const { settings } = useStore($session)
  const voices = voicing.midis
    .flatMap((midi, string) => {
      const degree = voicing.degrees[string]
      return midi === null || !degree ? [] : [{ midi, degree }]
    })
    .sort((a, b) => a.midi - b.midi)
  const top = voices.at(-1)?.midi ?? lowest
  const from = Math.min(lowest, voices[0]?.midi ?? lowest)
  const span = Math.max(LEAST_SPAN, top - from + 3)
  const x = (midi: Midi) => MARGIN + ((midi - from) / span) * (WIDTH - 2 * MARGIN)
  const name = (midi: Midi) => writePitch(pitchAt(plainName(midi % 12), midi), settings.naming)
  const marks = [
    from,
    ...(settings.withBassPlayer ? [BASS_RANGE_BELOW] : []),
    ...Array.from(
      { length: Math.ceil(span / OCTAVE) + 1 },
      (_, index) => Math.ceil(from / OCTAVE) * OCTAVE + index * OCTAVE,
    ),
  ].filter(
    (midi, index, all) => midi <= from + span && all.every((other, at) => at >= index || Math.abs(other - midi) > 2),
  )
  // Voices close together stand one above the other.
  const isClose = (index: number) =>
    index > 0 && index < voices.length && x(voices[index]?.midi ?? 0) - x(voices[index - 1]?.midi ?? 0) < CLOSE
  const yOf = (index: number): number => {
    let run = 0
    for (let at = index; isClose(at); at--) run++
    return run % 2 === 1 ? AXIS + 9 : isClose(index + 1) || run > 0 ? AXIS - 7 : AXIS
  }
  const spoken = voices
    .slice(1)
    .map(({ midi }, index) => intervalName(midi - (voices[index] as { midi: Midi }).midi))
    .join(', ')
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={classes['pitches']}
      role="img"
      aria-label={`Voices from ${name(voices[0]?.midi ?? from)} to ${name(top)}: ${spoken}`}
      data-testid="pitch-line"
    >
      <defs>
        <pattern id="bass-range" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V6" className={classes['hatch']} />
        </pattern>
      </defs>
      {settings.withBassPlayer && (
        <rect
          x={x(from)}
          y={AXIS - 16}
          width={Math.max(0, x(BASS_RANGE_BELOW) - x(from))}
          height={32}
          fill="url(#bass-range)"
        />
      )}
      <line x1={x(from)} x2={WIDTH - MARGIN} y1={AXIS} y2={AXIS} className={classes['axis']} />
      {marks.map((midi) => (
        <g key={midi}>
          <line x1={x(midi)} x2={x(midi)} y1={AXIS - 5} y2={AXIS + 5} className={classes['axis']} />
          <text x={x(midi)} y={HEIGHT - 4}>
            {name(midi)}
          </text>
        </g>
      ))}
      {/* Two strings may sound one pitch, so a voice is known by its place in the row. */}
      {voices.slice(1).map(({ midi }, index) => {
        const below = (voices[index] as { midi: Midi }).midi
        const [a, b] = [x(below), x(midi)]
        const middle = (a + b) / 2
        const high = Math.min(20, 6 + (b - a) / 4)
        return (
          <g key={index}>
            <path
              d={`M${a + 3} ${AXIS - 14}Q${middle} ${AXIS - 14 - high} ${b - 3} ${AXIS - 14}`}
              className={classes['arc']}
            />
            {b - a > 20 && (
              <text x={middle} y={AXIS - 17 - high / 2}>
                {intervalSign(midi - below)}
              </text>
            )}
          </g>
        )
      })}
      {voices.map(({ midi, degree }, index) => (
        <Egg key={index} x={x(midi)} y={yOf(index)} size={12.5} degree={degree} label={degreeSign(degree)} />
      ))}
    </svg>
  )
}
