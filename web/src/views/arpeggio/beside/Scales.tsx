/** Scales that hold the chord on one ruler of semitones: what differs is seen. One of them may lie behind the line. */
import { useStore } from '@nanostores/react'
import type { ScaleFit } from '@nestling/core/key'
import { pitchClassOf, withSigns, writeNote } from '@nestling/core/pitch'
import { type KeyboardEvent, useState } from 'react'
import { Egg } from '../../../neck/Egg.tsx'
import { $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import type { ArpeggioState } from '../useArpeggio.ts'
import classes from './Beside.module.css'

const FIRST_SHOWN = 4

export function Scales({ state }: { readonly state: ArpeggioState }) {
  const { settings } = useStore($session)
  const [all, setAll] = useState(false)
  const [pointed, setPointed] = useState<string | undefined>(undefined)
  const { line, plan, change } = state
  const { scales } = line
  const shown = scales.filter(({ scale }, index) => all || index < FIRST_SHOWN || scale.name === plan.scale)
  const told = scales.find(({ scale }) => scale.name === (pointed ?? plan.scale)) ?? scales[0]
  const stop = shown.some(({ scale }) => scale.name === plan.scale) ? plan.scale : shown[0]?.scale.name
  return (
    <section aria-label="Scales that hold it" className={classes['section']}>
      <h2 className={classes['title']}>
        Scales that hold it
        {scales.length > FIRST_SHOWN && (
          <button type="button" className={classes['quiet']} onClick={() => setAll(!all)}>
            {all ? 'only the likeliest' : `all ${scales.length}`}
          </button>
        )}
      </h2>
      {scales.length === 0 ? (
        <p className={classes['aside']}>
          No scale of the catalogue holds all of these tones: the chord mixes colours of several.
        </p>
      ) : (
        <>
          <ul className={classes['scales']} onKeyDown={walk}>
            {shown.map((fit) => (
              <li key={fit.scale.name} data-testid="scale-fit">
                <button
                  type="button"
                  tabIndex={fit.scale.name === stop ? 0 : -1}
                  aria-pressed={plan.scale === fit.scale.name}
                  aria-label={`${writeNote(plan.chord.root, settings.naming)} ${withSigns(fit.scale.name)}: ${whyWords(fit, settings.naming)}`}
                  onPointerEnter={() => setPointed(fit.scale.name)}
                  onPointerLeave={() => setPointed(undefined)}
                  onFocus={() => setPointed(fit.scale.name)}
                  onBlur={() => setPointed(undefined)}
                  onClick={() => change({ scale: plan.scale === fit.scale.name ? undefined : fit.scale.name })}
                >
                  <b>{withSigns(fit.scale.name)}</b>
                  <Semitones fit={fit} />
                </button>
              </li>
            ))}
          </ul>
          {told && (
            <p className={classes['why']} aria-hidden="true">
              {withSigns(told.scale.name)}: {whyWords(told, settings.naming)}
            </p>
          )}
        </>
      )}
    </section>
  )
}

const STEP = 19.5
const LEFT = 14
const HEIGHT = 22

/** The scale's tones at their semitones above the root; what it adds to the chord is a ring, dashed where it rubs. */
function Semitones({ fit: { tones } }: { readonly fit: ScaleFit }) {
  const root = tones[0] && pitchClassOf(tones[0].note)
  const width = LEFT * 2 + 11 * STEP
  return (
    <svg
      width={width}
      height={HEIGHT}
      style={{ maxWidth: 'calc(100vw - 84px)' }}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      aria-hidden="true"
    >
      <path d={`M${LEFT} ${HEIGHT / 2}H${LEFT + 11 * STEP}`} className={classes['semitones']} />
      {tones.map(({ note, degree, inChord, rubs }) => {
        const x = LEFT + STEP * ((pitchClassOf(note) - (root ?? 0) + 12) % 12)
        const sign = degreeSign(degree)
        return inChord ? (
          <Egg key={degree} x={x} y={HEIGHT / 2} size={11} degree={degree} label={sign} />
        ) : (
          <g key={degree} className={classes['added']} data-rubs={rubs || undefined}>
            <circle cx={x} cy={HEIGHT / 2} r={8.5} />
            <text x={x} y={HEIGHT / 2 + 4}>
              {sign}
            </text>
          </g>
        )
      })}
    </svg>
  )
}

/** Up and down from scale to scale; Enter lays it on the neck. */
function walk(event: KeyboardEvent<HTMLUListElement>) {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (by === undefined) return
  const all = [...event.currentTarget.querySelectorAll('button')]
  event.preventDefault()
  event.stopPropagation()
  all[all.indexOf(document.activeElement as HTMLButtonElement) + by]?.focus()
}

function whyWords({ scale, adds, rubs, parent }: ScaleFit, naming: Parameters<typeof writeNote>[1]): string {
  const signs = (degrees: readonly Parameters<typeof degreeSign>[0][]) => degrees.map(degreeSign).join(' ')
  const added =
    adds.length === 0
      ? 'the very tones of the chord'
      : `adds ${signs(adds)}${adds.length === 1 ? ', one tone more than the arpeggio' : ''}`
  const rubbing =
    rubs.length === 0
      ? '; nothing rubs'
      : `; ${signs(rubs)} ${rubs.length === 1 ? 'rubs, a semitone above a chord tone' : 'rub, each a semitone above a chord tone'}`
  const home = scale.mode === 1 ? '' : `; step ${scale.mode} of ${writeNote(parent, naming)} ${scale.family}`
  return `${added}${adds.length === 0 ? '' : rubbing}${home}`
}
