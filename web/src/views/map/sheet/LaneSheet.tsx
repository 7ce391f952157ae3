/** The sheet: one neck cut into lanes. One stop of the keyboard, arrows inside; a pointer finds the place under it. */
import { useStore } from '@nanostores/react'
import { type SymbolStyle, writeSymbol } from '@nestling/core/chord'
import type { ChordMap, MapPlace } from '@nestling/core/map'
import { type MouseEvent, memo, useEffect, useRef } from 'react'
import { Egg } from '../../../neck/Egg.tsx'
import { $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { spokenPlace, WHY_WORDS } from '../../../words/map.ts'
import { fretsWord, stringsApart } from '../../../words/shapes.ts'
import classes from './LaneSheet.module.css'
import { type DrawnPlace, type DrawnTone, type Lane, placeAt, type LaneSheet as Sheet } from './lanes.ts'

export interface LaneSheetProps {
  readonly sheet: Sheet
  readonly map: ChordMap
  readonly strings: number
  readonly chosen: MapPlace | undefined
  readonly take: (place: MapPlace) => void
  /** The place in hand was pressed again. */
  readonly hear: (place: MapPlace) => void
  readonly open: (place: MapPlace) => void
}

const LANDMARKS = new Set([3, 5, 7, 9, 12, 15, 17, 19, 21, 24])
/** In a narrower fret only the landmarks are numbered. */
const NUMBERED_FROM = 15
const LABELLED_FROM = 7.6

export function LaneSheet({ sheet, map, strings, chosen, take, hear, open }: LaneSheetProps) {
  const { settings } = useStore($session)
  const style: SymbolStyle = { naming: settings.naming, school: settings.symbols }
  const box = useRef<HTMLDivElement>(null)
  // Where the keyboard stands on a place, it goes along with the arrows.
  useEffect(() => {
    const at = document.activeElement
    if (at instanceof SVGElement && box.current?.contains(at))
      box.current.querySelector<SVGElement>('[tabindex="0"]')?.focus()
  }, [chosen])
  return (
    <div ref={box} className={classes['sheet']}>
      <svg viewBox={`0 0 ${sheet.width} 18`} className={classes['ruler']} aria-hidden="true">
        {sheet.frets.map(({ fret, middle, width }) => (
          <text key={fret} x={middle} y={13} data-landmark={LANDMARKS.has(fret) || undefined}>
            {width > NUMBERED_FROM || LANDMARKS.has(fret) ? fret : ''}
          </text>
        ))}
      </svg>
      {sheet.lanes.map((lane) => (
        <OneLane
          key={lane.strings.join()}
          lane={lane}
          sheet={sheet}
          map={map}
          strings={strings}
          labels={settings.labels !== 'none'}
          naming={settings.naming}
          school={settings.symbols}
          chosen={lane.places.some(({ place }) => place === chosen) ? chosen : undefined}
          take={take}
          hear={hear}
          open={open}
        />
      ))}
      {sheet.folded.length > 0 && (
        <p className={classes['folded']} data-testid="map-folded">
          {sheet.folded.map(({ why, strings: sets }) => (
            <span key={why}>
              {sets.map((set) => stringsApart(set, strings)).join(', ')}: <em>{WHY_WORDS[why]}</em>
            </span>
          ))}
        </p>
      )}
      {sheet.lanes.length === 0 && (
        <p className={classes['none']}>
          No place holds {writeSymbol(map.chord, style)} so. Another arrangement, other frets or open strings may.
        </p>
      )}
    </div>
  )
}

interface OneLaneProps extends Pick<LaneSheetProps, 'sheet' | 'map' | 'strings' | 'chosen' | 'take' | 'hear' | 'open'> {
  readonly lane: Lane
  readonly labels: boolean
  readonly naming: NonNullable<SymbolStyle['naming']>
  readonly school: NonNullable<SymbolStyle['school']>
}

const OneLane = memo(function OneLane(props: OneLaneProps) {
  const { lane, sheet, map, strings, chosen, take, hear, open, labels, naming, school } = props
  const style: SymbolStyle = { naming, school }
  const under = ({ currentTarget, clientX, clientY }: MouseEvent<SVGSVGElement>): MapPlace | undefined => {
    const { left, top, width } = currentTarget.getBoundingClientRect()
    const scale = sheet.width / width
    return placeAt(lane, (clientX - left) * scale, (clientY - top) * scale + lane.top)?.place
  }
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: its places are buttons of their own
    <svg
      viewBox={`0 ${lane.top} ${sheet.width} ${lane.height}`}
      className={classes['lane']}
      role="group"
      aria-label={`Strings ${stringsApart(lane.strings, strings)}`}
      data-testid="map-lane"
      onClick={(event) => {
        const place = under(event)
        if (!place) return
        if (place === chosen) hear(place)
        else take(place)
      }}
      onDoubleClick={(event) => {
        const place = under(event)
        if (place) open(place)
      }}
    >
      <LaneWires lane={lane} sheet={sheet} strings={strings} />
      {lane.places.map((drawn) => (
        <Place
          key={fretsWord(drawn.place.frets)}
          drawn={drawn}
          egg={lane.egg}
          labels={labels && lane.egg >= LABELLED_FROM}
          isGap={lane.wires.some(({ silent }) => silent)}
          isChosen={drawn.place === chosen}
          spoken={spokenPlace(drawn.place, map.chord, strings, style)}
          take={take}
        />
      ))}
    </svg>
  )
})

const LaneWires = memo(function LaneWires({ lane, sheet, strings }: Pick<OneLaneProps, 'lane' | 'sheet' | 'strings'>) {
  const { wires, top, height } = lane
  const first = wires[0]?.y ?? 0
  const last = wires.at(-1)?.y ?? 0
  const [from, to] = [Math.min(first, last), Math.max(first, last)]
  const end = sheet.direction === 1 ? sheet.width : 0
  return (
    <g>
      <path d={`M0 ${top + height - 0.5}H${sheet.width}`} className={classes['rule']} />
      <path d={sheet.frets.map(({ wire }) => `M${wire} ${top}V${top + height}`).join('')} className={classes['wire']} />
      <path
        d={`M${sheet.left} ${from - 4}V${to + 4}`}
        className={classes['nut']}
        data-nut={sheet.fromNut || undefined}
      />
      {wires.map(({ string, y, silent }) => (
        <path
          key={string}
          d={`M${sheet.left} ${y}H${end}`}
          className={classes['string']}
          data-silent={silent || undefined}
          strokeWidth={silent ? 1 : 2 - (string / Math.max(1, strings - 1)) * 1.1}
        />
      ))}
      <text
        x={sheet.direction === 1 ? 2 : sheet.width - 2}
        y={(from + to) / 2 + 5.5}
        className={classes['name']}
        textAnchor={sheet.direction === 1 ? 'start' : 'end'}
      >
        {stringsApart(lane.strings, strings)}
      </text>
    </g>
  )
})

interface PlaceProps {
  readonly drawn: DrawnPlace
  readonly egg: number
  readonly labels: boolean
  /** Its words stand between the strings: there is room for them only while they are wanted. */
  readonly isGap: boolean
  readonly isChosen: boolean
  readonly spoken: string
  readonly take: (place: MapPlace) => void
}

const Place = memo(function Place({ drawn, egg, labels, isGap, isChosen, spoken, take }: PlaceProps) {
  const { place, tones, box, words } = drawn
  const held = place.hold === 'held'
  return (
    <g
      role="button"
      tabIndex={isChosen ? 0 : -1}
      aria-pressed={isChosen}
      aria-label={spoken}
      className={classes['place']}
      data-testid="map-cell"
      data-frets={fretsWord(place.frets)}
      data-hold={place.hold}
      data-quiet={isGap || undefined}
      onKeyDown={(event) => {
        if (event.key !== ' ' || isChosen) return
        event.preventDefault()
        event.stopPropagation()
        take(place)
      }}
    >
      <rect x={box.x} y={box.y} width={box.width} height={box.height} rx={7} className={classes['field']} />
      <path
        d={tones.map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${x} ${y}`).join('')}
        className={classes['thread']}
      />
      {tones.map(
        (tone) =>
          held && tone.from && <Came key={tone.string} tone={tone} from={tone.from} egg={egg} labels={labels} />,
      )}
      {tones.map(({ string, x, y, degree, moved }) =>
        held ? (
          <Egg
            key={string}
            x={x}
            y={y}
            size={egg}
            degree={degree}
            moved={moved}
            label={labels ? degreeSign(degree) : ''}
          />
        ) : (
          <ellipse
            key={string}
            cx={x}
            cy={y}
            rx={egg}
            ry={egg * 0.75}
            className={classes['beyond']}
            transform={`rotate(-14 ${x} ${y})`}
          />
        ),
      )}
      {words && (
        <text x={words.x} y={words.y} className={classes['words']}>
          {words.name !== '' && <tspan className={classes['known']}>{`${words.name} `}</tspan>}
          {words.told}
        </text>
      )}
    </g>
  )
})

/** Where a tone was, and its way over the string to where it is. */
function Came({
  tone: { x, y },
  from,
  egg,
  labels,
}: {
  readonly tone: DrawnTone
  readonly from: NonNullable<DrawnTone['from']>
  readonly egg: number
  readonly labels: boolean
}) {
  const way = Math.sign(x - from.x)
  const [a, b] = [from.x + way * egg * 0.6, x - way * egg * 0.5]
  const up = y - egg * 0.8
  return (
    <g>
      <Egg
        kind="ghost"
        x={from.x}
        y={y}
        size={egg * 0.92}
        degree={from.degree}
        label={labels ? degreeSign(from.degree) : ''}
      />
      {Math.abs(x - from.x) > egg * 2 && (
        <path d={`M${a} ${up + 1}Q${(a + b) / 2} ${up - egg * 0.9} ${b} ${up}`} className={classes['arc']} />
      )}
    </g>
  )
}
