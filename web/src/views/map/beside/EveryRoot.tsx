/** The place on every root: one string, and the names where it lies; each to hear and open, all to take as a row. */
import { useStore } from '@nanostores/react'
import { formulaKey, writeSymbol } from '@nestling/core/chord'
import { onEveryRoot, ROW_STEPS, type RootPlace, type RowStep, rowOfRoots } from '@nestling/core/map'
import { fretDistanceMm, stringNumber } from '@nestling/core/neck'
import { pitchClassOf, writeNote } from '@nestling/core/pitch'
import { instrumentFor } from '@nestling/core/request'
import { type KeyboardEvent, memo, useMemo, useState } from 'react'
import { toBuild } from '../../../state/links.ts'
import { $session } from '../../../state/session.ts'
import { HOLD_WORDS } from '../../../words/map.ts'
import { fretsWord } from '../../../words/shapes.ts'
import { collect, hear, shapeOf } from '../collect.ts'
import type { ShownMap } from '../useMap.ts'
import classes from './Beside.module.css'

const WIDTH = 320
const BEFORE = 8
const AFTER = 12

export const EveryRoot = memo(function EveryRoot({ shown }: { readonly shown: ShownMap }) {
  const { settings } = useStore($session)
  const { chosen, map, neck, player } = shown
  const { hand, thumb } = player
  const roots = useMemo(
    () => chosen && onEveryRoot({ frets: chosen.frets, chord: map.chord }, neck, hand, { thumb }),
    [chosen, map, neck, hand, thumb],
  )
  // The root that was picked stays picked as long as it is of this very shape.
  const [picked, setPicked] = useState<{ readonly of: unknown; readonly place: RootPlace } | undefined>(undefined)
  if (!chosen || !roots) return null
  const { places, string } = roots
  const own = places.find(({ chord }) => pitchClassOf(chord.root) === pitchClassOf(map.chord.root))
  const now = picked?.of === roots ? picked.place : own
  const style = { naming: settings.naming, school: settings.symbols }
  const pick = (place: RootPlace) => {
    setPicked({ of: roots, place })
    hear(place.frets, shown, place.chord)
  }
  if (places.length === 0 || !now)
    return (
      <section aria-label="On every root" className={classes['section']}>
        <h2 className={classes['head']}>On every root</h2>
        <p className={classes['told']}>An open string rings in this shape: it can’t be moved.</p>
      </section>
    )
  const row = (step: RowStep) =>
    collect(rowOfRoots(places, now.chord, step).map(({ frets, chord }) => shapeOf(frets, shown, chord)))
  return (
    <section aria-label="On every root" className={classes['section']}>
      <h2 className={classes['head']}>
        On every root <span>where it lies on string {stringNumber(string, neck.open.length)}</span>
      </h2>
      <Along
        places={places}
        now={now}
        pick={pick}
        scaleMm={neck.scaleLengthMm}
        leftHanded={instrumentFor(shown.question, player).handed === 'left'}
        nameOf={({ chord }) => writeNote(chord.root, settings.naming)}
        spokenOf={({ chord, frets, held }) =>
          `${writeSymbol(chord, style)}, ${fretsWord(frets)}${held ? '' : `, ${HOLD_WORDS.beyond}`}`
        }
      />
      <p className={classes['rows']}>
        <b>{writeSymbol(now.chord, style)}</b>
        <span data-testid="root-frets">{fretsWord(now.frets)}</span>
        <a href={toBuild(shapeOf(now.frets, shown, now.chord), player)}>build it</a>
      </p>
      <p className={classes['rows']}>
        add to tray from here in
        {(Object.keys(ROW_STEPS) as RowStep[]).map((step) => (
          <button key={step} type="button" onClick={() => row(step)}>
            {step}
          </button>
        ))}
      </p>
    </section>
  )
})

interface AlongProps {
  readonly places: readonly RootPlace[]
  readonly now: RootPlace
  readonly pick: (place: RootPlace) => void
  readonly scaleMm: number
  readonly leftHanded: boolean
  readonly nameOf: (place: RootPlace) => string
  readonly spokenOf: (place: RootPlace) => string
}

function Along({ places, now, pick, scaleMm, leftHanded, nameOf, spokenOf }: AlongProps) {
  const lowest = Math.max(0, (places[0]?.fret ?? 1) - 1)
  const highest = places.at(-1)?.fret ?? 12
  const start = fretDistanceMm(scaleMm, lowest)
  const perMm = (WIDTH - BEFORE - AFTER) / Math.max(1, fretDistanceMm(scaleMm, highest) - start)
  const flip = (x: number) => (leftHanded ? WIDTH - x : x)
  const wireX = (fret: number) => BEFORE + (fretDistanceMm(scaleMm, fret) - start) * perMm
  const x = (fret: number) => flip((wireX(fret) + wireX(Math.max(lowest, fret - 1))) / 2 + 2)
  const walk = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
    if (by === 0) return
    event.preventDefault()
    event.stopPropagation()
    const next = places[places.findIndex(({ frets }) => frets === now.frets) + by]
    if (!next) return
    pick(next)
    const list = event.currentTarget.closest('svg')
    requestAnimationFrame(() => list?.querySelector<SVGElement>('[tabindex="0"]')?.focus())
  }
  return (
    <svg viewBox={`0 0 ${WIDTH} 58`} className={classes['roots']} role="group" aria-label="Roots, from the nut up">
      <path d={`M${flip(BEFORE)} 29H${flip(WIDTH - 2)}`} />
      <path d={`M${flip(BEFORE)} 20V38`} data-nut={lowest === 0 || undefined} />
      {places.map((place, index) => {
        const isNow = place.frets === now.frets
        const at = x(place.fret)
        const isAbove = index % 2 === 0
        return (
          <g
            key={formulaKey(place.chord.formula) + place.chord.root}
            role="button"
            tabIndex={isNow ? 0 : -1}
            aria-pressed={isNow}
            aria-label={spokenOf(place)}
            className={classes['root']}
            data-testid="root-place"
            data-beyond={!place.held || undefined}
            onClick={() => pick(place)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault()
                event.stopPropagation()
                pick(place)
              } else walk(event)
            }}
          >
            <rect x={at - 13} y={isAbove ? 0 : 24} width={26} height={34} rx={6} />
            <ellipse cx={at} cy={29} rx={isNow ? 9 : 5.4} ry={isNow ? 6.6 : 4} transform={`rotate(-14 ${at} 29)`} />
            <text x={at} y={isAbove ? 15 : 53}>
              {nameOf(place)}
            </text>
          </g>
        )
      })}
    </svg>
  )
}
