/** The address holds the whole state, in letters: it opens as it was, can be linked, and Back and forward work. */
import { neckOf } from '@nestling/core/neck'
import {
  instrumentFor,
  type Player,
  QUESTION_FIELDS,
  type QuestionField,
  type QuestionTexts,
  questionOfShape,
  readWhatCanBe,
  writeQuestion,
} from '@nestling/core/request'
import { readFingers, type Shape, writeFingers } from '@nestling/core/shape'
import { readFrets, writeFrets } from '@nestling/core/voicing'
import { messageOf } from '../../words/errors.ts'
import type { Typed } from '../asked.ts'
import type { Step, WorkbenchState } from './types.ts'

/** The question's own fields, and the shape in hand with its fingers. */
export interface Address {
  readonly texts: QuestionTexts
  readonly shape: string | undefined
  readonly fingers: string | undefined
  /** The player has said what the shape is: its name stays over what is changed. */
  readonly stated?: boolean
}

const FIRST: QuestionTexts = { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432' }

export const questionTextsIn = (query: URLSearchParams): QuestionTexts =>
  Object.fromEntries(
    (Object.keys(QUESTION_FIELDS) as QuestionField[]).flatMap((field) => {
      const text = query.get(field)
      return text === null ? [] : [[field, text]]
    }),
  )

export const readAddress = (query: URLSearchParams): Address => ({
  texts: questionTextsIn(query),
  shape: query.get('shape') ?? undefined,
  fingers: query.get('fingers') ?? undefined,
  stated: query.get('stated') === '1',
})

/** The state that an address means; what can't be read of it is told, and the rest still opens. */
export function stepFrom(
  { texts, shape, fingers, stated = false }: Address,
  player: Player,
): { readonly step: Step; readonly typed: Typed } {
  const own = player.instrument.tuning.strings.length
  const asked = texts.chord === undefined ? { ...FIRST, ...(own < 5 ? { strings: '4321' } : {}) } : texts
  const { question, error } = readWhatCanBe(asked, player, 'C')
  const instrument = instrumentFor(question, player)
  const frets = shape === undefined ? undefined : readFrets(shape, instrument.tuning.strings.length)
  const { lastFret } = neckOf(instrument)
  const inHand = frets?.ok && frets.value.every((fret) => fret === null || fret <= lastFret) ? frets.value : undefined
  const chosen = inHand && fingers !== undefined ? readFingers(fingers, inHand) : undefined
  return {
    step: {
      question,
      frets: inHand,
      fingers: chosen?.ok ? chosen.value : undefined,
      byHand: inHand !== undefined,
      stated: stated && inHand !== undefined,
      isUnasked: texts.chord === undefined,
    },
    typed: {
      line: error === undefined ? '' : (asked[error.field as QuestionField] ?? ''),
      problem: error && { message: messageOf(error), at: error.at },
    },
  }
}

function addressWith(
  texts: QuestionTexts,
  { frets, fingers, stated }: Partial<Pick<Step, 'frets' | 'fingers' | 'stated'>>,
): string {
  const query = new URLSearchParams(texts as Record<string, string>)
  if (frets?.some((fret) => fret !== null)) query.set('shape', writeFrets(frets))
  if (frets && fingers) query.set('fingers', writeFingers(fingers))
  if (frets && stated) query.set('stated', '1')
  return `/?${query.toString().replaceAll('%2C', ',').replaceAll('%2F', '/')}`
}

export const addressOf = ({
  question,
  frets,
  fingers,
  stated,
  player,
}: Pick<WorkbenchState, 'question' | 'frets' | 'fingers' | 'player'> & { readonly stated?: boolean }): string =>
  addressWith(writeQuestion(question, player.instrument.tuning.strings.length), {
    frets,
    fingers,
    ...(stated === undefined ? {} : { stated }),
  })

/** Where a shape opens, from everywhere: under its own question, with its own fingers. */
export const addressOfShape = (shape: Shape, player: Pick<Player, 'instrument'>): string =>
  addressWith(writeQuestion(questionOfShape(shape, player), player.instrument.tuning.strings.length), shape)
