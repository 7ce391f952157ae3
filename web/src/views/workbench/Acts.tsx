/** Build's acts: hear it, compare it, collect it, take it to another view. */
import { Menu } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { memo, useMemo } from 'react'
import { type Act, ActLine } from '../../controls/ActLine.tsx'
import { ToSheet } from '../../controls/ToSheet.tsx'
import { openKeys } from '../../shell/help.ts'
import { toArpeggio, toPractice } from '../../state/links.ts'
import { $session, $style, changeSettings } from '../../state/session.ts'
import { shapesBlock, toSheet } from '../../state/toSheet.ts'
import { $writtenShapes, asked, redo, shapeInHand, undo, type WorkbenchState } from '../../state/workbench/index.ts'
import { shapesCopied } from '../../words/copied.ts'
import { $withoutFifth, hearBeforeAfter, hearInHand } from './hear.ts'
import { keepInHand, toTray } from './keeping.ts'
import { BuildLineProblem, TypedLine } from './sentence/TypedLine.tsx'
import { WrittenShapes } from './sentence/WrittenShapes.tsx'

export function Acts({ state }: { readonly state: WorkbenchState }) {
  const { problem } = useStore(asked.$typed)
  const past = useStore(asked.$past)
  const shape = shapeInHand(state)
  const arpeggio = shape ? toArpeggio(shape, state.player) : undefined
  const practise = shape ? toPractice([shape], state.player) : undefined
  const sheet = shape ? toSheet(shapesBlock([{ shape }])) : undefined
  const hasFifth = state.question.chord.formula.includes('5')
  const canCompare = past.before?.frets !== undefined
  const acts = useMemo(
    (): readonly (readonly Act[])[] => [
      [
        {
          words: 'Play',
          keyHint: 'Space',
          isMain: true,
          run: () => hearInHand('strum'),
          menu: { label: 'Ways to play it', items: <WaysToHear hasFifth={hasFifth} /> },
        },
        { words: 'before, after', keyHint: 'A', disabled: !canCompare, run: hearBeforeAfter },
      ],
      [
        { words: 'Add to tray', keyHint: 'T', run: () => void toTray() },
        {
          words: 'Save to Book',
          keyHint: 'K',
          run: () => void keepInHand(),
          menu: { label: 'More ways to save', items: <ToSheet href={sheet} /> },
        },
        ...(arpeggio === undefined ? [] : [{ words: 'Arpeggio', href: arpeggio }]),
        ...(practise === undefined ? [] : [{ words: 'Practise', keyHint: 'R', href: practise }]),
      ],
    ],
    [hasFifth, canCompare, arpeggio, practise, sheet],
  )
  const written = useStore($writtenShapes)
  const told = useMemo(() => {
    if (written.length > 0) return <WrittenShapes shapes={written} />
    return problem === undefined ? undefined : <BuildLineProblem />
  }, [problem, written])
  const copied = useMemo(() => (shape ? () => shapesCopied([shape], $style.get()) : undefined), [shape])
  return (
    <ActLine
      copied={copied}
      field={FIELD}
      problem={told}
      acts={acts}
      past={past}
      undo={undo}
      redo={redo}
      openKeys={openKeys}
    />
  )
}

const FIELD = <TypedLine />

const WaysToHear = memo(function WaysToHear({ hasFifth }: { readonly hasFifth: boolean }) {
  const { settings } = useStore($session)
  const withoutFifth = useStore($withoutFifth)
  return (
    <>
      <Menu.Item onClick={() => hearInHand('arpeggio')}>One by one</Menu.Item>
      <Menu.Item onClick={() => hearInHand('together')}>Plucked together</Menu.Item>
      <Menu.Divider />
      <Menu.CheckboxItem
        checked={settings.bassStandIn}
        onChange={() => void changeSettings({ bassStandIn: !settings.bassStandIn })}
      >
        With the bass stand-in
      </Menu.CheckboxItem>
      <Menu.CheckboxItem checked={withoutFifth} disabled={!hasFifth} onChange={() => $withoutFifth.set(!withoutFifth)}>
        Without the fifth
      </Menu.CheckboxItem>
    </>
  )
})
