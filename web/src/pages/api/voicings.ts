import { type BuildParams, readBuild, shapesFor } from '@nestling/core/build'
import { neckOf, readTuning, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { voicingOf } from '@nestling/core/voicing'
import type { APIRoute } from 'astro'
import { DEFAULT_SETTINGS, settingOf } from '../../contracts/settings.ts'
import { VoicingsQuery } from '../../contracts/voicingsQuery.ts'
import { problem, readQuery } from './_respond.ts'

/** `GET /api/voicings?chord=Ebmaj7&strings=5432&arrangement=drop-2`: every shape that qualifies, easiest first. */
export const GET: APIRoute = ({ url }) => {
  const query = readQuery(url, VoicingsQuery)
  if (!query.ok) return query.response
  const { tuning: tuningText, limit, ...fields } = query.value
  const tuning = tuningText === undefined ? undefined : readTuning(tuningText)
  if (tuning && !tuning.ok)
    return problem(400, {
      error: tuning.error.message,
      field: 'tuning',
      at: tuning.error.at,
      expected: tuning.error.expected,
    })
  const instrument = tuning ? { ...STANDARD_INSTRUMENT, tuning: tuning.value } : STANDARD_INSTRUMENT
  const setting = settingOf(DEFAULT_SETTINGS, { ...instrument, frets: 24, lastReachableFret: 24 })
  const build = readBuild(fields as BuildParams, setting)
  if (!build.ok) return problem(400, { error: build.error.message, ...build.error })
  const neck = neckOf(setting.instrument)
  const { shapes, count, truncated } = shapesFor(build.value, setting, limit)
  const voicings = shapes.map((shape) => {
    const voicing = voicingOf(build.value.chord, shape.frets, neck)
    return {
      frets: shape.frets,
      degrees: voicing?.degrees,
      notes: voicing?.notes,
      arrangement:
        voicing?.arrangement.name === 'list' ? voicing.arrangement.degrees.join('-') : voicing?.arrangement.name,
      inversion: voicing?.inversion,
      reachMm: Math.round(shape.reachMm),
      fingers: shape.fingering?.fingers ?? null,
    }
  })
  return Response.json({ count, voicings, truncated })
}
