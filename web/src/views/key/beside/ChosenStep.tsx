/** The chosen step: its shape with fingers, its arpeggio under the same hand, and the scale over it, on one neck. */
import { useStore } from '@nanostores/react'
import { chordPlaces } from '@nestling/core/arpeggio'
import { writeSymbol } from '@nestling/core/chord'
import { betweenChords, writeKey, writeStep } from '@nestling/core/key'
import { laneNames, lostFifth } from '@nestling/core/lane'
import { soundingMidi } from '@nestling/core/neck'
import { degreePitchClass, pitchClassOf, withSigns, writeNote } from '@nestling/core/pitch'
import { instrumentFor } from '@nestling/core/request'
import { highestPressed, lowestPressed } from '@nestling/core/voicing'
import { memo, useMemo } from 'react'
import { ClaimField } from '../../../controls/ClaimField.tsx'
import { Egg } from '../../../neck/Egg.tsx'
import { ovalPath } from '../../../neck/eggPath.ts'
import { HandNeck } from '../../../neck/HandNeck.tsx'
import { ManyEggs } from '../../../neck/ManyEggs.tsx'
import { useEggLabels } from '../../../shell/useEggLabels.ts'
import { $session } from '../../../state/session.ts'
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
  const lost = used && lostFifth(shown, used)
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
        {lost !== undefined && `Leaves out the ${withSigns(lost)}. `}
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
              title={`${BETWEEN_WORDS[reason]}: play it between ${symbolOf(before.chord)} and ${symbolOf(step.chord)}`}
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

/** Half a stone's length. */
const STONE = 8.5
/** Half the width of a tone of the scale. */
const DOT = 3.2

function StepNeck({ state }: { readonly state: KeyState }) {
  const { settings } = useStore($session)
  const { answer, chosen, change } = state
  const { neck, plan } = answer
  const step = answer.steps[plan.step - 1]
  const standing = answer.lanes[plan.lane]?.steps[plan.step - 1]
  const used = standing?.shape ?? standing?.instead?.shape
  const labelOf = useEggLabels(chosen?.chord.root)
  const places = useMemo(() => (chosen ? chordPlaces(chosen.chord, neck) : []), [chosen, neck])
  if (!chosen || !step) return null
  const { frets } = chosen
  const rootString = standing?.string ?? 0
  const lowest = Math.max(1, lowestPressed(frets) || 1)
  const from = Math.max(1, Math.min(lowest, highestPressed(frets) - 3) - (lowest > 1 ? 1 : 0))
  const to = Math.max(from + 4, highestPressed(frets) + 1)
  const scale = new Set(
    step.mode.degrees.map((degree) => (pitchClassOf(step.chord.root) + degreePitchClass(degree)) % 12),
  )
  const inScale = frets.flatMap((_, string) =>
    Array.from({ length: to - from + 1 }, (__, index) => ({ string, fret: from + index })).filter(
      ({ fret }) =>
        fret >= (neck.firstFret[string] as number) &&
        !places.some((place) => place.string === string && place.fret === fret) &&
        scale.has(soundingMidi(neck, string, fret) % 12),
    ),
  )
  const beside = places.filter(({ fret, string }) => fret >= from && fret <= to && frets[string] !== fret)
  const pulled = plan.fifthInBass
    ? undefined
    : beside.find(({ degree, string }) => degree === '5' && string === rootString - 1)
  return (
    <HandNeck
      frets={frets}
      degrees={used?.degrees ?? []}
      fingering={used?.fingering}
      from={from}
      to={to}
      lowOnTop={settings.lowOnTop}
      // It faces as the large necks do.
      leftHanded={instrumentFor(plan, state.player).handed === 'left'}
      labelOf={labelOf}
      under={({ x, y }) => {
        // With a mouse; by keyboard it is a word of the sentence.
        const pull = { onClick: () => change({ fifthInBass: true }) }
        const at = ({ fret, string, degree }: (typeof beside)[number]) => ({ x: x(fret), y: y(string), degree })
        return (
          <>
            <path
              d={inScale.map(({ string, fret }) => ovalPath(x(fret), y(string), DOT, DOT)).join('')}
              className={classes['scale']}
            />
            <ManyEggs
              kind="stone"
              size={STONE}
              labelOf={labelOf}
              eggs={beside.filter((place) => place !== pulled).map(at)}
            />
            {pulled && (
              <g className={classes['pull']} data-testid="pull-fifth" {...pull}>
                <title>the fifth into the bass</title>
                <Egg kind="stone" {...at(pulled)} size={STONE} label={labelOf?.(pulled) ?? ''} />
              </g>
            )}
          </>
        )
      }}
    />
  )
}
