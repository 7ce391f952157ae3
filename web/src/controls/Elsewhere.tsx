/** Behind what is wrong with a line: the views that can read it, and lines that could be meant, to be pressed. */
import { useStore } from '@nanostores/react'
import { useMemo } from 'react'
import type { Typed } from '../state/asked.ts'
import { type LineView, readingsElsewhere } from '../state/elsewhere.ts'
import { $player } from '../state/session.ts'
import { $finished } from './leaving.ts'
import sentence from './sentence.module.css'

export interface ElsewhereProps {
  readonly typed: Typed
  readonly here: LineView
  /** Types a line that could be meant. */
  readonly take?: (line: string) => void
}

export function Elsewhere({ typed: { line, problem }, here, take }: ElsewhereProps) {
  const player = useStore($player)
  const ways = useMemo(
    () => (problem === undefined ? [] : readingsElsewhere(line, here, player)),
    [line, problem, here, player],
  )
  return (
    <>
      {take &&
        problem?.choices?.map((choice) => (
          <button
            key={choice}
            type="button"
            className={sentence['way']}
            // Before the field loses the focus and with it the line.
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => {
              take(choice)
              $finished.set(false)
            }}
          >
            {choice}
          </button>
        ))}
      {ways.map(({ view, href }) => (
        <a key={view} className={sentence['way']} href={href} onMouseDown={(event) => event.preventDefault()}>
          read it in {view}
        </a>
      ))}
    </>
  )
}
