/** The chords that one or two moved tones make, the family of the shape, and the tones that can join it. */
import { SegmentedControl } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { type Chord, formulaKey, writeSymbol } from '@nestling/core/chord'
import {
  familyRow,
  type Neighbour,
  oneToneNeighbours,
  shellShape,
  type ToneMove,
  twoToneNeighbours,
  waysToExtend,
} from '@nestling/core/near'
import { type Degree, pitchClassOf } from '@nestling/core/pitch'
import { type Voicing, voicingOf } from '@nestling/core/voicing'
import { useMemo, useState } from 'react'
import { $session } from '../../../state/session.ts'
import { neckIn, voicingInHand, type WorkbenchState } from '../../../state/workbench/index.ts'
import { degreeName, degreeSign } from '../../../words/degrees.ts'
import { fretsWord } from '../../../words/shapes.ts'
import classes from './Around.module.css'
import { Candidate } from './Candidate.tsx'

const MOST_PAIRS = 60

export function OneFretAway({ state }: { readonly state: WorkbenchState }) {
  const [tones, setTones] = useState<'1' | '2'>('1')
  const { question, player, frets } = state
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  const voicing = useMemo(() => voicingInHand({ question, player, frets }), [question, player, frets])
  const neighbours = useMemo(() => {
    if (!voicing) return []
    return tones === '1' ? oneToneNeighbours(voicing, neck) : twoToneNeighbours(voicing, neck)
  }, [voicing, neck, tones])
  const family = useMemo(() => (voicing ? familyRow(voicing, neck) : []), [voicing, neck])
  const shell = useMemo(() => (voicing ? shellShape(voicing, neck) : undefined), [voicing, neck])
  const joins = useMemo(() => (voicing ? waysToExtend(voicing, neck) : []), [voicing, neck])
  if (!voicing) return <p className={classes['aside']}>Take a shape of two tones or more to see what it can become.</p>
  const shown = tones === '1' ? neighbours : neighbours.slice(0, MOST_PAIRS)
  return (
    <>
      {family.length > 0 && (
        <div className={classes['row']} role="group" aria-label="Family">
          {shell && (
            <Candidate voicing={shell} label={`Shell: root, third and seventh only, ${fretsWord(shell.frets)}`} compact>
              shell
            </Candidate>
          )}
          {family.map((other) => (
            <Chip
              key={formulaKey(other.chord.formula)}
              voicing={other}
              now={fretsWord(other.frets) === fretsWord(voicing.frets)}
            />
          ))}
        </div>
      )}
      {joins.length > 0 && (
        <div className={classes['joins']} role="group" aria-label="Add a tone">
          <Joins joins={joins} way="root-moves" label="add, the root moves" />
          <Joins joins={joins} way="fifth-gives-way" label="add, the root stays" />
        </div>
      )}
      <div className={classes['between']}>
        <span>{tones === '1' ? 'one moved tone' : 'two moved tones'}</span>
        <SegmentedControl
          size="xs"
          aria-label="How many tones move"
          value={tones}
          onChange={(value) => setTones(value as '1' | '2')}
          data={['1', '2']}
        />
      </div>
      <ul className={classes['list']}>
        {shown.map((neighbour) => (
          <li key={fretsWord(neighbour.frets)}>
            <NeighbourRow neighbour={neighbour} from={voicing} neck={neck} />
          </li>
        ))}
      </ul>
      {shown.length === 0 && <p className={classes['aside']}>No moved tone makes a chord with a usual name.</p>}
      {shown.length < neighbours.length && (
        <p className={classes['aside']}>
          {shown.length} of {neighbours.length} are listed, the shortest ways first.
        </p>
      )}
    </>
  )
}

function useSymbol(): (chord: Chord) => string {
  const { settings } = useStore($session)
  return (chord) => writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
}

function Chip({ voicing, now }: { readonly voicing: Voicing; readonly now: boolean }) {
  const symbol = useSymbol()(voicing.chord)
  return (
    <Candidate voicing={voicing} label={`${symbol}, ${fretsWord(voicing.frets)}`} now={now} compact>
      {symbol}
    </Candidate>
  )
}

function Joins({
  joins,
  way,
  label,
}: {
  readonly joins: ReturnType<typeof waysToExtend>
  readonly way: 'root-moves' | 'fifth-gives-way'
  readonly label: string
}) {
  const symbolOf = useSymbol()
  const these = joins.filter((join) => join.way === way)
  if (these.length === 0) return null
  return (
    <div>
      <span>{label}</span>
      <div className={classes['row']}>
        {these.map(({ extension, change, rubs }) => (
          <Candidate
            key={extension}
            voicing={change.voicing}
            label={`${degreeSign(extension)}: ${symbolOf(change.voicing.chord)}, ${fretsWord(change.voicing.frets)}${rubWords(rubs)}`}
            compact
          >
            {degreeSign(extension)}
            {rubs.length > 0 && <small>{rubWords(rubs)}</small>}
          </Candidate>
        ))}
      </div>
    </div>
  )
}

const rubWords = (rubs: readonly Degree[]): string =>
  rubs.length === 0 ? '' : `, rubs with the ${rubs.map(degreeSign).join(' and ')}`

const directionWords = ({ by, string }: ToneMove, strings: number): string => {
  const frets = Math.abs(by) === 1 ? '' : ` ${Math.abs(by) === 2 ? 'two' : 'three'}`
  return `${by > 0 ? 'up' : 'down'}${frets}, string ${strings - string}`
}

function NeighbourRow({
  neighbour,
  from,
  neck,
}: {
  readonly neighbour: Neighbour
  readonly from: Voicing
  readonly neck: ReturnType<typeof neckIn>
}) {
  const symbolOf = useSymbol()
  const { name, moves, otherNames } = neighbour
  const strings = from.frets.length
  // The bass is told only when it is another one than now.
  const sameBass = name.role === 'inversion' && from.inversion !== null && from.inversion !== 0
  const chord: Chord = sameBass ? { root: name.chord.root, formula: name.chord.formula } : name.chord
  const symbol = symbolOf(chord)
  const voicing = voicingOf(name.chord, neighbour.frets, neck)
  if (!voicing) return null
  const sameRoot = pitchClassOf(name.chord.root) === pitchClassOf(from.chord.root)
  const told = moves.map((move) => `${degreeName(move.fromDegree)} ${directionWords(move, strings)}`).join('; ')
  return (
    <Candidate
      voicing={voicing}
      label={`${symbol}: ${told}${otherNames[0] ? `; also ${symbolOf(otherNames[0].chord)}` : ''}`}
    >
      <b>{symbol}</b>
      <span>{told}</span>
      <i>
        {sameRoot
          ? moves.map((move) => `${degreeSign(move.fromDegree)}→${degreeSign(move.toDegree)}`).join(' ')
          : otherNames[0]
            ? `or ${symbolOf(otherNames[0].chord)}`
            : ''}
      </i>
    </Candidate>
  )
}
