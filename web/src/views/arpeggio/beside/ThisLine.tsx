/** The line in few words: what the hand does, the voicing inside, what does not fit, other fingerings. */
import { reachVerdict } from '@nestling/core/hand'
import { type Frets, voicingOf } from '@nestling/core/voicing'
import { Word } from '../../../controls/Word.tsx'
import { cutWords, handWords, REACH_WORDS } from '../../../words/arpeggio.ts'
import { counted, fretsWord, toldArrangement } from '../../../words/shapes.ts'
import type { ArpeggioState } from '../useArpeggio.ts'
import classes from './Beside.module.css'

export function ThisLine({ state, voicing }: { readonly state: ArpeggioState; readonly voicing: Frets | undefined }) {
  const { line, plan, player } = state
  const { arpeggio, notes, neck } = line
  const strings = neck.open.length
  const { cost } = arpeggio.lines[plan.line] ?? arpeggio
  const verdict = reachVerdict(player.hand, arpeggio.widestMm)
  const inside = voicing && voicingOf(plan.chord, voicing, neck)
  return (
    <section aria-label="This line" className={classes['section']}>
      <h2 className={classes['title']}>
        This line
        {arpeggio.lines.length > 1 && <Fingerings state={state} />}
      </h2>
      {notes.length === 0 ? (
        <p className={classes['aside']}>
          Nothing lies here: {arpeggio.cut ? cutWords(arpeggio.cut, strings) : 'no tone of the chord is in reach'}. Take
          another position or another string.
        </p>
      ) : (
        <dl className={classes['rows']}>
          <dt>hand</dt>
          <dd data-testid="line-facts">
            {handWords(notes)} · {Math.round(arpeggio.widestMm)} mm
            {/* Not called easy beside stretched fingers. */}
            {cost.stretches > 0 && verdict === 'comfortable' ? '' : `, ${REACH_WORDS[verdict]}`}
            {verdict !== 'comfortable' && (
              <small>
                Tones come one by one, so the hand may turn instead of spreading. Stop at pain, tingling or numbness,
                and see a physician if it lasts.
              </small>
            )}
          </dd>
          {voicing && (
            <>
              <dt>inside</dt>
              <dd>
                ringed: <strong>{fretsWord(voicing)}</strong>
                {inside && `, ${toldArrangement(inside.arrangement)}`}
              </dd>
            </>
          )}
          {arpeggio.cut && (
            <>
              <dt>ends</dt>
              <dd>{cutWords(arpeggio.cut, strings)}</dd>
            </>
          )}
        </dl>
      )}
    </section>
  )
}

/** The easiest of several; the others by their strings. */
function Fingerings({ state: { line, plan, change } }: { readonly state: ArpeggioState }) {
  const { lines } = line.arpeggio
  const strings = line.neck.open.length
  const words = (index: number) => {
    const one = lines[index]
    if (!one) return ''
    const on = stringsWord(one.notes.map(({ string }) => strings - string))
    return `${index === 0 ? 'the easiest' : 'another'}: strings ${on}, ${counted(one.cost.shifts, 'shift')}`
  }
  const useChoices = () => lines.map((_, index) => ({ value: index, words: words(index), now: index === plan.line }))
  return (
    <span className={classes['fingerings']}>
      fingers{' '}
      <Word
        label="Fingering"
        now={plan.line === 0 ? `easiest of ${lines.length}` : `${plan.line + 1} of ${lines.length}`}
        useChoices={useChoices}
        take={(next) => change({ line: next })}
        step={(by) => {
          const next = plan.line + by
          if (lines[next]) change({ line: next })
        }}
      />
    </span>
  )
}

/** "6×2 5×3": string numbers in order, each with how many tones it has. */
function stringsWord(numbers: readonly number[]): string {
  const counts: [number, number][] = []
  for (const number of numbers) {
    const last = counts.at(-1)
    if (last?.[0] === number) last[1]++
    else counts.push([number, 1])
  }
  return counts.map(([number, count]) => (count === 1 ? `${number}` : `${number}×${count}`)).join(' ')
}
