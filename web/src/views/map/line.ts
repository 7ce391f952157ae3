/** The line that is typed in the Map: a chord with wishes, and a tone that joins it: `Ebmaj7 drop2 +9`. */
import { formulaKey, writeSymbol } from '@nestling/core/chord'
import { joiningTones, joiningWays } from '@nestling/core/map'
import { withSigns } from '@nestling/core/pitch'
import { completeLine, type Player, readTypedLine } from '@nestling/core/request'
import type { TypedRead } from '../../state/asked.ts'
import { fretsWord } from '../../words/shapes.ts'
import { type AskedMap, mapQuestion, UNCHANGED } from './address.ts'

const JOINS = /\s\+\s?([b#♭♯]?\d{1,2})\s*$/u

export function readMapLine(written: string, player: Player, before: AskedMap): TypedRead<AskedMap> {
  const joins = JOINS.exec(written)
  const line = joins ? written.slice(0, joins.index) : written
  const read = readTypedLine(line, player, before.question)
  if (!read.ok) return read
  if (read.value.shapes) return { ok: false, error: { code: 'shapes_elsewhere', at: 0, text: line.trim() } }
  const { question, sets } = mapQuestion(read.value.question)
  const { chord, arrangement } = question
  const asked = joins?.[1]?.replace('♭', 'b').replace('♯', '#')
  const extension = joiningTones(chord.formula).find((one) => one === asked)
  const [way] = joiningWays(chord.formula, arrangement)
  if (joins && (extension === undefined || way === undefined))
    return {
      ok: false,
      error: { code: 'cannot_join', at: joins.index + 1, text: joins[1] ?? '', choices: joiningTones(chord.formula) },
    }
  const isSameChord =
    chord.root === before.question.chord.root && formulaKey(chord.formula) === formulaKey(before.question.chord.formula)
  const change =
    extension && way ? ({ kind: 'extend', extension, way } as const) : isSameChord ? before.change : UNCHANGED
  return {
    ok: true,
    value: {
      question,
      change,
      sets: sets === 'all' && isSameChord ? before.sets : sets,
      place: read.value.frets && fretsWord(read.value.frets),
    },
  }
}

/** Lines that begin as `text` does and can be read here; at most eight. */
export const completeMapLine = (text: string, player: Player, before: AskedMap): readonly string[] =>
  completeLine(text, player, before.question).filter((line) => readMapLine(line, player, before).ok)

/** The chord as it stands in the field: as the player would type it; `signs`: as it is read. */
export function writeMapLine(
  { question, change }: AskedMap,
  naming: Player['naming'][number] = 'letters',
  signs = false,
): string {
  const style = naming === 'letters' ? { ascii: !signs } : { naming }
  const joins = change.kind === 'extend' ? ` +${signs ? withSigns(change.extension) : change.extension}` : ''
  return `${writeSymbol(question.chord, style)}${joins}`
}
