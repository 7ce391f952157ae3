/** The sentence: one sentence in which every word is a control, and the field to type it. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { withSigns } from '@nestling/core/pitch'
import sentence from '../../../controls/sentence.module.css'
import { $session } from '../../../state/session.ts'
import { $preview, typeLine, type WorkbenchState } from '../../../state/workbench/index.ts'
import { CountedWord } from './CountedWord.tsx'
import classes from './Sentence.module.css'
import { LINE_INPUT_ID, LineProblem, TypedLine } from './TypedLine.tsx'

export function Sentence({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const { question, player } = state
  const word = { question, player, naming: settings.naming }
  return (
    <section aria-label="Build line" className={classes['area']}>
      <p className={sentence['sentence']}>
        <ChordWord state={state} /> as <CountedWord field="arrangement" label="Arrangement" {...word} /> on{' '}
        <CountedWord field="strings" label="String set" {...word} />,{' '}
        <CountedWord field="bass" label="Bass tone" {...word} /> in the bass
        {question.top !== undefined && (
          <>
            , <CountedWord field="top" label="Top tone" {...word} /> on top
          </>
        )}
        , leaving out <CountedWord field="omit" label="Leaving out" {...word} />, in{' '}
        <CountedWord field="tuning" label="Tuning" {...word} />
        {question.open !== 'never' && (
          <>
            {' '}
            with <CountedWord field="open" label="Open strings" {...word} />
          </>
        )}
      </p>
      <div className={sentence['typing']}>
        <TypedLine />
        <LineProblem />
      </div>
    </section>
  )
}

/** The chord's name and formula; they follow a tone while it is dragged or a neighbour that is pointed at. */
function ChordWord({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const preview = useStore($preview)
  const chord = preview?.chord ?? state.question.chord
  const symbol = writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  return (
    <>
      <button
        type="button"
        className={`${sentence['chord']} ${preview === undefined ? '' : classes['preview']}`}
        onClick={() => focusLine(writeSymbol(state.question.chord, { ascii: true }))}
        aria-label={`Chord ${symbol}: type another`}
      >
        {symbol}
      </button>
      <button
        type="button"
        className={sentence['formula']}
        onClick={() => focusLine(`${state.question.chord.root} ${state.question.chord.formula.join(' ')}`)}
        aria-label={`Formula ${chord.formula.join(' ')}: type another`}
        data-testid="formula"
      >
        {chord.formula.map(withSigns).join(' ')}
      </button>
    </>
  )
}

function focusLine(text: string) {
  const input = document.getElementById(LINE_INPUT_ID)
  if (!(input instanceof HTMLInputElement)) return
  typeLine(text)
  input.focus()
  requestAnimationFrame(() => input.select())
}
