/** The shape in hand in a few lines: its voices on a line of pitch, the hand, what sounds, its other names, its thirds. */
import { useStore } from '@nanostores/react'
import { tasteOfShape } from '@nestling/core/answer'
import { stackedThirds } from '@nestling/core/chord'
import { type Fingering, type HandVerdict, registerWarnings } from '@nestling/core/hand'
import { writeNote } from '@nestling/core/pitch'
import { type Frets, type GhostTone, ghostTones } from '@nestling/core/voicing'
import { memo, useDeferredValue } from 'react'
import { Word, type WordChoice } from '../../../controls/Word.tsx'
import { $session } from '../../../state/session.ts'
import { takeFingers, type WorkbenchState } from '../../../state/workbench/index.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { COUNTING } from '../../../words/found.ts'
import { inversionWords, reasonWords, registerWord, silentWord, verdictWords } from '../../../words/hand.ts'
import { fingersWord, fretsWord, toldArrangement } from '../../../words/shapes.ts'
import { symmetryWords } from '../../../words/symmetry.ts'
import { TASTE_WORDS } from '../../../words/taste.ts'
import { type ShapeInHand, useShapeInHand } from '../shown.ts'
import { Claim } from './Claim.tsx'
import { Names } from './Names.tsx'
import { PitchLine } from './PitchLine.tsx'
import classes from './ThisShape.module.css'

export function ThisShape({ state: now }: { readonly state: WorkbenchState }) {
  // The neck and the list come first; what the shape is in detail, a moment later.
  return <Shape state={useDeferredValue(now)} />
}

const Shape = memo(function Shape({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const inHand = useShapeInHand(state)
  const { frets } = state
  if (!frets || frets.every((fret) => fret === null))
    return (
      <section aria-label="This shape" className={classes['section']}>
        <h2 className={classes['head']}>This shape</h2>
        <p className={classes['aside']}>
          {state.search.status === 'searching'
            ? COUNTING
            : 'Nothing in hand. Type a chord or frets, take a shape from the list, or press places on the neck: the name follows.'}
        </p>
      </section>
    )
  const { voicing, neck, verdict } = inHand
  const { chord } = state.question
  const sounding = chord.formula.filter((degree) => voicing?.degrees.includes(degree))
  const symmetry = voicing && symmetryWords(chord, settings.naming, sounding)
  const register = registerWarnings(
    voicing?.midis.filter((midi): midi is number => midi !== null) ?? [],
    settings.withBassPlayer,
  )
  const leaks = inHand.silent.filter(({ kind }) => kind === 'leaks')
  return (
    <section aria-label="This shape" className={classes['section']} data-faint={state.faint || undefined}>
      <h2 className={classes['head']}>
        This shape
        <span>
          <b data-testid="shape-text">{fretsWord(frets)}</b>
          {voicing && ` · ${toldArrangement(voicing.arrangement)} · ${inversionWords(voicing.inversion)}`}
        </span>
      </h2>
      {voicing && <PitchLine voicing={voicing} lowest={neck.open[0] ?? 40} />}
      <dl className={classes['rows']}>
        <dt>hand</dt>
        <dd>
          {verdict && <Hand verdict={verdict} fingering={inHand.fingering} />}
          {inHand.fingering && <Fingers inHand={inHand} />}
        </dd>
        {voicing && (
          <>
            <dt>sounds</dt>
            <dd>
              <NotSounded ghosts={ghostTones(voicing, neck)} strings={frets.length} naming={settings.naming} />
              {register.map((warning) => (
                <span key={warning.kind === 'muddy' ? warning.low : 'bass'} data-warning>
                  {' '}
                  {registerWord(warning, settings.naming)}
                </span>
              ))}
              {leaks.map((string) => (
                <span key={string.string} data-warning>
                  {' '}
                  String {frets.length - string.string} {silentWord(string, state.question.chord, settings.naming)}.
                </span>
              ))}
              {symmetry !== undefined && ` ${symmetry}.`}
            </dd>
          </>
        )}
        <dt>is also</dt>
        <dd>
          <Names state={state} frets={frets} />
        </dd>
        <dt>stacks</dt>
        <dd>
          {stackedThirds(state.question.chord.formula).map((step) => (
            <abbr
              key={step.from}
              title={`${degreeName(step.from)} to ${degreeName(step.to)}`}
              className={classes['third']}
            >
              {step.interval}
            </abbr>
          ))}
        </dd>
        <dt>
          <label htmlFor="claim-input" data-not-on-paper>
            is it
          </label>
        </dt>
        <dd>
          <Claim state={state} />
        </dd>
        {voicing && inHand.fingering && <WhyItComes state={state} frets={frets} fingering={inHand.fingering} />}
      </dl>
    </section>
  )
})

/** Its place in the list, as terms that add up; the weightiest is in sight. */
function WhyItComes({
  state: { question, player },
  frets,
  fingering,
}: {
  readonly state: WorkbenchState
  readonly frets: Frets
  readonly fingering: Fingering
}) {
  const { total, parts } = tasteOfShape(question, player, frets, fingering)
  const terms = parts.toSorted((a, b) => Math.abs(b.value) - Math.abs(a.value))
  const [first] = terms
  return (
    <>
      <dt>taste</dt>
      <dd>
        <details className={classes['taste']} data-testid="taste">
          <summary>
            {total.toFixed(1)}
            {first && `, most of it ${TASTE_WORDS[first.term]}`}
          </summary>
          <ul>
            {terms.map(({ term, value }) => (
              <li key={term}>
                {TASTE_WORDS[term]} <b>{value.toFixed(2).replace('-', '−')}</b>
              </li>
            ))}
            <li>
              together, lower comes first <b>{total.toFixed(2)}</b>
            </li>
          </ul>
        </details>
      </dd>
    </>
  )
}

const MOST_FINGERINGS = 8

/** Which fingers, and the other ways to take them. */
function Fingers({ inHand }: { readonly inHand: ShapeInHand }) {
  const { fingering } = inHand
  if (!fingering) return null
  const fingerings = inHand.fingerings()
  const isNow = (one: Fingering) => one.fingers.join() === fingering.fingers.join()
  const choices = (): readonly WordChoice<Fingering>[] =>
    fingerings.slice(0, MOST_FINGERINGS).map((one) => ({ value: one, words: fingeringWords(one), now: isNow(one) }))
  const word = fingersWord(fingering.fingers).replaceAll('·', '')
  const at = fingerings.findIndex(isNow)
  return (
    <span data-testid="fingers">
      {' · '}fingers{' '}
      {fingerings.length === 1 ? (
        <b>{word}</b>
      ) : (
        <Word
          label="Fingers"
          now={word}
          useChoices={choices}
          take={(one) => takeFingers(one.fingers)}
          step={(by) => {
            const next = fingerings[at + by]
            if (next) takeFingers(next.fingers)
          }}
        />
      )}
      {fingerings.length > 1 &&
        ` (${fingerings.length > MOST_FINGERINGS ? `the best ${MOST_FINGERINGS} of ` : ''}${fingerings.length} ways)`}
    </span>
  )
}

const fingeringWords = (one: Fingering): string =>
  `${fingersWord(one.fingers)}${one.barres.map(({ finger }) => ` barre ${finger}`).join('')} · effort ${one.total.toFixed(1)}`

/** The hand's verdict and what it rests on; where it is no easy one, the usual caution. */
function Hand({ verdict, fingering }: { readonly verdict: HandVerdict; readonly fingering: Fingering | undefined }) {
  const reasons: string[] = []
  if (fingering) {
    if (fingering.cost.crowding > 0) reasons.push('fingertips crowd in one fret')
    if (fingering.cost.barre > 0) reasons.push('a finger lies flat')
    if (fingering.cost.spread > 1.2) reasons.push('fingers skip frets')
    if (fingering.barres.length === 0 && fingering.cost.spread <= 0.5 && verdict.kind === 'easy')
      reasons.push('nearly at rest')
  }
  const words =
    verdict.kind === 'easy' ? `${Math.round(verdict.mm)} mm, ${verdictWords(verdict)}` : reasonWords(verdict)
  return (
    <span data-testid="hand-verdict" data-warning={verdict.kind === 'beyond' || undefined}>
      {[words, ...reasons].join(', ')}
      {verdict.kind !== 'easy' &&
        '. Build stretches slowly; stop at pain, tingling or numbness, and see a physician if it lasts'}
    </span>
  )
}

/** What the chord has and nobody sounds, and where it lies nearest. */
function NotSounded({
  ghosts,
  strings,
  naming,
}: {
  readonly ghosts: readonly GhostTone[]
  readonly strings: number
  readonly naming: Parameters<typeof writeNote>[1]
}) {
  if (ghosts.length === 0) return <>every tone</>
  return (
    <span data-testid="not-sounded">
      not{' '}
      {ghosts
        .map(
          (ghost) =>
            `${ghost.degree === 'R' ? 'the root' : degreeSign(ghost.degree)} ${writeNote(ghost.note, naming)}, nearest at string ${strings - ghost.string} fret ${ghost.fret}`,
        )
        .join('; ')}
    </span>
  )
}
