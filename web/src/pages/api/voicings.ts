import { answerTo } from '@nestling/core/answer'
import { writeSymbol } from '@nestling/core/chord'
import { midiOf, readPitch } from '@nestling/core/pitch'
import { type Playing, type Question, type QuestionTexts, readQuestion } from '@nestling/core/request'
import { type Ensemble, type Manner, openStringsIn, usualManner } from '@nestling/core/taste'
import { writeArrangement, writeFrets } from '@nestling/core/voicing'
import { VoicingsQuery } from '../../contracts/queries.ts'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { reasonWords } from '../../words/hand.ts'
import { readQuery, refuse, refuseWith } from './_respond.ts'
import { measured } from './_shape.ts'
import { tasteTold } from './_taste.ts'
import { onThread, type Work } from './_work.ts'

/** One question must not stop the server for everybody: it ends with what it has, and says so. */
const MOST_STEPS = 20_000_000
const MOST_ROWS = 20_000
/** For the search, and with telling what was found. */
const MOST_MS = { search: 300, all: 450 } as const
const untilOver = (ms: number) => {
  const ends = performance.now() + ms
  return () => performance.now() > ends
}

/** Pitches such as `E4`, as MIDI; a refusal where one is none. */
function readRegister(texts: { [field in 'topPitch' | 'lowest' | 'highest']?: string | undefined }) {
  const midis: { topMidi?: number; lowest?: number; highest?: number } = {}
  for (const [field, to] of [
    ['topPitch', 'topMidi'],
    ['lowest', 'lowest'],
    ['highest', 'highest'],
  ] as const) {
    const text = texts[field]
    if (text === undefined) continue
    const pitch = readPitch(text)
    if (pitch === undefined)
      return refuseWith(field, {
        message: `${text} is not a pitch; expected a note with its octave such as E4 or Bb2`,
        expected: 'a note with its octave such as E4 or Bb2',
      })
    midis[to] = midiOf(pitch)
  }
  return midis
}

/** One of both is enough; the other is what is usual: comping for chords from sevenths up, barre chords for triads; alone. */
function playingAsked(
  { chord, tuning }: Question,
  manner: Manner | undefined,
  ensemble: Ensemble | undefined,
): Playing | undefined {
  if (manner === undefined && ensemble === undefined) return undefined
  return { manner: manner ?? usualManner(chord, tuning === undefined), ensemble: ensemble ?? 'alone' }
}

/** `GET /api/voicings?chord=Ebmaj7&strings=5432&arrangement=drop-2`: every shape that qualifies, in the order of players. */
export const work: Work = (asked) => {
  const { url } = asked
  const query = readQuery(url, VoicingsQuery)
  if (!query.ok) return query.response
  const { limit, topPitch, lowest, highest, manner, ensemble, ...fields } = query.value
  const limits = readRegister({ topPitch, lowest, highest })
  if (limits instanceof Response) return limits
  const { instrument, told: measuredOn } = measured(asked)
  const player = playerOf(DEFAULT_SETTINGS, instrument)
  const open = fields.open ?? (manner && openStringsIn(manner))
  const question = readQuestion({ ...fields, open } as QuestionTexts, player)
  if (!question.ok) return refuse(question.error.field, question.error)
  const { shapes, count, cut } = answerTo(question.value, player, {
    limit,
    register: limits,
    budget: { steps: MOST_STEPS, rows: MOST_ROWS, isOver: untilOver(MOST_MS.search) },
    isOver: untilOver(MOST_MS.all),
    playing: playingAsked(question.value, manner, ensemble),
  })
  const voicings = shapes.map(({ frets, voicing, reachMm, fingering, verdict, names, taste }) => ({
    frets,
    shape: writeFrets(frets),
    degrees: voicing.degrees,
    notes: voicing.notes,
    arrangement:
      voicing.arrangement.name === 'list'
        ? writeArrangement({ kind: 'list', degrees: voicing.arrangement.degrees })
        : voicing.arrangement.name,
    inversion: voicing.inversion,
    reachMm: Math.round(reachMm),
    fingers: fingering?.fingers ?? null,
    effort: fingering ? Math.round(fingering.total * 100) / 100 : null,
    /** Easy, a stretch or beyond the hand, and what decides. */
    hand: { verdict: verdict.kind, why: reasonWords(verdict) },
    names: names.map((name) => writeSymbol(name.chord, { ascii: true })),
    ...(taste && { taste: tasteTold(taste) }),
  }))
  return Response.json({
    count,
    voicings,
    instrument: measuredOn,
    truncated: cut !== undefined,
    ...(cut === undefined ? {} : { cut }),
  })
}

export const GET = onThread('voicings')
