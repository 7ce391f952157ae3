/** The true-scale neck with the current voicing, its other inversions as stepping stones, its ghosts and the reach bar. */
import { type Fingering, type HandProfile, reachMm, reachVerdict, type SilentString } from '@nestling/core/hand'
import type { Neck } from '@nestling/core/neck'
import { type NamingSystem, type NoteName, writeNote } from '@nestling/core/pitch'
import type { GhostTone, Voicing } from '@nestling/core/voicing'
import type { Labels } from '../contracts/settings.ts'
import { Egg } from './Egg.tsx'
import { eggLabel, spokenVoicing } from './labels.ts'
import { type NeckLayout, neckLayout } from './layout.ts'
import classes from './neck.module.css'
import { degreeSign } from './tone.ts'

const LANDMARKS = new Set([3, 5, 7, 9, 12, 15, 17, 19, 21, 24])

export interface NeckViewProps {
  readonly neck: Neck
  readonly openNames: readonly NoteName[]
  readonly hand: HandProfile
  readonly labels: Labels
  readonly naming: NamingSystem
  readonly voicing: Voicing | undefined
  readonly fingering?: Fingering | undefined
  readonly silent?: readonly SilentString[]
  readonly ghosts?: readonly GhostTone[]
  readonly stones?: readonly Voicing[]
}

export function NeckView(props: NeckViewProps) {
  const { neck, voicing, stones = [], ghosts = [] } = props
  const highest = Math.max(15, ...(voicing?.frets ?? []).map((fret) => fret ?? 0))
  const layout = neckLayout(neck, Math.min(neck.lastFret, highest))
  const taken = new Set(voicing?.frets.map((fret, string) => `${string}:${fret}`))
  const description = voicing === undefined ? 'The neck, empty.' : `The neck. ${spokenVoicing(voicing, props.naming)}.`
  return (
    <div className={classes['scroller']}>
      <svg
        viewBox={`0 0 ${layout.width} ${layout.height}`}
        className={classes['neck']}
        role="img"
        aria-label={description}
        data-testid="neck"
      >
        <Board {...props} layout={layout} />
        {stones.map((stone) => (
          <g key={stone.frets.join()} data-testid="stone">
            {stone.frets.map((fret, string) =>
              fret === null || taken.has(`${string}:${fret}`) || fret > layout.lastFret ? null : (
                <Egg
                  key={string}
                  kind="stone"
                  size={10.5}
                  x={layout.tipX(fret)}
                  y={layout.stringY(string)}
                  degree={stone.degrees[string] ?? 'R'}
                  label={degreeSign(stone.degrees[string] ?? 'R')}
                />
              ),
            )}
          </g>
        ))}
        {ghosts.map((ghost) =>
          ghost.fret > layout.lastFret ? null : (
            <g key={ghost.degree} data-testid="ghost">
              <Egg
                kind="ghost"
                size={16}
                x={layout.tipX(ghost.fret)}
                y={layout.stringY(ghost.string)}
                degree={ghost.degree}
                label={degreeSign(ghost.degree)}
              />
            </g>
          ),
        )}
        {voicing?.frets.map((fret, string) =>
          fret === null ? null : (
            <g key={string} data-testid="egg" data-string={neck.open.length - string} data-fret={fret}>
              <Egg
                x={layout.tipX(fret)}
                y={layout.stringY(string)}
                size={Math.min(18.5, layout.rowHeight * 0.56)}
                degree={voicing.degrees[string] ?? 'R'}
                label={eggLabel(voicing, string, props.labels, props.naming, props.fingering)}
              />
            </g>
          ),
        )}
        {voicing && <ReachBar voicing={voicing} layout={layout} neck={neck} hand={props.hand} />}
      </svg>
    </div>
  )
}

function Board({ layout, openNames, naming, voicing, silent = [] }: NeckViewProps & { readonly layout: NeckLayout }) {
  const { top, bottom, left, right, lastFret } = layout
  const frets = Array.from({ length: lastFret }, (_, index) => index + 1)
  return (
    <g>
      <rect x={left} y={top - 15} width={right - left} height={bottom - top + 30} className={classes['board']} />
      {frets.map((fret) => (
        <g key={fret}>
          <line
            x1={layout.fretX(fret)}
            x2={layout.fretX(fret)}
            y1={top - 15}
            y2={bottom + 15}
            className={classes['fret']}
            data-octave={fret % 12 === 0 || undefined}
          />
          <text
            x={(layout.fretX(fret) + layout.fretX(fret - 1)) / 2}
            y={bottom + 31}
            className={classes['fretNumber']}
            data-landmark={LANDMARKS.has(fret) || undefined}
          >
            {fret}
          </text>
        </g>
      ))}
      <line x1={left} x2={left} y1={top - 15} y2={bottom + 15} className={classes['nut']} />
      {openNames.map((name, index) => {
        const y = layout.stringY(index)
        const sounds = voicing === undefined || voicing.frets[index] !== null
        const damping = silent.find((string) => string.string === index)
        const mark = damping === undefined ? '' : damping.kind === 'not-plucked' ? '–' : '×'
        return (
          <g key={index}>
            <line
              x1={left}
              x2={right}
              y1={y}
              y2={y}
              className={classes['string']}
              strokeWidth={2.4 - (1.7 * index) / Math.max(1, openNames.length - 1)}
              data-silent={!sounds || undefined}
            />
            <text x={6} y={y + 5} className={classes['stringNumber']}>
              {openNames.length - index}
            </text>
            <text x={24} y={y + 5} className={classes['stringName']} data-silent={!sounds || undefined}>
              {writeNote(name, naming)}
            </text>
            {mark !== '' && (
              <text x={left - 18} y={y + 5} className={classes['mark']}>
                {mark}
              </text>
            )}
          </g>
        )
      })}
    </g>
  )
}

/** Millimetres that the hand spans, and how far this player's hand is easy from the same place. */
function ReachBar({
  voicing,
  layout,
  neck,
  hand,
}: {
  readonly voicing: Voicing
  readonly layout: NeckLayout
  readonly neck: Neck
  readonly hand: HandProfile
}) {
  const pressed = voicing.frets.filter((fret): fret is number => fret !== null && fret > 0)
  if (pressed.length === 0) return null
  const from = layout.tipX(Math.min(...pressed))
  const to = layout.tipX(Math.max(...pressed))
  const mm = reachMm(neck, voicing.frets)
  const verdict = reachVerdict(hand, mm)
  const y = layout.bottom + 52
  const zoneEnd = Math.min(layout.right, from + hand.comfortableMm * layout.scale)
  const words = `${Math.round(mm)} mm held · ${verdict === 'comfortable' ? `easy for this hand up to ${Math.round(hand.comfortableMm)} mm` : verdict === 'stretch' ? `a stretch: easy ends at ${Math.round(hand.comfortableMm)} mm` : `beyond this hand's ${Math.round(hand.stretchMm)} mm`}`
  const behind = zoneEnd + 14 + words.length * 6.1 > layout.right
  return (
    <g data-testid="reach">
      <line x1={from} x2={Math.max(zoneEnd, to)} y1={y} y2={y} className={classes['zone']} />
      <line x1={from} x2={Math.max(to, from + 1)} y1={y} y2={y} className={classes['reach']} data-verdict={verdict} />
      <text
        x={behind ? from - 14 : Math.max(zoneEnd, to) + 14}
        y={y + 4.5}
        textAnchor={behind ? 'end' : 'start'}
        className={classes['aside']}
      >
        {words}
      </text>
    </g>
  )
}
