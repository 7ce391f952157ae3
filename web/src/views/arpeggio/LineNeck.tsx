/** The neck with the line drawn on it in order, the voicing inside it, the scale behind it, and the finder. */
import { useStore } from '@nanostores/react'
import type { ArpeggioNote } from '@nestling/core/arpeggio'
import { writeSymbol } from '@nestling/core/chord'
import type { Mark } from '@nestling/core/ear'
import { soundingMidi } from '@nestling/core/neck'
import { pitchClassOf } from '@nestling/core/pitch'
import { instrumentFor } from '@nestling/core/request'
import type { Frets } from '@nestling/core/voicing'
import { memo, useMemo } from 'react'
import { $listening } from '../../ear/listening.ts'
import { Board, Strings } from '../../neck/Board.tsx'
import { Egg } from '../../neck/Egg.tsx'
import { eggLabel } from '../../neck/labels.ts'
import type { NeckLayout } from '../../neck/layout.ts'
import neckClasses from '../../neck/neck.module.css'
import { useBoard } from '../../neck/useBoard.ts'
import { useHandInSight } from '../../neck/useHandInSight.ts'
import { $playing } from '../../sound/transport.ts'
import { $session } from '../../state/session.ts'
import { degreeName, degreeSign } from '../../words/degrees.ts'
import classes from './ArpeggioView.module.css'
import { type ArpeggioLine, onString } from './plan.ts'
import type { Plan } from './types.ts'
import { type ArpeggioState, OWNER } from './useArpeggio.ts'

export function LineNeck({ state, voicing }: { readonly state: ArpeggioState; readonly voicing: Frets | undefined }) {
  const { settings } = useStore($session)
  const { plan, line, player, change } = state
  const { neck, notes } = line
  const instrument = useMemo(() => instrumentFor(plan, player), [plan, player])
  const played = useMemo(() => notes.map(({ fret }) => fret), [notes])
  const highest = plan.find === undefined ? Math.max(0, ...played) : Number.POSITIVE_INFINITY
  const board = useBoard(neck, instrument, settings, highest)
  const { layout } = board
  const scroller = useHandInSight(layout, played)
  const sounding = useMemo(() => {
    const strings = new Set(notes.map(({ string }) => string))
    return neck.open.map((_, string) => (strings.has(string) ? 0 : null))
  }, [neck, notes])
  return (
    <section aria-label="Neck" ref={scroller} className={neckClasses['scroller']}>
      <svg
        viewBox={`0 0 ${layout.width} ${layout.bottom + 34}`}
        className={neckClasses['neck']}
        role="group"
        aria-label={describe(line, plan)}
        data-testid="arpeggio-neck"
      >
        <Board {...board} />
        <Strings layout={layout} frets={sounding} silent={[]} />
        {plan.way === 'position' && plan.find === undefined && <Hand at={plan.at} layout={layout} />}
        <ScaleLayer line={line} plan={plan} layout={layout} />
        {plan.find === undefined && <Path notes={notes} order={line.order} layout={layout} />}
        {plan.find === undefined &&
          line.arpeggio.others
            .filter(
              ({ string, fret }) =>
                fret <= layout.lastFret && !notes.some((note) => note.string === string && note.fret === fret),
            )
            .map((place) => (
              <g
                key={`${place.string}:${place.fret}`}
                role="button"
                tabIndex={0}
                className={classes['other']}
                aria-label={`Play ${degreeName(place.degree)} on string ${neck.open.length - place.string}, fret ${place.fret} instead`}
                data-testid="other-place"
                onClick={() => change(onString(plan, place))}
                onKeyDown={(event) => {
                  if (event.key !== 'Enter' && event.key !== ' ') return
                  event.preventDefault()
                  change(onString(plan, place))
                }}
              >
                <Egg
                  kind="ghost"
                  x={layout.tipX(place.fret)}
                  y={layout.stringY(place.string)}
                  size={13}
                  degree={place.degree}
                  label={degreeSign(place.degree)}
                />
              </g>
            ))}
        {plan.find === undefined ? (
          <Tones
            line={line}
            layout={layout}
            voicing={voicing}
            labels={settings.labels}
            naming={settings.naming}
            selected={state.selected}
            select={state.select}
          />
        ) : (
          <Found line={line} plan={plan} layout={layout} />
        )}
        {plan.find === undefined && <Now line={line} layout={layout} />}
      </svg>
    </section>
  )
}

function describe({ notes, neck }: ArpeggioLine, plan: Plan): string {
  const tones = notes.map(
    ({ string, fret, degree, finger }) =>
      `string ${neck.open.length - string}, ${fret === 0 ? 'open' : `fret ${fret}`}, the ${degreeName(degree)}${finger === null ? '' : `, finger ${finger}`}`,
  )
  return `${writeSymbol(plan.chord)} on the neck, low to high: ${tones.join('; ')}`
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

const ScaleLayer = memo(function ScaleLayer({
  line,
  plan,
  layout,
}: {
  readonly line: ArpeggioLine
  readonly plan: Plan
  readonly layout: NeckLayout
}) {
  const { scale, neck } = line
  if (!scale) return null
  const added = new Map(scale.tones.filter(({ inChord }) => !inChord).map((tone) => [pitchClassOf(tone.note), tone]))
  const within = (fret: number) => plan.way !== 'position' || (fret >= plan.at - 1 && fret <= plan.at + 4)
  return (
    <g data-testid="scale-layer">
      {neck.open.flatMap((_, string) =>
        Array.from({ length: layout.lastFret + 1 }, (_, fret) => fret)
          .filter((fret) => fret === 0 || fret >= (neck.firstFret[string] as number))
          .filter((fret) => within(fret))
          .flatMap((fret) => {
            const tone = added.get(soundingMidi(neck, string, fret) % 12)
            if (!tone) return []
            return [
              <g key={`${string}:${fret}`} className={classes['scaleTone']} data-rubs={tone.rubs || undefined}>
                <circle cx={layout.tipX(fret)} cy={layout.stringY(string)} r={9} />
                <text x={layout.tipX(fret)} y={layout.stringY(string) + 4}>
                  {degreeSign(tone.degree)}
                </text>
              </g>,
            ]
          }),
      )}
    </g>
  )
})

const Path = memo(function Path({
  notes,
  order,
  layout,
}: {
  readonly notes: readonly ArpeggioNote[]
  readonly order: readonly number[]
  readonly layout: NeckLayout
}) {
  const points = order.flatMap((index) => {
    const note = notes[index]
    return note ? [`${layout.tipX(note.fret)},${layout.stringY(note.string)}`] : []
  })
  return <polyline points={points.join(' ')} className={classes['path']} />
})

const Tones = memo(function Tones({
  line,
  layout,
  voicing,
  labels,
  naming,
  selected,
  select,
}: {
  readonly line: ArpeggioLine
  readonly layout: NeckLayout
  readonly voicing: Frets | undefined
  readonly labels: Parameters<typeof eggLabel>[1]
  readonly naming: Parameters<typeof eggLabel>[2]
  readonly selected: number | undefined
  readonly select: (index: number) => void
}) {
  const { notes, order } = line
  const played = new Set(order)
  return notes.map((note, index) => (
    // biome-ignore lint/a11y/noStaticElementInteractions: the tone is heard by the table's buttons as well
    <g
      key={`${note.string}:${note.fret}`}
      data-testid="arpeggio-tone"
      data-string={line.neck.open.length - note.string}
      data-fret={note.fret}
      data-finger={note.finger ?? 0}
      className={classes['tone']}
      data-selected={selected === index || undefined}
      onClick={() => select(index)}
    >
      {selected === index && (
        <ellipse
          cx={layout.tipX(note.fret)}
          cy={layout.stringY(note.string)}
          rx={22}
          ry={17}
          className={classes['selected']}
        />
      )}
      <Egg
        kind={played.has(index) ? 'sounding' : 'stone'}
        x={layout.tipX(note.fret)}
        y={layout.stringY(note.string)}
        size={played.has(index) ? Math.min(16, layout.rowHeight * 0.5) : 12}
        degree={note.degree}
        label={eggLabel(note, labels, naming)}
        moved={voicing?.[note.string] === note.fret}
      />
      {order.indexOf(index) >= 0 && (
        <text
          x={layout.tipX(note.fret) + layout.direction * 20}
          y={layout.stringY(note.string) + 13}
          className={classes['orderNumber']}
        >
          {order.indexOf(index) + 1}
        </text>
      )}
    </g>
  ))
})

/** What sounds now, and what the ear heard; drawn apart, so that a note of the cursor redraws nothing else. */
function Now({ line, layout }: { readonly line: ArpeggioLine; readonly layout: NeckLayout }) {
  const { owner, mark } = useStore($playing)
  const { judgement } = useStore($listening)
  const note = owner === OWNER && mark !== undefined ? line.notes[line.order[mark] ?? -1] : undefined
  return (
    <g>
      {judgement?.marks.map((told, place) => {
        const marked = line.notes[line.order[place] ?? -1]
        return marked ? (
          <Told key={place} told={told} x={layout.tipX(marked.fret)} y={layout.stringY(marked.string)} />
        ) : null
      })}
      {note && (
        <ellipse
          cx={layout.tipX(note.fret)}
          cy={layout.stringY(note.string)}
          rx={23}
          ry={17}
          className={classes['now']}
          data-testid="neck-cursor"
        />
      )}
    </g>
  )
}

const SIGNS: Readonly<Record<Mark['kind'], string>> = { right: '✓', octave: '8', wrong: '✕', missing: '–' }

const Told = ({ told, x, y }: { readonly told: Mark; readonly x: number; readonly y: number }) => (
  <text x={x - 20} y={y - 9} className={classes['told']} data-kind={told.kind} data-testid="ear-mark">
    {SIGNS[told.kind]}
  </text>
)

/** Every tone of the chord by its number, the one that is looked for in full. */
const Found = memo(function Found({
  line,
  plan,
  layout,
}: {
  readonly line: ArpeggioLine
  readonly plan: Plan
  readonly layout: NeckLayout
}) {
  return line.places
    .filter(({ fret }) => fret <= layout.lastFret)
    .map((place) => (
      <g key={`${place.string}:${place.fret}`} data-testid={place.degree === plan.find ? 'found-tone' : undefined}>
        <Egg
          kind={place.degree === plan.find ? 'sounding' : 'stone'}
          x={layout.tipX(place.fret)}
          y={layout.stringY(place.string)}
          size={
            place.degree === plan.find ? Math.min(15, layout.rowHeight * 0.48) : Math.min(12, layout.rowHeight * 0.4)
          }
          degree={place.degree}
          label={place.degree === 'R' ? '1' : degreeSign(place.degree)}
        />
      </g>
    ))
})
