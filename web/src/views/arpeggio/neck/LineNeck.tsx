/** The neck with the line on it: its thread, its fingers, the voicing inside, the scale behind; under it the hand's places. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { writeNote } from '@nestling/core/pitch'
import { instrumentFor } from '@nestling/core/request'
import type { Frets } from '@nestling/core/voicing'
import { useMemo } from 'react'
import { Board, Strings } from '../../../neck/Board.tsx'
import { LINE_MARGINS, type NeckLayout } from '../../../neck/layout.ts'
import neckClasses from '../../../neck/neck.module.css'
import { StringNames } from '../../../neck/StringNames.tsx'
import { useBoard } from '../../../neck/useBoard.ts'
import { useHandInSight } from '../../../neck/useHandInSight.ts'
import { $session } from '../../../state/session.ts'
import { Hands } from '../hands/Hands.tsx'
import type { ArpeggioState } from '../useArpeggio.ts'
import { FoundTones, ScaleLayer } from './Layers.tsx'
import classes from './LineNeck.module.css'
import { Heard, Rings } from './Now.tsx'
import { OtherPlaces } from './OtherPlaces.tsx'
import { Thread } from './Thread.tsx'
import { Tones } from './Tones.tsx'

export function LineNeck({ state, voicing }: { readonly state: ArpeggioState; readonly voicing: Frets | undefined }) {
  const { settings } = useStore($session)
  const { plan, line, player } = state
  const { neck, notes } = line
  const instrument = useMemo(() => instrumentFor(plan, player), [plan, player])
  const played = useMemo(() => notes.map(({ fret }) => fret), [notes])
  const highest = plan.find === undefined ? Math.max(0, ...played) : Number.POSITIVE_INFINITY
  const board = useBoard(neck, instrument, settings, highest, LINE_MARGINS)
  const { layout } = board
  const scroller = useHandInSight(layout, played)
  const sounding = useMemo(() => {
    const strings = new Set(notes.map(({ string }) => string))
    return neck.open.map((_, string) => (strings.has(string) ? 0 : null))
  }, [neck, notes])
  const symbol = writeSymbol(plan.chord, { naming: settings.naming, school: settings.symbols })
  return (
    <section aria-label="Neck" ref={scroller} className={neckClasses['scroller']}>
      <div className={classes['drawing']}>
        <div className={neckClasses['withNames']}>
          <StringNames layout={layout} openNames={board.openNames} naming={board.naming} />
          <svg
            viewBox={`0 0 ${layout.width} ${layout.height}`}
            className={neckClasses['neck']}
            role="group"
            aria-label={
              plan.find === undefined
                ? `${symbol} on the neck, in the order of playing`
                : `${symbol}: one tone everywhere`
            }
            data-testid="arpeggio-neck"
          >
            <Board {...board} />
            {plan.way === 'position' && plan.find === undefined && <Hand at={plan.at} layout={layout} />}
            <Strings layout={layout} frets={sounding} silent={[]} />
            <ScaleLayer line={line} plan={plan} layout={layout} />
            {plan.find === undefined ? (
              <>
                <Thread line={line} plan={plan} layout={layout} />
                <OtherPlaces state={state} layout={layout} />
                <Rings line={line} layout={layout} selected={state.selected} />
                <Tones line={line} layout={layout} voicing={voicing} selected={state.selected} select={state.select} />
                <Sounds state={state} layout={layout} />
                <Heard line={line} layout={layout} />
              </>
            ) : (
              <FoundTones line={line} plan={plan} layout={layout} />
            )}
          </svg>
        </div>
        <Hands state={state} layout={layout} />
      </div>
    </section>
  )
}

/** The four frets of the hand, and a stretch fret on each side. */
function Hand({ at, layout }: { readonly at: number; readonly layout: NeckLayout }) {
  const band = (from: number, to: number) => {
    const a = layout.fretX(Math.max(0, from - 1))
    const b = layout.fretX(Math.min(layout.lastFret, to))
    return { x: Math.min(a, b), width: Math.abs(b - a), y: layout.top - 15, height: layout.bottom - layout.top + 30 }
  }
  return (
    <g>
      <rect {...band(at - 1, at + 4)} className={classes['stretchBand']} />
      <rect {...band(at, at + 3)} className={classes['handBand']} />
    </g>
  )
}

/** More names than this don't fit beside the neck; the eggs say them all. */
const MOST_NAMES = 4

/** After the last fret, what each string sounds. */
function Sounds({ state: { line }, layout }: { readonly state: ArpeggioState; readonly layout: NeckLayout }) {
  const { settings } = useStore($session)
  const x = layout.end + layout.direction * 14
  return (
    // biome-ignore lint/a11y/noAriaHiddenOnFocusable: lines and letters, nothing in them takes the focus
    <g aria-hidden="true" className={classes['sounds']} textAnchor={layout.direction === 1 ? 'start' : 'end'}>
      {line.neck.open.map((_, string) => {
        const names = line.notes
          .filter((note) => note.string === string)
          .map(({ note }) => writeNote(note, settings.naming))
        if (names.length === 0) return null
        return (
          <text key={string} x={x} y={layout.stringY(string) + 5}>
            {names.slice(0, MOST_NAMES).join(' ')}
            {names.length > MOST_NAMES && ' …'}
          </text>
        )
      })}
    </g>
  )
}
