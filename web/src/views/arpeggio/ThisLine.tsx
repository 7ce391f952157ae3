/** The line in words: its tones with their fingers, where the hand moves, how far it opens, other ways to play it. */
import { useStore } from '@nanostores/react'
import { reachVerdict } from '@nestling/core/hand'
import { writeNote } from '@nestling/core/pitch'
import type { Frets } from '@nestling/core/voicing'
import { Heads } from '../../controls/Heads.tsx'
import { $session } from '../../state/session.ts'
import { cutWords, REACH_WORDS } from '../../words/arpeggio.ts'
import { degreeSign } from '../../words/degrees.ts'
import { counted, fretsWord } from '../../words/shapes.ts'
import classes from './ArpeggioView.module.css'
import { onString } from './plan.ts'
import type { ArpeggioState } from './useArpeggio.ts'
import { buildHref, toTray } from './voicingInside.ts'

export function ThisLine({ state, voicing }: { readonly state: ArpeggioState; readonly voicing: Frets | undefined }) {
  const { settings } = useStore($session)
  const { line, plan, player, change } = state
  const { arpeggio, notes, neck } = line
  const strings = neck.open.length
  const { cost } = arpeggio.lines[plan.line] ?? arpeggio
  const verdict = reachVerdict(player.hand, arpeggio.widestMm)
  if (notes.length === 0)
    return (
      <p className={classes['aside']}>
        Nothing lies here: {arpeggio.cut ? cutWords(arpeggio.cut, strings) : 'no tone of the chord is in reach'}. Take
        another position or another string.
      </p>
    )
  return (
    <>
      <p data-testid="line-facts">
        {counted(notes.length, 'tone')} · {cost.shifts === 0 ? 'the hand stays' : counted(cost.shifts, 'shift')} ·{' '}
        {cost.stretches === 0 ? 'no stretch' : counted(cost.stretches, 'stretch', 'stretches')} · opens{' '}
        {Math.round(arpeggio.widestMm)} mm
        {/* Not called easy beside stretched fingers. */}
        {cost.stretches > 0 && verdict === 'comfortable' ? '' : `, ${REACH_WORDS[verdict]}`}
      </p>
      {voicing && (
        <p>
          Ringed inside it: <strong>{fretsWord(voicing)}</strong> ·{' '}
          <a href={buildHref(state, voicing)}>open in Build</a> ·{' '}
          <button type="button" className={classes['quiet']} onClick={() => void toTray(state, voicing)}>
            to the tray
          </button>
        </p>
      )}
      {arpeggio.cut && <p className={classes['aside']}>{cutWords(arpeggio.cut, strings)}.</p>}
      {verdict !== 'comfortable' && (
        <p className={classes['aside']}>
          Tones come one by one, so the hand may turn instead of spreading. Stop at pain, tingling or numbness, and see
          a physician if it lasts.
        </p>
      )}
      {arpeggio.lines.length > 1 && (
        <label className={classes['choice']}>
          Fingering{' '}
          <select
            className="plain-field"
            aria-label="Fingering"
            value={plan.line}
            onChange={(event) => change({ line: Number(event.currentTarget.value) })}
          >
            {arpeggio.lines.map((one, index) => (
              <option key={one.notes.map(({ string }) => string).join()} value={index}>
                {index === 0 ? 'easiest' : `other ${index}`}: strings{' '}
                {stringsWord(one.notes.map(({ string }) => strings - string))}, {counted(one.cost.shifts, 'shift')}
              </option>
            ))}
          </select>
        </label>
      )}
      <table className={classes['table']}>
        <Heads of={['tone', 'note', 'string', 'fret', 'finger', 'also']} />
        <tbody>
          {notes.map((note, index) => {
            const other = arpeggio.others.find(({ midi, string }) => midi === note.midi && string !== note.string)
            const moved = index > 0 && notes[index - 1]?.handAt !== note.handAt
            return (
              <tr key={note.midi} data-selected={state.selected === index || undefined}>
                <td>
                  <button
                    type="button"
                    className={classes['quiet']}
                    onClick={() => state.select(index)}
                    aria-label={`Hear the ${degreeSign(note.degree)}, ${writeNote(note.note, settings.naming)}`}
                  >
                    {degreeSign(note.degree)}
                  </button>
                </td>
                <td>{writeNote(note.note, settings.naming)}</td>
                <td>{strings - note.string}</td>
                <td>{note.fret === 0 ? 'open' : note.fret}</td>
                <td>
                  {note.finger ?? '–'}
                  {note.stretched && <small> stretched</small>}
                  {moved && <small> hand to {note.handAt}</small>}
                </td>
                <td>
                  {other && (
                    <button type="button" className={classes['quiet']} onClick={() => change(onString(plan, other))}>
                      string {strings - other.string}, fret {other.fret}
                    </button>
                  )}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
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
