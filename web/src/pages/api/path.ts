import { type PlayedChord, playedChart, readChart } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { readKey, writeKey } from '@nestling/core/key'
import { type Instrument, type Neck, neckOf, stringIndex } from '@nestling/core/neck'
import {
  MOST_PATH_CHORDS,
  PATH_WISHES,
  type PathCut,
  type PathFound,
  type PathQuestion,
  type PathShape,
  type PathWay,
  rememberingSolver,
} from '@nestling/core/path'
import { instrumentFor, readOtherTuning } from '@nestling/core/request'
import { requireAt } from '@nestling/core/result'
import { PATH_WEIGHTS } from '@nestling/core/tune'
import { readArrangement, writeFrets } from '@nestling/core/voicing'
import { PathBody } from '../../contracts/path.ts'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { fine, type Read, readHeld, readMelody, wrong } from './_held.ts'
import { readBody, refuse, refuseWith } from './_respond.ts'
import { measured } from './_shape.ts'
import { tasteTold } from './_taste.ts'
import { onThread, type Work } from './_work.ts'

const solve = rememberingSolver()
/** A path of more is that of the first chords that are within, and says so. */
const MOST_MS = 1500

/** `POST /api/path`: the least path through a chart, every term of every chord and step told. */
export const work: Work = async (asked) => {
  const { request } = asked
  const body = await readBody(request, PathBody)
  if (!body.ok) return body.response
  const { instrument, told: measuredOn } = measured(asked)
  const read = questionIn(body.value, instrument)
  if (!read.ok) return read.response
  const { question, chords } = read.value
  const ends = performance.now() + MOST_MS
  const solver = solve(question, () => performance.now() > ends)
  return Response.json({ ...told(solver.best(), chords, solver.cut), instrument: measuredOn })
}

export const POST = onThread('path')

interface Asked {
  readonly question: PathQuestion
  readonly chords: readonly PlayedChord[]
}

function questionIn(body: PathBody, instrument: Instrument): Read<Asked> {
  const player = playerOf(DEFAULT_SETTINGS, instrument)
  const tuning = body.tuning === undefined ? undefined : readOtherTuning(body.tuning, player)
  if (tuning?.ok === false) return wrong(refuse('tuning', tuning.error))
  const neck = neckOf(instrumentFor({ tuning: tuning?.value }, player))
  const key = body.key === undefined ? undefined : readKey(body.key)
  if (key?.ok === false) return wrong(refuse('key', key.error))
  // A key that is given stands before the chart, so that numbers are read in it; places count from the chart's own beginning.
  const head = key?.ok ? `key: ${writeKey(key.value, { ascii: true })}\n` : ''
  const { chart, errors } = readChart(head + body.chart)
  const [error] = errors
  if (error) return wrong(refuse('chart', { ...error, at: error.at - head.length }))
  const { chords } = playedChart(chart)
  if (chords.length === 0 || chords.length > MOST_PATH_CHORDS)
    return wrong(
      refuseWith('chart', {
        message:
          chords.length === 0
            ? 'there are no chords; expected chords in bars'
            : `${chords.length} chords are too many; expected at most ${MOST_PATH_CHORDS}`,
        expected: `1 to ${MOST_PATH_CHORDS} chords`,
      }),
    )
  const strings = readSets(body.strings, neck)
  if (!strings.ok) return strings
  const held = readHeld(body.hold ?? [], chords, neck)
  if (!held.ok) return held
  const melody = readMelody(body.melody)
  if (!melody.ok) return melody
  const arrangements = []
  for (const [index, text] of (body.arrangements ?? []).entries()) {
    const read = readArrangement(text)
    if (!read.ok) return wrong(refuse(`arrangements.${index}`, read.error))
    arrangements.push(read.value)
  }
  const { fretMin = 1, fretMax = 15, school, manner, ensemble = 'alone', loop = false, k = 1 } = body
  // A manner that is told says what becomes of open strings, unless they are told too.
  const open = body.open ?? (manner === undefined ? 'never' : undefined)
  if (fretMin > fretMax)
    return wrong(
      refuseWith('fretMin', { message: `fret ${fretMin} lies above fret ${fretMax}`, expected: `at most ${fretMax}` }),
    )
  return fine({
    chords,
    question: {
      chords: chords.map(({ chord }) => chord),
      neck,
      hand: player.hand,
      thumb: player.thumb,
      wishes: {
        ...PATH_WISHES,
        manner,
        ensemble,
        strings: strings.value,
        arrangements,
        fretMin,
        fretMax,
        open,
        school,
      },
      weights: Object.assign({ ...PATH_WEIGHTS }, body.weights),
      loop,
      held: held.value,
      melody: melody.value,
      best: k,
    },
  })
}

/** `["5432", "6432"]`: the numbers of strings, ten and more apart by dots. */
function readSets(sets: readonly string[] | undefined, neck: Neck): Read<PathQuestion['wishes']['strings']> {
  const count = neck.open.length
  const found = []
  for (const [index, text] of (sets ?? []).entries()) {
    const numbers = (text.includes('.') ? text.split('.') : [...text]).map(Number)
    const isSet =
      numbers.length > 1 &&
      numbers.every((one) => Number.isInteger(one) && one >= 1 && one <= count) &&
      new Set(numbers).size === numbers.length
    if (!isSet)
      return wrong(
        refuseWith(`strings.${index}`, {
          message: `${text} is no set of strings; expected numbers from 1 to ${count}, such as 5432`,
          expected: `strings from 1 to ${count}`,
        }),
      )
    found.push(numbers.map((number) => stringIndex(number, count)).sort((a, b) => a - b))
  }
  return fine(found.length > 0 ? found : undefined)
}

function told(
  { total, shapes, steps, others, gaps }: PathFound,
  chords: readonly PlayedChord[],
  cut: PathCut | undefined,
) {
  const frets = (shape: PathShape | undefined) => (shape ? writeFrets(shape.frets) : null)
  return {
    total,
    chords: shapes.map((shape, index) => ({
      symbol: writeSymbol(requireAt(chords, index).chord, { ascii: true }),
      beats: chords[index]?.beats,
      frets: frets(shape),
      degrees: shape?.degrees ?? null,
      parts: shape?.parts ?? null,
      taste: shape ? tasteTold(shape.taste) : null,
      cost: shape?.cost ?? 0,
    })),
    /** From each chord to the next; where it goes round, the last one leads to the first. */
    steps: [...steps.slice(1), ...(steps[0] ? [steps[0]] : [])].map((step) =>
      step ? { ...step.parts, cost: step.cost } : null,
    ),
    others: others.map((way: PathWay) => ({ total: way.total, frets: way.shapes.map(frets) })),
    ...(gaps.length > 0 ? { gaps } : {}),
    exact: true,
    /** Of all chords: more than are told where the path is cut. */
    count: chords.length,
    truncated: cut !== undefined,
    ...(cut === undefined ? {} : { cut }),
  }
}
