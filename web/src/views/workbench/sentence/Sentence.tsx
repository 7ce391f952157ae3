/** The sentence: one sentence in which every word is a control, and the field to type it. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { withSigns } from '@nestling/core/pitch'
import { DEFAULT_FRET_MAX } from '@nestling/core/request'
import { EnsembleWord } from '../../../controls/EnsembleWord.tsx'
import { FittedSentence } from '../../../controls/FittedSentence.tsx'
import sentence from '../../../controls/sentence.module.css'
import { $session } from '../../../state/session.ts'
import { asked, type WorkbenchState } from '../../../state/workbench/index.ts'
import { Acts } from '../Acts.tsx'
import { CountedWord } from './CountedWord.tsx'
import { MoreWishes } from './MoreWishes.tsx'
import classes from './Sentence.module.css'
import { LINE_INPUT_ID } from './TypedLine.tsx'

export function Sentence({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const { question, player } = state
  const word = { question, player, naming: settings.naming }
  const isPlaced = question.fretMin > 1 || question.fretMax < DEFAULT_FRET_MAX
  return (
    <section aria-label="Build line" className={classes['area']}>
      <FittedSentence>
        <ChordWord state={state} /> <CountedWord field="manner" label="Manner" {...word} /> <EnsembleWord /> as{' '}
        <CountedWord field="arrangement" label="Arrangement" {...word} /> on{' '}
        <CountedWord field="strings" label="String set" {...word} />,{' '}
        <CountedWord field="bass" label="Bass tone" {...word} /> in the bass
        {question.top !== undefined && (
          <>
            , <CountedWord field="top" label="Top tone" {...word} /> on top
          </>
        )}
        {isPlaced && (
          <>
            , <CountedWord field="place" label="Place on the neck" {...word} />
          </>
        )}
        {question.doubling !== undefined && (
          <>
            , <CountedWord field="doubling" label="Doubling" {...word} />
          </>
        )}
        {question.omit !== undefined && (
          <>
            , leaving out <CountedWord field="omit" label="Leaving out" {...word} />
          </>
        )}
        , in <CountedWord field="tuning" label="Tuning" {...word} />
        {question.open !== 'never' && (
          <>
            {' '}
            with <CountedWord field="open" label="Open strings" {...word} />
          </>
        )}{' '}
        <MoreWishes {...word} />
      </FittedSentence>
      <Acts state={state} />
    </section>
  )
}

/** The chord's name and formula: those of what is in hand, whatever is pointed at or dragged meanwhile. */
function ChordWord({ state }: { readonly state: WorkbenchState }) {
  const { settings } = useStore($session)
  const { chord } = state.question
  const symbol = writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  return (
    <>
      <button
        type="button"
        className={sentence['chord']}
        onClick={() => focusLine(writeSymbol(chord, { ascii: true }))}
        aria-label={`Chord ${symbol}: type another`}
      >
        {symbol}
      </button>
      <button
        type="button"
        className={sentence['formula']}
        onClick={() => focusLine(`${chord.root} ${chord.formula.join(' ')}`)}
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
  // Shown, not read: what is in hand stays until something else is typed.
  asked.showLine({ line: text, problem: undefined })
  input.focus()
  requestAnimationFrame(() => input.select())
}
