/** From this tuning to another: an arrow as long as the turn, the pull as a bar, and each string's tone to hear. */
import { useStore } from '@nanostores/react'
import {
  retuning,
  type StringChange,
  stringIndex,
  type Tuning,
  tensionN,
  usualGauge,
  writeTuning,
} from '@nestling/core/neck'
import { midiOf, writePitch } from '@nestling/core/pitch'
import { draftOf } from '../../../contracts/instrument.ts'
import { Choice } from '../../../controls/Choice.tsx'
import sentence from '../../../controls/sentence.module.css'
import { hearTone } from '../../../state/playback.ts'
import { $session } from '../../../state/session.ts'
import { tuningWords } from '../../../words/tunings.ts'
import { keepPulled } from '../bench/bench.ts'
import classes from '../SetupView.module.css'

export interface RetuneProps {
  readonly to: Tuning
  readonly offered: readonly Tuning[]
  readonly take: (tuning: Tuning) => void
}

const COUNTS = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']
const wayWords = (semitones: number): string =>
  semitones === 0 ? 'stays' : `${semitones > 0 ? 'up' : 'down'} ${COUNTS[Math.abs(semitones)] ?? Math.abs(semitones)}`

export function Retune({ to, offered, take }: RetuneProps) {
  const { instrument, settings } = useStore($session)
  const changes = retuning(instrument.tuning, to, instrument.tuning)
  const risky = changes?.filter((change) => change.risky) ?? []
  return (
    <section aria-label="Retune it" className={classes['block']}>
      <h2>
        <span className={classes['heading']}>
          Retune it <small>to</small>{' '}
          <span className={`${sentence['sentence']} ${classes['word']}`}>
            <Choice
              label="To tuning"
              value={writeTuning(to)}
              options={offered.map((tuning) => [writeTuning(tuning), tuningWords(tuning, settings.naming)])}
              take={(text) => {
                const tuning = offered.find((one) => writeTuning(one) === text)
                if (tuning) take(tuning)
              }}
            />
          </span>
        </span>
        {changes && writeTuning(to) !== writeTuning(instrument.tuning) && (
          <button
            type="button"
            className={classes['quiet']}
            onClick={() =>
              void keepPulled({ ...draftOf(instrument), tuning: writeTuning(to), tuningName: to.name, capo: null })
            }
          >
            keep {instrument.name} so
          </button>
        )}
      </h2>
      {changes ? (
        <Arrows changes={changes} scaleLengthMm={instrument.scaleLengthMm} />
      ) : (
        <p className={classes['aside']}>
          {instrument.name} has {instrument.tuning.strings.length} strings, this tuning {to.strings.length}. An arrow
          needs as many of both: take another instrument or another tuning.
        </p>
      )}
      {risky.length > 0 && (
        <p role="note" className={classes['caution']}>
          {risky.length === 1 ? 'String' : 'Strings'} {risky.map(({ number }) => number).join(', ')} would go more than
          two semitones above the pitch they were made for and can snap. Use a lighter gauge, and wear eye protection.
        </p>
      )}
    </section>
  )
}

const WIDTH = 440
const ROW = 29
const MIDDLE = 166
const SEMITONE = 22
const MOST_SHOWN = 4
const PULL_X = 282
const PULL_WIDE = 80
/** As far as a bar goes: a usual string breaks not far beyond. */
const MOST_N = 140

function Arrows({
  changes,
  scaleLengthMm,
}: {
  readonly changes: readonly StringChange[]
  readonly scaleLengthMm: number
}) {
  const { settings } = useStore($session)
  const listed = settings.lowOnTop ? changes : changes.toReversed()
  const pitch = (of: StringChange['to']) => writePitch(of, settings.naming)
  const height = 18 + listed.length * ROW
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className={classes['arrows']}
      role="group"
      aria-label="What each string does"
    >
      <g className={classes['soft']}>
        <text x={PULL_X} y={12}>
          pull
        </text>
        <text x={WIDTH - 28} y={12}>
          hear
        </text>
      </g>
      {listed.map((change, row) => {
        const { number, from, to, semitones, risky } = change
        const y = 18 + row * ROW + ROW / 2
        const shown = Math.max(-MOST_SHOWN, Math.min(MOST_SHOWN, semitones)) * SEMITONE
        const tip = MIDDLE + shown
        const side = Math.sign(semitones)
        // The gauge that is usual for the pitch that the string was made for.
        const pull = tensionN(usualGauge(scaleLengthMm, midiOf(from)), scaleLengthMm, midiOf(to))
        const words = `string ${number}, ${pitch(from)} to ${pitch(to)}, ${wayWords(semitones)}, pull ${Math.round(pull)} newtons${risky ? ', may snap' : ''}`
        return (
          <g key={number} data-testid="retune-string" data-risky={risky || undefined}>
            <text x={0} y={y + 4.5} className={classes['soft']}>
              {number}
            </text>
            <text x={16} y={y + 4.5} className={classes['strong']}>
              {pitch(from)}
            </text>
            <path d={`M48 ${y}H262`} className={classes['line']} />
            <path d={`M${MIDDLE} ${y - 9}V${y + 9}`} className={classes['was']} />
            {semitones !== 0 && (
              <>
                <path
                  d={`M${MIDDLE} ${y}H${tip}M${tip - side * 8} ${y - 5}L${tip} ${y}L${tip - side * 8} ${y + 5}`}
                  className={classes['arrow']}
                />
                <text
                  x={tip + side * 7}
                  y={y + 4.5}
                  className={classes['strong']}
                  textAnchor={side < 0 ? 'end' : 'start'}
                >
                  {pitch(to)}
                </text>
              </>
            )}
            <text
              x={MIDDLE - (side || -1) * 8}
              y={y + 4.5}
              className={classes['way']}
              textAnchor={side > 0 ? 'end' : 'start'}
            >
              {wayWords(semitones)}
            </text>
            <rect
              x={PULL_X}
              y={y - 3}
              width={Math.min(1, pull / MOST_N) * PULL_WIDE}
              height={6}
              rx={3}
              className={classes['pull']}
              data-risky={risky || undefined}
            />
            <text x={PULL_X + PULL_WIDE + 6} y={y + 4.5} className={classes['soft']}>
              {Math.round(pull)} N
            </text>
            <g
              role="button"
              tabIndex={0}
              aria-label={`Play ${words}`}
              className={classes['hear']}
              onClick={() => hear(change, changes.length)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return
                event.preventDefault()
                event.stopPropagation()
                hear(change, changes.length)
              }}
            >
              <rect x={WIDTH - 30} y={y - 13} width={28} height={26} rx={6} />
              <path d={`M${WIDTH - 21} ${y - 6}L${WIDTH - 11} ${y}L${WIDTH - 21} ${y + 6}Z`} />
            </g>
          </g>
        )
      })}
    </svg>
  )
}

const hear = ({ number, to: pitch }: StringChange, count: number): void =>
  hearTone({ midi: midiOf(pitch), pitch, string: stringIndex(number, count), fret: 0 }, 'reference tone')
