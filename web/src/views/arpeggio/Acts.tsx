/** The Arpeggio's acts: the same words, keys and places as in every view. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { instrumentFor } from '@nestling/core/request'
import type { Frets } from '@nestling/core/voicing'
import { computed } from 'nanostores'
import { type Act, ActLine } from '../../controls/ActLine.tsx'
import { LineField, LineProblem } from '../../controls/LineField.tsx'
import { ToSheet } from '../../controls/ToSheet.tsx'
import { openKeys } from '../../shell/help.ts'
import { $playing } from '../../sound/transport.ts'
import { $style } from '../../state/session.ts'
import { lineCopied } from '../../words/copied.ts'
import { fretsWord } from '../../words/shapes.ts'
import { type ArpeggioState, CHORD_INPUT_ID, OWNER } from './useArpeggio.ts'
import type { LineEar } from './useEar.ts'
import { buildHref, keep, practiseHref, sheetHref, toTray } from './voicingInside.ts'

const $isMine = computed($playing, ({ owner }) => owner === OWNER)

export interface ActsProps {
  readonly state: ArpeggioState
  readonly ear: LineEar
  readonly voicing: Frets | undefined
}

export function Acts({ state, ear, voicing }: ActsProps) {
  const isPlaying = useStore($isMine)
  const { typed, type, finish, goingOn } = state
  const acts: readonly (readonly Act[])[] = [
    [
      { words: isPlaying ? 'Stop' : 'Play', keyHint: 'Space', isMain: true, run: state.playOrStop },
      {
        words: ear.isBusy ? 'stop listening' : 'let the ear follow',
        keyHint: 'E',
        disabled: !ear.canListen,
        run: ear.listenOrStop,
      },
    ],
    [
      { words: 'Practise', keyHint: 'R', href: practiseHref(state) },
      // With a voicing inside it is one of the ways to keep.
      ...(voicing === undefined ? [{ words: 'To a sheet', keyHint: 'W', href: sheetHref(state) }] : []),
    ],
    voicing === undefined
      ? []
      : [
          { words: 'Add to tray', keyHint: 'T', run: () => void toTray(state, voicing) },
          {
            words: 'Save to Book',
            keyHint: 'K',
            run: () => void keep(state, voicing),
            menu: { label: 'More ways to save', items: <ToSheet href={sheetHref(state)} /> },
          },
          { words: `Build ${fretsWord(voicing)}`, keyHint: 'Enter', href: buildHref(state, voicing) },
        ],
  ]
  const { plan, line } = state
  const copied = () => {
    const style = $style.get()
    const played = line.order.flatMap((index) => line.notes[index] ?? [])
    return lineCopied(
      writeSymbol(plan.chord, style),
      played,
      instrumentFor(plan, state.player).tuning.strings,
      style.naming,
    )
  }
  return (
    <ActLine
      field={
        <LineField id={CHORD_INPUT_ID} typed={typed} type={type} finish={finish} goingOn={goingOn} label="Chord" />
      }
      problem={typed.problem && <LineProblem id={CHORD_INPUT_ID} typed={typed} here="Arpeggio" type={type} />}
      acts={acts.filter((group) => group.length > 0)}
      past={state}
      undo={state.undo}
      redo={state.redo}
      openKeys={openKeys}
      copied={copied}
    />
  )
}
