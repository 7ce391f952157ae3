/** The build line: one sentence in which every word is a control, and the field to type it. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { withSigns } from '@nestling/core/pitch'
import sentence from '../../../shell/sentence.module.css'
import { $preview, type BuildState, typeLine } from '../../../state/build/index.ts'
import { $session } from '../../../state/session.ts'
import classes from './BuildLine.module.css'
import { LINE_INPUT_ID, LineProblem, TypedLine } from './TypedLine.tsx'
import { Word } from './Word.tsx'

export function BuildLine({ state }: { readonly state: BuildState }) {
  const { settings } = useStore($session)
  const { build, setting } = state
  const word = { build, setting, naming: settings.naming }
  return (
    <section aria-label="Build line" className={classes['area']}>
      <p className={sentence['sentence']}>
        <ChordWord state={state} /> as <Word field="arrangement" label="Arrangement" {...word} /> on{' '}
        <Word field="strings" label="String set" {...word} />, <Word field="bass" label="Bass tone" {...word} /> in the
        bass
        {build.top !== undefined && (
          <>
            , <Word field="top" label="Top tone" {...word} /> on top
          </>
        )}
        , leaving out <Word field="omit" label="Leaving out" {...word} />, in{' '}
        <Word field="tuning" label="Tuning" {...word} />
        {build.open !== 'never' && (
          <>
            {' '}
            with <Word field="open" label="Open strings" {...word} />
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
function ChordWord({ state }: { readonly state: BuildState }) {
  const { settings } = useStore($session)
  const preview = useStore($preview)
  const chord = preview?.chord ?? state.build.chord
  const symbol = writeSymbol(chord, { naming: settings.naming, school: settings.symbols })
  return (
    <>
      <button
        type="button"
        className={`${sentence['chord']} ${preview === undefined ? '' : classes['preview']}`}
        onClick={() => focusLine(writeSymbol(state.build.chord, { ascii: true }))}
        aria-label={`Chord ${symbol}: type another`}
      >
        {symbol}
      </button>
      <button
        type="button"
        className={sentence['formula']}
        onClick={() => focusLine(`${state.build.chord.root} ${state.build.chord.formula.join(' ')}`)}
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
