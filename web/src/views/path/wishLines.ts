/**
 * Lines of the tune's text that say how it is played and not what: `shells 643 or 543`, `open`, `barre frets 5-9`,
 * `rootless 432`. They are read in the language of the other lines, and wishes are all that they change.
 */
import type { OmissionSchool } from '@nestling/core/chord'
import { DEFAULT_FRET_MAX, type Player, type Question, readTypedLine } from '@nestling/core/request'
import type { TuneWishes } from '@nestling/core/tune'

/** Any chord: wishes are read about it, and it is thrown away. */
const ABOUT: Question = {
  chord: { root: 'C', formula: ['R', '3', '5', 'b7', '9'] },
  arrangement: { kind: 'any' },
  open: 'never',
  fretMin: 1,
  fretMax: DEFAULT_FRET_MAX,
}

export interface TuneText {
  /** The text with its lines of wishes blanked, so that places in it hold. */
  readonly chart: string
  readonly wishes: Partial<TuneWishes>
}

export function withoutWishLines(text: string, player: Player): TuneText {
  let wishes: Partial<TuneWishes> = {}
  const chart = text
    .split('\n')
    .map((line) => {
      const said = wishesIn(line, player)
      if (!said) return line
      wishes = { ...wishes, ...said }
      return ' '.repeat(line.length)
    })
    .join('\n')
  return { chart, wishes }
}

/** What one line asks; `undefined` where it is of the tune. */
function wishesIn(line: string, player: Player): Partial<TuneWishes> | undefined {
  // Bars, settings and numbers of a progression are the tune's.
  if (/[|:]/.test(line) || !/[a-z]{3,}|\d{3,}/i.test(line)) return undefined
  // "643 or 543": the same wishes on either.
  const [first = '', ...others] = line.split(/\s+or\s+/i)
  const asked = [first, ...others].map((part) => readTypedLine(part, player, ABOUT))
  const questions = asked.flatMap((read) =>
    read.ok && !read.value.frets && !read.value.shapes && read.value.question.chord === ABOUT.chord
      ? [read.value.question]
      : [],
  )
  const [question] = questions
  if (!question || questions.length < asked.length) return undefined
  const sets = questions.flatMap(({ strings }) => (strings ? [strings] : []))
  const school = schoolOf(question)
  return {
    ...(question.manner ? { manner: question.manner } : {}),
    ...(question.open === 'allow' ? { open: 'allow' } : {}),
    ...(sets.length > 0 ? { strings: sets, voices: sets[0]?.length } : {}),
    ...(school ? { school } : {}),
    ...(question.fretMin !== ABOUT.fretMin || question.fretMax !== ABOUT.fretMax
      ? { fretMin: question.fretMin, fretMax: question.fretMax }
      : {}),
  }
}

function schoolOf({ arrangement, omit }: Question): OmissionSchool | undefined {
  if (arrangement.kind === 'named' && arrangement.name === 'shell') return 'shell'
  if (omit?.includes('R')) return 'drop-root'
  return omit?.includes('5') ? 'drop-fifth' : undefined
}
