/** The sheet: one neck cut into lanes. One stop of the keyboard, arrows inside; a pointer finds the place under it. */
import { useStore } from '@nanostores/react'
import { type SymbolStyle, writeSymbol } from '@nestling/core/chord'
import { handOn } from '@nestling/core/hand'
import type { ChordMap, MapPlace } from '@nestling/core/map'
import type { Neck } from '@nestling/core/neck'
import type { NoteName } from '@nestling/core/pitch'
import type { Fingers } from '@nestling/core/shape'
import { type MouseEvent, memo, useEffect, useMemo, useRef } from 'react'
import { eggPath } from '../../../neck/eggPath.ts'
import { ManyEggs } from '../../../neck/ManyEggs.tsx'
import { useEggLabels } from '../../../shell/useEggLabels.ts'
import { $player, $session } from '../../../state/session.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { missingWords, spokenPlace, WHY_SHORT, WHY_WORDS } from '../../../words/map.ts'
import { fretsWord, stringsApart } from '../../../words/shapes.ts'
import classes from './LaneSheet.module.css'
import { type DrawnPlace, type Lane, placeAt, type LaneSheet as Sheet } from './lanes.ts'

export interface LaneSheetProps {
  readonly sheet: Sheet
  readonly map: ChordMap
  readonly neck: Neck
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

export function LaneSheet({ sheet, map, neck, strings, chosen, take, hear, open }: LaneSheetProps) {
  const { settings } = useStore($session)
  const style: SymbolStyle = { naming: settings.naming, school: settings.symbols }
  const { hand, thumb } = useStore($player)
  const fingersOf = useMemo(() => {
    const on = handOn(neck, hand, { thumb })
    return ({ frets }: MapPlace) => on.bestFingering(frets)?.fingers
  }, [neck, hand, thumb])
  const box = useRef<HTMLDivElement>(null)
  // Where the keyboard stands on a place, it goes along with the arrows.
  useEffect(() => {
    const at = document.activeElement
    if (at instanceof SVGElement && box.current?.contains(at))
      box.current.querySelector<SVGElement>('[tabindex="0"]')?.focus()
  }, [chosen])
  return (
    <div ref={box} className={classes['sheet']} data-one-stop>
      <svg viewBox={`0 0 ${sheet.width} 18`} className={classes['ruler']} aria-hidden>
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
          fingersOf={settings.labels === 'finger' ? fingersOf : undefined}
          naming={settings.naming}
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
  /** Which finger holds what; asked for only where it is shown. */
  readonly fingersOf: ((place: MapPlace) => Fingers | undefined) | undefined
  readonly naming: NonNullable<SymbolStyle['naming']>
}

const OneLane = memo(function OneLane(props: OneLaneProps) {
  const { lane, sheet, map, strings, chosen, take, hear, open, fingersOf, naming } = props
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
      aria-description={missingWords(lane.missing, WHY_WORDS, degreeName).join('; ') || undefined}
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
          // By its bass: another question changes what stands there, and need not make it anew.
          key={drawn.place.bass}
          drawn={drawn}
          isChosen={drawn.place === chosen}
          spoken={spokenPlace(drawn.place, map.chord, strings, naming)}
          take={take}
          open={open}
        />
      ))}
      <LaneTones lane={lane} root={map.chord.root} fingersOf={fingersOf} />
      <LaneWords lane={lane} chosen={chosen} />
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
      <path
        d={wires.flatMap(({ y, silent }) => (silent ? [] : [`M${sheet.left} ${y}H${end}`])).join('')}
        className={classes['string']}
      />
      <path
        d={wires.flatMap(({ y, silent }) => (silent ? [`M${sheet.left} ${y}H${end}`] : [])).join('')}
        className={classes['string']}
        data-silent
      />
      <text
        x={sheet.direction === 1 ? 2 : sheet.width - 2}
        y={(from + to) / 2 + 5.5}
        className={classes['name']}
        aria-hidden
        textAnchor={sheet.direction === 1 ? 'start' : 'end'}
      >
        {stringsApart(lane.strings, strings)}
      </text>
      {missingWords(lane.missing, WHY_SHORT, degreeSign)
        .slice(0, MOST_WHYS)
        .map((words, row) => (
          <text
            key={words}
            x={sheet.direction === 1 ? 2 : sheet.width - 2}
            y={(from + to) / 2 + 18 + row * 11}
            className={classes['why']}
            aria-hidden
            textAnchor={sheet.direction === 1 ? 'start' : 'end'}
          >
            {words}
          </text>
        ))}
    </g>
  )
})

/** There is room for one line under the strings; all of it is said. */
const MOST_WHYS = 1

interface PlaceProps {
  readonly drawn: DrawnPlace
  readonly isChosen: boolean
  readonly spoken: string
  readonly take: (place: MapPlace) => void
  readonly open: (place: MapPlace) => void
}

const Place = memo(function Place({ drawn, isChosen, spoken, take, open }: PlaceProps) {
  const { place, tones, box } = drawn
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
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && (event.key !== ' ' || isChosen)) return
        event.preventDefault()
        event.stopPropagation()
        if (event.key === 'Enter') open(place)
        else take(place)
      }}
    >
      <rect x={box.x} y={box.y} width={box.width} height={box.height} rx={7} className={classes['field']} />
      <path
        d={tones.map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${x} ${y}`).join('')}
        className={classes['thread']}
      />
    </g>
  )
})

/** The words of a lane as one text. Between the strings of a set with a gap there is room for them only while they are wanted. */
const LaneWords = memo(function LaneWords({ lane, chosen }: Pick<OneLaneProps, 'lane' | 'chosen'>) {
  const isGap = lane.wires.some(({ silent }) => silent)
  const told = lane.places.filter(({ place, words }) => words && (!isGap || place.hold !== 'held' || place === chosen))
  return (
    <text className={classes['words']} aria-hidden>
      {told.map(
        ({ place, words }) =>
          words && (
            <tspan key={place.bass} x={words.x} y={words.y} data-chosen={place === chosen || undefined}>
              {words.name === '' ? (
                words.told
              ) : (
                <>
                  <tspan className={classes['known']}>{`${words.name} `}</tspan>
                  {words.told}
                </>
              )}
            </tspan>
          ),
      )}
    </text>
  )
})

/** The tones of a lane, where they were, and their ways from there: a few paths for all of its places. */
const LaneTones = memo(function LaneTones({
  lane,
  root,
  fingersOf,
}: Pick<OneLaneProps, 'lane' | 'fingersOf'> & { readonly root: NoteName }) {
  const { egg, places } = lane
  const labelAll = useEggLabels(root)
  const held = places
    .filter(({ place }) => place.hold === 'held')
    .flatMap(({ place, tones }) => {
      const fingers = fingersOf?.(place)
      return fingers ? tones.map((tone) => ({ ...tone, finger: fingers[tone.string] })) : tones
    })
  const beyond = places.filter(({ place }) => place.hold !== 'held').flatMap(({ tones }) => tones)
  const came = held.flatMap(({ x, y, from }) => (from ? [{ ...from, y, to: x }] : []))
  const labelOf = egg >= LABELLED_FROM ? labelAll : undefined
  return (
    <g className={classes['tones']}>
      <path d={beyond.map((tone) => eggPath(tone, egg)).join('')} className={classes['beyond']} />
      <ManyEggs eggs={came} size={egg * 0.92} kind="ghost" labelOf={labelOf} />
      <path d={came.map((one) => wayPath(one, egg)).join('')} className={classes['arc']} />
      <ManyEggs eggs={held} size={egg} labelOf={labelOf} />
    </g>
  )
})

/** Over the string, from where a tone was to where it is. */
function wayPath({ x, y, to }: { readonly x: number; readonly y: number; readonly to: number }, egg: number): string {
  if (Math.abs(to - x) <= egg * 2) return ''
  const way = Math.sign(to - x)
  const [a, b] = [x + way * egg * 0.6, to - way * egg * 0.5]
  const up = y - egg * 0.8
  return `M${a} ${up + 1}Q${(a + b) / 2} ${up - egg * 0.9} ${b} ${up}`
}
