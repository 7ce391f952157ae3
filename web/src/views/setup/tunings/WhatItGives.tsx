/** What a tuning gives in a key: the open strings over each chord, shapes that leave strings ringing, where roots lie. */
import { Chip, NativeSelect } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { chordScale, readKey } from '@nestling/core/key'
import { laneNames, tonesOn } from '@nestling/core/lane'
import { dronesOver } from '@nestling/core/near'
import { fretsOfNote, neckOf, stringIndex, type Tuning } from '@nestling/core/neck'
import { pitchClassOf, writeNote } from '@nestling/core/pitch'
import { useMemo, useState } from 'react'
import { Heads } from '../../../controls/Heads.tsx'
import { SmallNeck } from '../../../neck/SmallNeck.tsx'
import { toKey } from '../../../state/links.ts'
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

export function WhatItGives({ tuning }: { readonly tuning: Tuning }) {
  const { settings, instrument } = useStore($session)
  const { hand } = useStore($player)
  const [keyName, setKeyName] = useState<string>('D')
  const count = tuning.strings.length
  const [pressed, setPressed] = useState<readonly string[]>(['5', '4', '3'])
  const neck = useMemo(() => neckOf({ ...instrument, tuning, capo: undefined }), [instrument, tuning])
  const numbers = pressed.map(Number).filter((number) => number <= count)
  const { rows, lane } = useMemo(() => {
    const key = readKey(keyName)
    if (!key.ok) return { rows: [], lane: undefined }
    const strings = numbers.map((number) => stringIndex(number, count))
    const ring = neck.open.map((_, string) => string).filter((string) => !strings.includes(string))
    const steps = chordScale(key.value, 'triads')
    const made = tonesOn(steps, strings, ring, neck, hand, { fretMax: neck.lastFret })
    return {
      lane: made,
      rows: steps.map(({ chord }, index) => {
        const standing = made?.steps[index]
        const shape = standing?.shape ?? standing?.instead?.shape
        const held = standing?.instead?.chord ?? chord
        return {
          chord,
          drones: dronesOver(chord, neck),
          shape,
          name: shape && laneNames(shape.frets, held, neck)[0],
          roots: neck.open.map((_, string) => fretsOfNote(neck, string, chord.root)[0]),
          ringsRoot: neck.open.map((midi) => midi % 12 === pitchClassOf(chord.root)),
        }
      }),
    }
  }, [keyName, neck, hand, count, numbers.join()])
  const symbolOf = (chord: Parameters<typeof writeSymbol>[0]) =>
    writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  return (
    <section aria-label="What it gives">
      <h2>What it gives</h2>
      <div className={classes['form']}>
        <NativeSelect
          label="In the key of"
          value={keyName}
          onChange={(event) => setKeyName(event.currentTarget.value)}
          data={KEYS.map((key) => ({
            value: key,
            label: key.endsWith('m') ? `${key.slice(0, -1)} minor` : `${key} major`,
          }))}
        />
        <div>
          <span className={classes['aside']}>Root, third and fifth on two or three strings; the others ring open</span>
          <Chip.Group multiple value={[...pressed]} onChange={setPressed}>
            <div className={classes['chips']}>
              {Array.from({ length: count }, (_, index) => count - index).map((number) => (
                <Chip key={number} value={String(number)} size="xs">
                  {number}
                </Chip>
              ))}
            </div>
          </Chip.Group>
          {numbers.length < 2 && <p className={classes['aside']}>Choose two strings or three.</p>}
          {numbers.length > 3 && <p className={classes['aside']}>The three lowest of them are pressed.</p>}
          {lane && <a href={toKey(keyName, lane.ask, tuning, count)}>this lane in Key, to walk and to hear</a>}
        </div>
      </div>
      <table className={classes['table']}>
        <Heads
          of={[
            'chord',
            `root lies at, string ${count} to 1`,
            `open strings are, ${count} to 1`,
            'shape with the others ringing',
            'its name with the drones',
          ]}
        />
        <tbody>
          {rows.map(({ chord, drones, shape, name, roots, ringsRoot }) => (
            <tr key={chord.root}>
              <td>
                <strong>{symbolOf(chord)}</strong>
              </td>
              <td>
                {roots.map((fret, string) => (ringsRoot[string] ? '0/12' : (fret ?? '–'))).join(' ')}{' '}
                <small>({writeNote(chord.root, settings.naming)})</small>
              </td>
              <td>
                {drones
                  .map((drone) => (drone.belongs ? degreeSign(drone.degree) : `+${degreeSign(drone.degree)}`))
                  .join(' ')}
              </td>
              <td>
                {shape ? (
                  <SmallNeck frets={shape.frets} degrees={shape.degrees} width={130} />
                ) : (
                  'none within your reach'
                )}
              </td>
              <td>{shape && name ? `${symbolOf(name.chord)} · ${fretsWord(shape.frets)}` : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={classes['aside']}>A plus marks what an open string adds to the chord.</p>
    </section>
  )
}
