/** Build's field to type anything in, with the number of shapes that each way on would give. */
import { useStore } from '@nanostores/react'
import { completeLine } from '@nestling/core/request'
import { memo } from 'react'
import { LineField, LineProblem } from '../../../controls/LineField.tsx'
import {
  $workbench,
  $writtenShapes,
  asked,
  countLines,
  finishLine,
  takeLine,
  typeLine,
} from '../../../state/workbench/index.ts'
import { writtenToTray } from '../keeping.ts'

export const LINE_INPUT_ID = 'build-line-input'

export const TypedLine = memo(function TypedLine() {
  const typed = useStore(asked.$typed)
  return (
    <LineField
      id={LINE_INPUT_ID}
      typed={typed}
      type={typeLine}
      finish={finishLine}
      take={takeLine}
      goingOn={goingOn}
      count={count}
      label="Type a chord and how to build it"
      placeholder="Ebmaj9 drop2 5432, x3545x, …"
      onEnter={shapesToTray}
    />
  )
})

function goingOn(line: string): readonly string[] {
  const state = $workbench.get()
  return state ? completeLine(line, state.player, state.question) : []
}

function count(lines: readonly string[], tell: Parameters<typeof countLines>[2]) {
  const state = $workbench.get()
  return state && countLines(lines, state, tell)
}

function shapesToTray() {
  if ($writtenShapes.get().length > 0) void writtenToTray()
}

/** What is wrong, with the place marked in what was typed. */
export const BuildLineProblem = memo(function BuildLineProblem() {
  const typed = useStore(asked.$typed)
  return <LineProblem id={LINE_INPUT_ID} typed={typed} here="Build" type={typeLine} />
})
