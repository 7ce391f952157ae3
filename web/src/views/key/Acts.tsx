/** The Key's acts: the same words, keys and places as in every view. */
import { Menu } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { computed } from 'nanostores'
import { useMemo } from 'react'
import { type Act, ActLine } from '../../controls/ActLine.tsx'
import { LineField, LineProblem } from '../../controls/LineField.tsx'
import { ToSheet } from '../../controls/ToSheet.tsx'
import { openKeys } from '../../shell/help.ts'
import { $playing } from '../../sound/transport.ts'
import { toArpeggio, toBuild, toMap } from '../../state/links.ts'
import { $style } from '../../state/session.ts'
import { shapesCopied } from '../../words/copied.ts'
import { keep, laneShapes, laneToTray, practiseHref, sheetHref, toTray } from './collect.ts'
import { KEY_INPUT_ID, type KeyState, OWNER } from './useKey.ts'

const $isMine = computed($playing, ({ owner }) => owner === OWNER)

export interface ActsProps {
  readonly state: KeyState
  /** What is drawn: acts are about that. */
  readonly shown: KeyState
  readonly openSheet: () => void
}

export function Acts({ state, shown, openSheet }: ActsProps) {
  const isPlaying = useStore($isMine)
  const { typed, type, finish, goingOn } = state
  const copied = useMemo(() => () => shapesCopied(laneShapes(shown), $style.get()), [shown])
  const acts = useMemo(() => actsOf(shown, isPlaying, openSheet), [shown, isPlaying, openSheet])
  return (
    <ActLine
      field={<LineField id={KEY_INPUT_ID} typed={typed} type={type} finish={finish} goingOn={goingOn} label="Key" />}
      problem={typed.problem && <LineProblem id={KEY_INPUT_ID} typed={typed} here="Key" type={type} />}
      acts={acts}
      past={state}
      undo={state.undo}
      redo={state.redo}
      openKeys={openKeys}
      copied={copied}
    />
  )
}

function actsOf(state: KeyState, isPlaying: boolean, openSheet: () => void): readonly (readonly Act[])[] {
  const { shape, player } = state
  return [
    [
      { words: 'Play', keyHint: 'Space', isMain: true, run: state.hearChosen },
      { words: isPlaying ? 'Stop' : 'the lane', keyHint: '⇧ Space', run: state.playLane },
    ],
    [
      {
        words: 'Add to tray',
        keyHint: 'T',
        run: () => toTray(state),
        menu: {
          label: 'More for the tray',
          items: <Menu.Item onClick={() => laneToTray(state)}>The whole lane (⇧ T)</Menu.Item>,
        },
      },
      {
        words: 'Save to Book',
        keyHint: 'K',
        run: () => keep(state),
        menu: { label: 'More ways to save', items: <ToSheet href={sheetHref(state)} /> },
      },
      ...(shape
        ? [
            { words: 'Build', href: toBuild(shape, player) },
            { words: 'Map', href: toMap(shape, player) },
            { words: 'Arpeggio', href: toArpeggio(shape, player) },
            { words: 'Practise', keyHint: 'R', href: practiseHref(state) },
          ]
        : []),
    ],
    [{ words: 'Sheet', run: openSheet }],
  ]
}
