/** What a tuning gives in a key: for each step a shape on chosen strings while the others ring or keep still, and what rings in. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { chordScale, readKey, writeKey } from '@nestling/core/key'
import { laneNames, tonesOn, tuningKey } from '@nestling/core/lane'
import { dronesOver } from '@nestling/core/near'
import { type Neck, neckOf, type StringSet, stringIndex, stringNumber, type Tuning } from '@nestling/core/neck'
import { type NoteName, pitchClassOf } from '@nestling/core/pitch'
import { everyStringSet } from '@nestling/core/voicing'
import { useMemo, useState } from 'react'
import { Choice } from '../../../controls/Choice.tsx'
import sentence from '../../../controls/sentence.module.css'
import { SmallNeck } from '../../../neck/SmallNeck.tsx'
import { toKey } from '../../../state/laneLink.ts'
import { $player, $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import { fretsWord } from '../../../words/shapes.ts'
import classes from '../SetupView.module.css'

const KEYS = [
  'C',
  'G',
  'D',
  'A',
  'E',
  'B',
  'F#',
  'Db',
  'Ab',
  'Eb',
  'Bb',
  'F',
  'Am',
  'Em',
  'Bm',
  'F#m',
  'C#m',
  'Gm',
  'Dm',
] as const

/** Two or three strings to press, as string numbers: neighbouring ones first, then those that let others ring between. */
function pressSets(count: number): readonly (readonly number[])[] {
  const isTogether = (set: StringSet) => (set.at(-1) ?? 0) - (set[0] ?? 0) === set.length - 1
  const sets = everyStringSet(count).filter(({ length }) => length === 2 || length === 3)
  return sets
    .toSorted((a, b) => Number(isTogether(b)) - Number(isTogether(a)) || b.length - a.length)
    .map((set) => set.map((string) => stringNumber(string, count)))
}

export function WhatItGives({ tuning }: { readonly tuning: Tuning }) {
  const { settings, instrument } = useStore($session)
  const { hand } = useStore($player)
  const count = tuning.strings.length
  const neck = useMemo(() => neckOf({ ...instrument, tuning, capo: undefined }), [instrument, tuning])
  const own = useMemo(() => tuningKey(neck), [neck])
  const [asked, setAsked] = useState<string | undefined>(undefined)
  const [pressed, setPressed] = useState<string>('5 4 3')
  const [rings, setRings] = useState(true)
  const keyName = asked ?? (own ? writeKey(own, { ascii: true }) : 'D')
  const sets = pressSets(count)
  const strings = (sets.find((set) => set.join(' ') === pressed) ?? sets[0] ?? []).map((number) =>
    stringIndex(number, count),
  )
  const pressedNow = strings.map((string) => stringNumber(string, count)).join(' ')
  const { rows, lane, title } = useMemo(() => {
    const key = readKey(keyName)
    if (!key.ok) return { rows: [], lane: undefined, title: keyName }
    const indices = pressedNow.split(' ').map((number) => stringIndex(Number(number), count))
    const ring = rings ? neck.open.map((_, string) => string).filter((string) => !indices.includes(string)) : []
    const scale = chordScale(key.value, 'triads')
    const made = tonesOn(scale, indices, ring, neck, hand, { fretMax: neck.lastFret })
    return {
      title: writeKey(key.value, { naming: settings.naming }),
      lane: made,
      rows: scale.map(({ chord }, index) => {
        const standing = made?.steps[index]
        const shape = standing?.shape ?? standing?.instead?.shape
        const held = standing?.instead?.chord ?? chord
        const adds = rings
          ? dronesOver(held, neck).filter(({ string, belongs }) => ring.includes(string) && !belongs)
          : []
        return {
          chord,
          held,
          shape,
          name: shape && laneNames(shape.frets, held, neck)[0],
          adds,
          roots: rootsOf(chord.root, neck),
        }
      }),
    }
  }, [keyName, neck, hand, count, pressedNow, rings, settings.naming])
  const symbolOf = (chord: Parameters<typeof writeSymbol>[0]) =>
    writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  return (
    <section aria-label="What it gives" className={classes['block']}>
      <h2>
        What it gives{' '}
        <span className={`${sentence['sentence']} ${classes['word']}`}>
          in{' '}
          <Choice
            label="Key"
            value={keyName}
            otherwise={title}
            options={KEYS.map((key) => [key, key.endsWith('m') ? `${key.slice(0, -1)} minor` : `${key} major`])}
            take={setAsked}
          />
          , fretted on{' '}
          <Choice
            label="Pressed"
            value={pressedNow}
            options={sets.map((set) => [set.join(' '), set.join(' ')])}
            take={setPressed}
          />
          , the others{' '}
          <Choice
            label="The others"
            value={rings}
            options={[
              [true, 'ringing'],
              [false, 'silent'],
            ]}
            take={setRings}
          />
        </span>
      </h2>
      <table className={classes['gives']} aria-label="What it gives, step by step">
        <colgroup>
          <col width="46" />
          <col width="126" />
          <col width="104" />
          <col />
          <col width="92" />
        </colgroup>
        <thead className="heard-only">
          <tr>
            {['chord', 'shape', 'rings as', 'adds', 'roots lie at'].map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ chord, held, shape, name, adds, roots }) => (
            <tr key={chord.root}>
              <th scope="row">{symbolOf(chord)}</th>
              <td>
                {shape ? (
                  <>
                    <SmallNeck frets={shape.frets} degrees={shape.degrees} width={122} row={6} numbered={false} />
                    <span className="heard-only">{fretsWord(shape.frets)}</span>
                  </>
                ) : (
                  <small>none within reach</small>
                )}
              </td>
              <td>
                <b>{name ? symbolOf(name.chord) : ''}</b>
                {held.root === chord.root && held.formula.join() !== chord.formula.join() && <small> instead</small>}
              </td>
              <td>
                <small>
                  {adds.length === 0
                    ? ''
                    : `adds ${[...new Set(adds.map(({ degree }) => degreeSign(degree)))].join(', ')}`}
                </small>
              </td>
              <td>
                <small>{roots}</small>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {lane && (
        <p className={classes['under']}>
          <a className={classes['quiet']} href={toKey(keyName, lane.ask, tuning, count)}>
            this lane in Key
          </a>
        </p>
      )}
    </section>
  )
}

/** Where a root lies: on the strings that ring it, and there again an octave up; otherwise at its lowest fret. */
function rootsOf(root: NoteName, neck: Neck): string {
  const count = neck.open.length
  const places = neck.open.map((midi, string) => ({
    fret: (pitchClassOf(root) - (midi % 12) + 12) % 12,
    number: stringNumber(string, count),
  }))
  const ringing = places.filter(({ fret }) => fret === 0)
  if (ringing.length > 0) return `R 0/12 on ${ringing.map(({ number }) => number).join(' ')}`
  const lowest = places.reduce((best, one) => (one.fret < best.fret ? one : best))
  return `R ${lowest.fret} on ${lowest.number}`
}
