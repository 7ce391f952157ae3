/** The hand laid on the neck at three places: at ease, a stretch, its end; four fingers in it. Its ends are pulled. */
import type { Instrument } from '@nestling/core/neck'
import { handOf } from '../../../contracts/settings.ts'
import { counted } from '../../../words/shapes.ts'
import { changeHabit } from '../bench/bench.ts'
import classes from './Drawing.module.css'
import { Handle } from './Handle.tsx'
import { HAND_Y } from './rows.ts'
import { type BenchScale, easePulledTo, handPlaces, LEAST_EASE_MM, MOST_EASE_MM } from './scale.ts'

const NUMBER_WORDS = [
  '',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
]

export function HandBars({
  instrument,
  scale,
  ease,
  setEase,
}: {
  readonly instrument: Instrument
  readonly scale: BenchScale
  readonly ease: number
  readonly setEase: (mm: number | undefined) => void
}) {
  const hand = handOf({ handComfortMm: ease })
  const places = handPlaces(instrument, hand.comfortableMm, hand.stretchMm, scale)
  const keep = (mm: number) => {
    void changeHabit({ handComfortMm: mm })
    setEase(undefined)
  }
  const [first, second, third] = hand.pairsMm
  const whole = first + second + third
  const shares = [0, first / whole, (first + second) / whole, 1]
  return (
    <g>
      {places.map(({ fret, start, easeEnd, stretchEnd, spans }, index) => (
        <g key={fret}>
          <rect
            x={Math.min(start, easeEnd) - 9}
            y={HAND_Y - 9}
            width={Math.abs(easeEnd - start) + 18}
            height={18}
            rx={9}
            className={classes['ease']}
          />
          <path d={`M${easeEnd + scale.direction * 9} ${HAND_Y}H${stretchEnd}`} className={classes['stretch']} />
          <path d={`M${stretchEnd} ${HAND_Y - 8}V${HAND_Y + 8}`} className={classes['reachEnd']} />
          {shares.map((share, finger) => (
            <g key={share} className={classes['finger']} aria-hidden>
              <circle cx={start + (easeEnd - start) * share} cy={HAND_Y} r={7} />
              <text x={start + (easeEnd - start) * share} y={HAND_Y + 3.8}>
                {finger + 1}
              </text>
            </g>
          ))}
          <text aria-hidden x={Math.min(start, stretchEnd) - 8} y={HAND_Y + 26} className={classes['caption']}>
            {index === 0
              ? `from fret ${fret} it spans ${NUMBER_WORDS[spans] ?? spans} at ease`
              : `from ${fret}, ${NUMBER_WORDS[spans] ?? spans}`}
          </text>
          <Handle
            label={`Ease of the hand from fret ${fret}`}
            value={Math.round(ease)}
            least={LEAST_EASE_MM}
            most={MOST_EASE_MM}
            spoken={`${Math.round(ease)} millimetres, ${counted(spans, 'fret')}`}
            at={{ x: easeEnd, y: HAND_Y }}
            moves="along"
            testId={`handle-ease-${fret}`}
            pull={({ x }) => setEase(easePulledTo(x, fret, instrument, scale))}
            release={() => keep(ease)}
            cancel={() => setEase(undefined)}
            step={(by, large) =>
              keep(Math.min(MOST_EASE_MM, Math.max(LEAST_EASE_MM, Math.round(ease) + by * (large ? 10 : 1))))
            }
          >
            <rect x={easeEnd - 12} y={HAND_Y - 13} width={24} height={26} className={classes['hit']} />
          </Handle>
        </g>
      ))}
    </g>
  )
}
