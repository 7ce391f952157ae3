/** The chosen step: its shape with fingers, its arpeggio under the same hand, and the scale over it, on one neck. */
import { useStore } from '@nanostores/react'
import { chordPlaces } from '@nestling/core/arpeggio'
import { writeSymbol } from '@nestling/core/chord'
import { betweenChords, writeKey, writeStep } from '@nestling/core/key'
import { laneNames } from '@nestling/core/lane'
import { soundingMidi } from '@nestling/core/neck'
import { degreePitchClass, pitchClassOf, withSigns, writeNote } from '@nestling/core/pitch'
import { instrumentFor } from '@nestling/core/request'
import { highestPressed, lowestPressed } from '@nestling/core/voicing'
import { memo, useMemo } from 'react'
import { ClaimField } from '../../../controls/ClaimField.tsx'
import { Egg } from '../../../neck/Egg.tsx'
import { $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { BETWEEN_WORDS, FUNCTION_WORDS, gapWords, leftWords } from '../../../words/lane.ts'
import { fretsWord } from '../../../words/shapes.ts'
import type { KeyState } from '../useKey.ts'
import classes from './Beside.module.css'

export const ChosenStep = memo(function ChosenStep({ state }: { readonly state: KeyState }) {
  const { settings } = useStore($session)
  const { answer, chosen, plan } = state
  const step = answer.steps[answer.plan.step - 1]
  const standing = answer.lanes[answer.plan.lane]?.steps[answer.plan.step - 1]
  const before = answer.steps[(answer.plan.step + 5) % 7]
  if (!step) return null
  const symbolOf = (chord: Parameters<typeof writeSymbol>[0]) =>
    writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  const names = chosen ? laneNames(chosen.frets, chosen.chord, answer.neck) : []
  const [first, ...others] = names
  const shown = chosen?.chord ?? step.chord
  const rings = first && symbolOf(first.chord) !== symbolOf(shown) ? symbolOf(first.chord) : undefined
  const used = standing?.shape ?? standing?.instead?.shape
  return (
    <section aria-label="The chosen step" className={classes['section']}>
      <h2 className={classes['title']} data-testid="step-name">
        {symbolOf(shown)}
        <span>
          {writeStep(step.chord, plan.key, plan.numbers)} of {writeKey(answer.plan.key, { naming: settings.naming })},{' '}
          {FUNCTION_WORDS[step.function]}
        </span>
        {chosen && <em data-testid="step-frets">{fretsWord(chosen.frets)}</em>}
      </h2>
      {chosen ? (
        <StepNeck state={state} />
      ) : (
        <p className={classes['aside']}>No shape here: {standing?.gap && gapWords(standing.gap)}.</p>
      )}
      <p className={classes['told']}>
        {used && used.reachMm > 0 && `Opens ${Math.round(used.reachMm)} mm. `}
        {standing?.instead &&
          !standing.shape &&
          `${symbolOf(step.chord)} can’t be had so; this is ${symbolOf(shown)}. `}
        {rings !== undefined && `Rings as ${rings}. `}
        {step.left.length > 0 && `${leftWords(step.left)}. `}
        <b>
          {writeNote(step.chord.root, settings.naming)} {step.mode.name.split(' ').map(withSigns).join(' ')}
        </b>
        , {writeKey(answer.plan.key, { naming: settings.naming })} from its step {step.step}
        {others.length > 0 &&
          `; also ${others
            .slice(0, 2)
            .map(({ chord }) => symbolOf(chord))
            .join(', ')}`}
      </p>
      <div className={classes['before']}>
        <span>before it</span>
        {before &&
          betweenChords(before.chord, step.chord).map(({ chord, reason }) => (
            <button
              key={reason}
              type="button"
              className={classes['between']}
              title={`${BETWEEN_WORDS[reason]}: hear it between ${symbolOf(before.chord)} and ${symbolOf(step.chord)}`}
              data-testid="between"
              onClick={() => state.hearBetween(chord)}
            >
              {symbolOf(chord)}
            </button>
          ))}
        <details className={classes['claim']}>
          <summary>is it …?</summary>
          <ClaimField id="key-claim" frets={chosen?.frets} neck={answer.neck} naming={state.player.naming} />
        </details>
      </div>
    </section>
  )
})

const WIDTH = 316
const LEFT = 26
const ROW = 15
const TOP = 12

function StepNeck({ state }: { readonly state: KeyState }) {
  const { settings } = useStore($session)
  const { answer, chosen, change } = state
  const { neck, plan } = answer
  const step = answer.steps[plan.step - 1]
  const standing = answer.lanes[plan.lane]?.steps[plan.step - 1]
  const fingering = (standing?.shape ?? standing?.instead?.shape)?.fingering
  const places = useMemo(() => (chosen ? chordPlaces(chosen.chord, neck) : []), [chosen, neck])
  if (!chosen || !step) return null
  const { frets } = chosen
  const rootString = standing?.string ?? 0
  const lowest = Math.max(1, lowestPressed(frets) || 1)
  const from = Math.max(1, Math.min(lowest, highestPressed(frets) - 3) - (lowest > 1 ? 1 : 0))
  const to = Math.max(from + 4, highestPressed(frets) + 1)
  const strings = neck.open.length
  const each = (WIDTH - LEFT - 4) / (to - from + 1)
  const height = TOP * 2 + (strings - 1) * ROW + 14
  // It faces as the large necks do.
  const isLeft = instrumentFor(plan, state.player).handed === 'left'
  const flip = (at: number) => (isLeft ? WIDTH - at : at)
  const x = (fret: number) => flip(fret === 0 ? LEFT - 13 : LEFT + (fret - from + 0.5) * each)
  const row = (string: number) => (settings.lowOnTop ? string : strings - 1 - string)
  const y = (string: number) => TOP + row(string) * ROW
  const scale = new Map(
    step.mode.degrees.map((degree) => [(pitchClassOf(step.chord.root) + degreePitchClass(degree)) % 12, degree]),
  )
  const window = Array.from({ length: to - from + 1 }, (_, index) => from + index)
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} className={classes['neck']} aria-hidden="true">
      {window.map((fret) => (
        <path
          key={fret}
          d={`M${flip(LEFT + (fret - from + 1) * each)} ${TOP - 6}V${TOP + (strings - 1) * ROW + 6}`}
          className={classes['fret']}
        />
      ))}
      <path
        d={`M${flip(LEFT)} ${TOP - 6}V${TOP + (strings - 1) * ROW + 6}`}
        className={classes['fret']}
        data-nut={from === 1 || undefined}
      />
      {frets.map((fret, string) => (
        <path
          key={string}
          d={`M${flip(LEFT)} ${y(string)}H${flip(WIDTH - 4)}`}
          className={classes['string']}
          data-silent={fret === null || undefined}
        />
      ))}
      {frets.map((_, string) =>
        window.map((fret) => {
          if (
            fret < (neck.firstFret[string] as number) ||
            places.some((place) => place.string === string && place.fret === fret)
          )
            return null
          return scale.has(soundingMidi(neck, string, fret) % 12) ? (
            <circle key={fret} cx={x(fret)} cy={y(string)} r={3.2} className={classes['scale']} />
          ) : null
        }),
      )}
      {places
        .filter(({ fret, string }) => fret >= from && fret <= to && frets[string] !== fret)
        .map(({ fret, string, degree }) => (
          <g
            key={`${string}:${fret}`}
            {...(degree === '5' && string === rootString - 1 && !plan.fifthInBass
              ? {
                  className: classes['pull'],
                  'data-testid': 'pull-fifth',
                  onClick: () => change({ fifthInBass: true }),
                }
              : {})}
          >
            {degree === '5' && string === rootString - 1 && <title>the fifth into the bass</title>}
            <Egg kind="stone" x={x(fret)} y={y(string)} size={8.5} degree={degree} label={degreeSign(degree)} />
          </g>
        ))}
      {frets.map((fret, string) => {
        if (fret === null) return null
        const degree = (standing?.shape ?? standing?.instead?.shape)?.degrees[string]
        const finger = fingering?.fingers[string]
        return (
          <g key={string}>
            <Egg x={x(fret)} y={y(string)} size={11} degree={degree ?? '9'} label={degree ? degreeSign(degree) : ''} />
            {finger !== null && finger !== undefined && (
              <g className={classes['finger']}>
                <circle cx={x(fret) + 14} cy={y(string) + 5} r={6} />
                <text x={x(fret) + 14} y={y(string) + 8.5}>
                  {finger}
                </text>
              </g>
            )}
          </g>
        )
      })}
      {window.map((fret) => (
        <text key={fret} x={x(fret)} y={height - 3} className={classes['number']}>
          {fret}
        </text>
      ))}
    </svg>
  )
}
