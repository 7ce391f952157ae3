/** What a tuning gives in a key: the open strings over each chord, shapes that leave strings ringing, where roots lie. */
import { Chip, NativeSelect } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { readKey, triadsOf } from '@nestling/core/key'
import { droneShapes, dronesOver } from '@nestling/core/near'
import { fretsOfNote, neckOf, stringIndex, type Tuning } from '@nestling/core/neck'
import { writeNote } from '@nestling/core/pitch'
import { useMemo, useState } from 'react'
import { Heads } from '../../../controls/Heads.tsx'
import { SmallNeck } from '../../../neck/SmallNeck.tsx'
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
  const rows = useMemo(() => {
    const key = readKey(keyName)
    if (!key.ok) return []
    const strings = numbers.map((number) => stringIndex(number, count)).sort((a, b) => a - b)
    return triadsOf(key.value).map((chord) => ({
      chord,
      drones: dronesOver(chord, neck),
      shape: strings.length >= 3 ? droneShapes(chord, strings, neck, hand.stretchMm)[0] : undefined,
      roots: neck.open.map((_, string) => fretsOfNote(neck, string, chord.root)[0]),
    }))
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
          <span className={classes['aside']}>Root, third and fifth on strings; the others ring open</span>
          <Chip.Group multiple value={[...pressed]} onChange={setPressed}>
            <div className={classes['chips']}>
              {Array.from({ length: count }, (_, index) => count - index).map((number) => (
                <Chip key={number} value={String(number)} size="xs">
                  {number}
                </Chip>
              ))}
            </div>
          </Chip.Group>
          {numbers.length < 3 && <p className={classes['aside']}>Choose three strings or more.</p>}
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
          {rows.map(({ chord, drones, shape, roots }) => (
            <tr key={chord.root}>
              <td>
                <strong>{symbolOf(chord)}</strong>
              </td>
              <td>
                {roots.map((fret) => fret ?? '–').join(' ')} <small>({writeNote(chord.root, settings.naming)})</small>
              </td>
              <td>
                {drones
                  .map((drone) => (drone.belongs ? degreeSign(drone.degree) : `+${degreeSign(drone.degree)}`))
                  .join(' ')}
              </td>
              <td>
                {shape ? (
                  <SmallNeck frets={shape.frets} degrees={shape.name.degrees} width={130} />
                ) : (
                  'none within your reach'
                )}
              </td>
              <td>{shape ? `${symbolOf(shape.name.chord)} · ${fretsWord(shape.frets)}` : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={classes['aside']}>A plus marks what an open string adds to the chord.</p>
    </section>
  )
}
