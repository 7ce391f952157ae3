/** The line that is typed in the Arpeggio: a chord, the fret where the hand is, or the string of the root: `Edim7 on string 6`. */
import { fretsOfNote, neckOf, stringIndex } from '@nestling/core/neck'
import {
  completeLine,
  DEFAULT_FRET_MAX,
  instrumentFor,
  type Player,
  type Question,
  readTypedLine,
} from '@nestling/core/request'
import { linesGoingOn } from '@nestling/core/result'
import { lowestPressed } from '@nestling/core/voicing'
import type { TypedRead } from '../../state/asked.ts'
import { settled } from './plan.ts'
import type { Plan } from './types.ts'

/** The hand goes where the root lies on that string. */
const ROOT_STRING = /\s+(?:(?:with\s+)?(?:the\s+)?root\s+)?on\s+(?:the\s+)?string\s+(\d+)\s*$/i

/** What a typed line starts from: the chord of the plan, on its neck. */
const questionOf = ({ chord, tuning }: Plan): Question => ({
  chord,
  tuning,
  arrangement: { kind: 'any' },
  open: 'never',
  fretMin: 1,
  fretMax: DEFAULT_FRET_MAX,
})

export function readArpeggioLine(written: string, player: Player, before: Plan): TypedRead<Plan> {
  const onString = ROOT_STRING.exec(written)
  const read = readTypedLine(onString ? written.slice(0, onString.index) : written, player, questionOf(before))
  if (!read.ok) return read
  if (read.value.shapes) return { ok: false, error: { code: 'shapes_elsewhere', at: 0, text: written.trim() } }
  const { question, frets } = read.value
  if (!frets && wishesAShape(question))
    return { ok: false, error: { code: 'shape_wish_elsewhere', at: 0, text: written.trim() } }
  const { chord, tuning, fretMin } = question
  const at = frets ? lowestPressed(frets) || before.at : fretMin > 1 ? fretMin : before.at
  if (!onString) return { ok: true, value: settled(before, { chord, tuning, at, shape: frets }) }
  const neck = neckOf(instrumentFor({ tuning }, player))
  const [strings, string] = [neck.open.length, Number(onString[1])]
  if (string < 1 || string > strings)
    return {
      ok: false,
      error: { code: 'lane_string', at: written.search(/\d+\s*$/), text: String(string), strings },
    }
  const [root] = fretsOfNote(neck, stringIndex(string, strings), chord.root).filter((fret) => fret > 0)
  return { ok: true, value: settled(before, { chord, tuning, at: root ?? at, shape: undefined }) }
}

/** How a shape is held says nothing of its tones one by one. */
const wishesAShape = ({ arrangement, strings, top, omit, open, span }: Question): boolean =>
  arrangement.kind !== 'any' ||
  strings !== undefined ||
  top !== undefined ||
  omit !== undefined ||
  open !== 'never' ||
  span !== undefined

/** Lines that begin as `text` does and can be read here; at most eight. */
export function completeArpeggioLine(text: string, player: Player, before: Plan): readonly string[] {
  const isLine = (line: string) => readArpeggioLine(line, player, before).ok
  if (!/\S\s/.test(text)) return completeLine(text, player, questionOf(before)).filter(isLine)
  const onStrings = [6, 5, 4].map((string) => `on string ${string}`)
  return linesGoingOn(text, [['fret 3', 'fret 5', 'fret 7', 'fret 9'], onStrings], isLine)
}
