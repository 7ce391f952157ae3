/** A string of the neck of names: its tone as it is, and what the chord becomes on either side of it. */
import { useStore } from '@nanostores/react'
import { type Chord, writeSymbol } from '@nestling/core/chord'
import { type Neck, stringNumber } from '@nestling/core/neck'
import { writeNote } from '@nestling/core/pitch'
import { type Voicing, voicingOf } from '@nestling/core/voicing'
import { memo } from 'react'
import { Egg } from '../../../neck/Egg.tsx'
import { $session } from '../../../state/session.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { counted } from '../../../words/shapes.ts'
import classes from './Away.module.css'
import { Candidate } from './Candidate.tsx'
import type { NamedPlace, NameRow } from './grid.ts'

export interface StringOfNamesProps {
  readonly row: NameRow
  /** What its names start from. */
  readonly from: Voicing
  readonly neck: Neck
  readonly hold: (voicing: Voicing) => void
  readonly isLeft: boolean
}

export const StringOfNames = memo(function StringOfNames({ row, from, neck, hold, isLeft }: StringOfNamesProps) {
  const { settings } = useStore($session)
  const { string, places } = row
  const strings = neck.open.length
  const degree = from.degrees[string]
  const note = from.notes[string]
  if (!degree || !note) return null
  const symbolOf = (chord: Chord) => writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  const cell = ({ by, place }: (typeof places)[number]) => (
    <td key={by} className={classes['place']}>
      {place === undefined ? (
        <i aria-hidden="true" className={classes['dot']} />
      ) : (
        <Place place={place} from={from} symbolOf={symbolOf} hold={hold} neck={neck} />
      )}
    </td>
  )
  const half = places.length / 2
  const faced = isLeft ? places.toReversed() : places
  return (
    <tr className={classes['string']}>
      <th scope="row" className={classes['name']}>
        {stringNumber(string, strings)} <b>{writeNote(note, settings.naming)}</b>
      </th>
      {faced.slice(0, half).map(cell)}
      <td className={classes['now']}>
        <EggAlone degree={degree} size={15} label={degreeSign(degree)} />
      </td>
      {faced.slice(half).map(cell)}
    </tr>
  )
})

export const stepWords = (by: number): string => `${counted(Math.abs(by), 'fret')} ${by > 0 ? 'up' : 'down'}`

function EggAlone({
  degree,
  size,
  label,
}: {
  readonly degree: Parameters<typeof Egg>[0]['degree']
  readonly size: number
  readonly label: string
}) {
  const width = size * 2 + 6
  const height = size * 1.6 + 4
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      <Egg x={width / 2} y={height / 2} size={size} degree={degree} label={label} />
    </svg>
  )
}

function Place({
  place: { by, neighbour, isOtherRoot },
  from,
  symbolOf,
  hold,
  neck,
}: {
  readonly place: NamedPlace
  readonly from: Voicing
  readonly symbolOf: (chord: Chord) => string
  readonly hold: (voicing: Voicing) => void
  readonly neck: Neck
}) {
  const { name, moves, otherNames } = neighbour
  const [move] = moves
  // The bass is told only when it is another one than now; what is told is what is taken.
  const sameBass = name.role === 'inversion' && from.inversion !== null && from.inversion !== 0
  const chord: Chord = sameBass ? { root: name.chord.root, formula: name.chord.formula } : name.chord
  const voicing = voicingOf(chord, neighbour.frets, neck)
  if (!voicing || !move) return null
  const symbol = symbolOf(chord)
  const also = otherNames.slice(0, 2).map(({ chord }) => symbolOf(chord))
  const told = `${degreeName(move.fromDegree)} ${stepWords(by)} on string ${stringNumber(move.string, neck.open.length)}, becomes the ${degreeName(move.toDegree)}`
  return (
    <Candidate
      voicing={voicing}
      className={classes['candidate']}
      label={`${symbol}: ${told}${also.length > 0 ? `; also ${also.join(', ')}` : ''}`}
      title={also.length > 0 ? `${symbol}, or ${also.join(', ')}` : symbol}
      isOtherRoot={isOtherRoot}
      onShift={() => hold(voicing)}
    >
      <EggAlone degree={move.toDegree} size={11} label={degreeSign(move.toDegree)} />
      <b>{symbol}</b>
    </Candidate>
  )
}
