/** The shape in hand, string by string: what it plays, who holds it, what stays silent, how far the hand reaches. */
import { NativeSelect } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { type Fingering, type HandVerdict, pluckersOf, registerWarnings } from '@nestling/core/hand'
import { writeNote } from '@nestling/core/pitch'
import { instrumentFor } from '@nestling/core/request'
import { type GhostTone, ghostTones } from '@nestling/core/voicing'
import { memo } from 'react'
import { Heads } from '../../../controls/Heads.tsx'
import { useSettled } from '../../../controls/useSettled.ts'
import { toArpeggio } from '../../../state/links.ts'
import { $session } from '../../../state/session.ts'
import { shapeInHand, takeFingers, type WorkbenchState } from '../../../state/workbench/index.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { inversionWords, reasonWords, registerWord, silentWord, verdictWords } from '../../../words/hand.ts'
import { arrangementWords, counted, fingersWord, fretsWord } from '../../../words/shapes.ts'
import { symmetryWords } from '../../../words/symmetry.ts'
import { type ShapeInHand, useShapeInHand } from '../shown.ts'
import { Acts } from './Acts.tsx'
import { Thirds } from './Thirds.tsx'
import classes from './ThisShape.module.css'

export function ThisShape({ state: now }: { readonly state: WorkbenchState }) {
  // The neck and the list come first; what the shape is in detail, a moment later.
  return <Shape state={useSettled(now)} />
}

const Shape = memo(function Shape({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const inHand = useShapeInHand(state)
  const { frets } = state
  if (!frets || frets.every((fret) => fret === null))
    return (
      <section aria-label="This shape">
        <h2 className={classes['head']}>This shape</h2>
        <p className={classes['aside']}>
          Nothing in hand. Type a chord, take a shape from the list, or press places on the neck: the name follows.
        </p>
      </section>
    )
  const { voicing, neck, verdict } = inHand
  const shape = shapeInHand(state)
  const symmetry = voicing && symmetryWords(state.question.chord, settings.naming)
  const register = registerWarnings(
    voicing?.midis.filter((midi): midi is number => midi !== null) ?? [],
    settings.withBassPlayer,
  )
  return (
    <section aria-label="This shape">
      <h2 className={classes['head']}>
        This shape
        <span data-testid="shape-text">
          {fretsWord(frets)}
          {verdict && ` · ${Math.round(verdict.mm)} mm, ${verdictWords(verdict)}`}
        </span>
      </h2>
      <div className={classes['columns']}>
        <Strings state={state} inHand={inHand} />
        <div>
          <Acts
            hasFifth={state.question.chord.formula.some((degree) => degree.endsWith('5'))}
            arpeggio={shape ? toArpeggio(shape, state.player) : '/arpeggio'}
          />
          {voicing && (
            <p className={classes['fact']}>
              <strong>
                {voicing.arrangement.name === 'list'
                  ? ''
                  : `${arrangementWords({ kind: 'named', name: voicing.arrangement.name })} · `}
                {voicing.arrangement.degrees.map(degreeSign).join(' ')}
              </strong>
              {inversionWords(voicing.inversion)}
            </p>
          )}
          {symmetry !== undefined && <p className={classes['aside']}>{symmetry}.</p>}
          <FingerChoice inHand={inHand} />
          {verdict && <Reasons verdict={verdict} fingering={inHand.fingering} />}
          {voicing && <NotSounded ghosts={ghostTones(voicing, neck)} strings={frets.length} naming={settings.naming} />}
          {register.map((warning) => (
            <p key={warning.kind === 'muddy' ? warning.low : 'bass'} className={classes['aside']} data-warning>
              {registerWord(warning, settings.naming)}
            </p>
          ))}
          <Thirds formula={state.question.chord.formula} />
        </div>
      </div>
    </section>
  )
})

function Strings({ state, inHand }: { readonly state: WorkbenchState; readonly inHand: ShapeInHand }) {
  const { settings } = useStore($session)
  const frets = state.frets ?? []
  const { tones, fingering, silent } = inHand
  const count = frets.length
  const fingerstyle = instrumentFor(state.question, state.player).pluck !== 'pick'
  const pluckers = pluckersOf(frets)
  return (
    <table className={classes['strings']}>
      <Heads of={['string', 'fret', 'note', 'degree', 'finger', ...(fingerstyle ? ['plucks'] : [])]} />
      <tbody>
        {frets
          .map((fret, index) => ({ fret, index }))
          .reverse()
          .map(({ fret, index }) => {
            const one = tones[index]
            if (fret === null || !one) {
              const quiet = silent.find(({ string }) => string === index)
              return (
                <tr key={index} className={classes['silent']} data-kind={quiet?.kind}>
                  <td>{count - index}</td>
                  <td colSpan={fingerstyle ? 5 : 4}>
                    {quiet ? silentWord(quiet, state.question.chord, settings.naming) : 'silent'}
                  </td>
                </tr>
              )
            }
            return (
              <tr key={index}>
                <td>{count - index}</td>
                <td>{fret === 0 ? 'open' : fret}</td>
                <td>{writeNote(one.note, settings.naming)}</td>
                <td>
                  {degreeSign(one.degree)} <small>{one.degree === 'R' ? 'root' : degreeName(one.degree)}</small>
                </td>
                <td>{fingering?.fingers[index] ?? (fret === 0 ? '–' : '?')}</td>
                {fingerstyle && <td>{pluckers[index]}</td>}
              </tr>
            )
          })}
      </tbody>
    </table>
  )
}

const MOST_FINGERINGS = 8

function FingerChoice({ inHand }: { readonly inHand: ShapeInHand }) {
  const { fingerings, fingering } = inHand
  if (!fingering) return null
  const words = (one: Fingering) =>
    `${fingersWord(one.fingers)}${one.barres.map(({ finger }) => ` barre ${finger}`).join('')} · effort ${one.total.toFixed(1)}`
  return (
    <NativeSelect
      size="xs"
      className={classes['fingers']}
      label={`Fingers, ${counted(fingerings.length, 'way')}${fingerings.length > MOST_FINGERINGS ? `, the best ${MOST_FINGERINGS}` : ''}`}
      value={fingersWord(fingering.fingers)}
      onChange={(event) => takeFingers(fingerings[event.currentTarget.selectedIndex]?.fingers)}
      data={fingerings.slice(0, MOST_FINGERINGS).map((one) => ({ value: fingersWord(one.fingers), label: words(one) }))}
    />
  )
}

/** The hand's verdict and what it rests on; where it is no easy one, the usual caution. */
function Reasons({ verdict, fingering }: { readonly verdict: HandVerdict; readonly fingering: Fingering | undefined }) {
  const reasons: string[] = []
  if (fingering) {
    if (fingering.cost.crowding > 0) reasons.push('fingertips crowd in one fret')
    if (fingering.cost.barre > 0) reasons.push('a finger lies flat')
    if (fingering.cost.spread > 1.2) reasons.push('fingers skip frets')
    if (fingering.barres.length === 0 && fingering.cost.spread <= 0.5 && verdict.kind === 'easy')
      reasons.push('the hand is nearly at rest')
  }
  const words = verdict.kind === 'easy' ? 'Within easy reach' : capital(reasonWords(verdict))
  return (
    <p className={classes['aside']} data-testid="hand-verdict" data-warning={verdict.kind === 'beyond' || undefined}>
      {words}
      {reasons.length > 0 ? ` · ${reasons.join(', ')}.` : '.'}
      {verdict.kind !== 'easy' &&
        ' Build stretches slowly; stop at pain, tingling or numbness, and see a physician if it lasts.'}
    </p>
  )
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

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
  if (ghosts.length === 0) return <p className={classes['aside']}>Every tone of the chord sounds.</p>
  return (
    <p className={classes['aside']} data-testid="not-sounded">
      Not sounded:{' '}
      {ghosts
        .map(
          (ghost) =>
            `${ghost.degree === 'R' ? 'the root' : degreeSign(ghost.degree)} ${writeNote(ghost.note, naming)}, nearest at string ${strings - ghost.string}, fret ${ghost.fret}`,
        )
        .join('; ')}
      .
    </p>
  )
}
