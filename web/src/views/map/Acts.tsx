/** The Map's acts, about the place that is in hand: the same words, keys and places as in every view. */
import { Menu } from '@mantine/core'
import { useMemo } from 'react'
import type { Act } from '../../controls/ActLine.tsx'
import { ActLine } from '../../controls/ActLine.tsx'
import { LineField, LineProblem } from '../../controls/LineField.tsx'
import { ToSheet } from '../../controls/ToSheet.tsx'
import { openKeys } from '../../shell/help.ts'
import { toArpeggio, toBuild, toPractice } from '../../state/links.ts'
import { $style } from '../../state/session.ts'
import { shapesCopied } from '../../words/copied.ts'
import { before, collect, hear, hearBoth, keep, laneToTray, shapeOf, sheetHref } from './collect.ts'
import { CHORD_INPUT_ID } from './keys.ts'
import type { MapState, ShownMap } from './useMap.ts'

export function Acts({ state, shown }: { readonly state: MapState; readonly shown: ShownMap | undefined }) {
  const { typed, type, finish, goingOn } = state
  const acts = useMemo(() => actsOf(shown), [shown])
  const place = shown?.chosen
  const copied = useMemo(
    () => (shown && place ? () => shapesCopied([shapeOf(place.frets, shown)], $style.get()) : undefined),
    [shown, place],
  )
  return (
    <ActLine
      field={
        <LineField id={CHORD_INPUT_ID} typed={typed} type={type} finish={finish} goingOn={goingOn} label="Chord" />
      }
      problem={typed.problem && <LineProblem id={CHORD_INPUT_ID} typed={typed} here="Map" type={type} />}
      acts={acts}
      past={state}
      undo={state.undo}
      redo={state.redo}
      openKeys={openKeys}
      copied={copied}
    />
  )
}

function actsOf(shown: ShownMap | undefined): readonly (readonly Act[])[] {
  const place = shown?.chosen
  if (!shown || !place) return []
  const shape = shapeOf(place.frets, shown)
  return [
    [
      { words: 'Play', keyHint: 'Space', isMain: true, run: () => hear(place.frets, shown) },
      ...(before(place) ? [{ words: 'before, after', keyHint: 'A', run: () => hearBoth(place, shown) }] : []),
    ],
    [
      {
        words: 'Add to tray',
        keyHint: 'T',
        run: () => collect([shape]),
        menu: {
          label: 'More for the tray',
          items: <Menu.Item onClick={() => laneToTray(shown)}>The whole lane (⇧ T)</Menu.Item>,
        },
      },
      {
        words: 'Save to Book',
        keyHint: 'K',
        run: () => void keep(place, shown),
        menu: { label: 'More ways to save', items: <ToSheet href={sheetHref(shown)} /> },
      },
      { words: 'Build', keyHint: 'Enter', href: toBuild(shape, shown.player) },
      { words: 'Arpeggio', href: toArpeggio(shape, shown.player) },
      { words: 'Practise', keyHint: 'R', href: toPractice([shape], shown.player) },
    ],
  ]
}
