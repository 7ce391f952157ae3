/** The Path's acts: the same words, keys and places as in every view. */
import { Menu } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { computed } from 'nanostores'
import { useMemo } from 'react'
import { type Act, ActLine } from '../../controls/ActLine.tsx'
import { ToSheet } from '../../controls/ToSheet.tsx'
import { openKeys } from '../../shell/help.ts'
import { $playing } from '../../sound/transport.ts'
import { toArpeggio, toBuild } from '../../state/links.ts'
import { $style } from '../../state/session.ts'
import { shapesCopied } from '../../words/copied.ts'
import { ChartField, ChartProblem } from './ChartField.tsx'
import { keep, keepShape, pathShapes, pathToTray, practiseHref, sheetHref, toTray } from './collect.ts'
import { takeOut } from './edits.ts'
import { OWNER } from './look.ts'
import type { PathState } from './usePath.ts'

const $isMine = computed($playing, ({ owner }) => owner === OWNER)

export function Acts({ state, shown }: { readonly state: PathState; readonly shown: PathState }) {
  const isPlaying = useStore($isMine)
  const copied = useMemo(() => () => shapesCopied(pathShapes(shown), $style.get()), [shown])
  const acts = useMemo(() => actsOf(shown, isPlaying), [shown, isPlaying])
  return (
    <ActLine
      field={<ChartField state={state} />}
      problem={state.problems.length > 0 ? <ChartProblem state={state} /> : undefined}
      acts={acts}
      past={state}
      undo={state.undo}
      redo={state.redo}
      openKeys={openKeys}
      copied={copied}
    />
  )
}

function actsOf(state: PathState, isPlaying: boolean): readonly (readonly Act[])[] {
  const { shape, player, plan } = state
  const isHeld = plan.held.some(({ chord }) => chord === plan.chosen)
  return [
    [
      { words: isPlaying ? 'Stop' : 'Play', keyHint: 'Space', isMain: true, run: state.playAll },
      { words: 'this step', keyHint: 'A', run: state.hearStep },
    ],
    [
      {
        words: isHeld ? 'Let go' : 'Hold',
        keyHint: 'H',
        run: state.hold,
        menu: {
          label: 'More of this chord',
          items: <Menu.Item onClick={() => takeOut(state)}>Remove it (Del)</Menu.Item>,
        },
      },
    ],
    [
      {
        words: 'Add to tray',
        keyHint: 'T',
        run: () => toTray(state),
        menu: {
          label: 'More for the tray',
          items: <Menu.Item onClick={() => pathToTray(state)}>The whole path (⇧ T)</Menu.Item>,
        },
      },
      {
        words: 'Save to Book',
        keyHint: 'K',
        run: () => keep(state),
        menu: {
          label: 'More ways to save',
          items: (
            <>
              <Menu.Item onClick={() => keepShape(state)}>This shape alone</Menu.Item>
              <ToSheet href={sheetHref(state)} />
            </>
          ),
        },
      },
      ...(shape
        ? [
            { words: 'Build', href: toBuild(shape, player) },
            { words: 'Arpeggio', href: toArpeggio(shape, player) },
            { words: 'Practise', keyHint: 'R', href: practiseHref(state) },
          ]
        : []),
    ],
  ]
}
