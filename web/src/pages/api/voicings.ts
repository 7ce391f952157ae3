import { answerTo } from '@nestling/core/answer'
import { writeSymbol } from '@nestling/core/chord'
import { type QuestionTexts, readQuestion } from '@nestling/core/request'
import { writeArrangement } from '@nestling/core/voicing'
import type { APIRoute } from 'astro'
import { VoicingsQuery } from '../../contracts/queries.ts'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { readQuery, refuse } from './_respond.ts'
import { SCRIPTS_INSTRUMENT } from './_shape.ts'

/** One question must not stop the server for everybody: it ends with what it has, and says so. */
const MOST_STEPS = 20_000_000
const MOST_ROWS = 20_000
const MOST_MS = 800
const budgetOf = () => {
  const ends = performance.now() + MOST_MS
  return { steps: MOST_STEPS, rows: MOST_ROWS, isOver: () => performance.now() > ends }
}

/** `GET /api/voicings?chord=Ebmaj7&strings=5432&arrangement=drop-2`: every shape that qualifies, easiest first. */
export const GET: APIRoute = ({ url }) => {
  const query = readQuery(url, VoicingsQuery)
  if (!query.ok) return query.response
  const { limit, ...fields } = query.value
  const player = playerOf(DEFAULT_SETTINGS, SCRIPTS_INSTRUMENT)
  const question = readQuestion(fields as QuestionTexts, player)
  if (!question.ok) return refuse(question.error.field, question.error)
  const { shapes, count, cut } = answerTo(question.value, player, { limit, budget: budgetOf() })
  const voicings = shapes.map(({ frets, voicing, reachMm, fingering, names }) => ({
    frets,
    degrees: voicing.degrees,
    notes: voicing.notes,
    arrangement:
      voicing.arrangement.name === 'list'
        ? writeArrangement({ kind: 'list', degrees: voicing.arrangement.degrees })
        : voicing.arrangement.name,
    inversion: voicing.inversion,
    reachMm: Math.round(reachMm),
    fingers: fingering?.fingers ?? null,
    names: names.map((name) => writeSymbol(name.chord, { ascii: true })),
  }))
  return Response.json({ count, voicings, truncated: cut !== undefined, ...(cut === undefined ? {} : { cut }) })
}
