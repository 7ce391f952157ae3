import { answerTo, type BuildParams, readBuild } from '@nestling/core/build'
import { writeSymbol } from '@nestling/core/chord'
import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { writeArrangement } from '@nestling/core/voicing'
import type { APIRoute } from 'astro'
import { DEFAULT_SETTINGS, settingOf } from '../../contracts/settings.ts'
import { VoicingsQuery } from '../../contracts/voicingsQuery.ts'
import { readQuery, refuse } from './_respond.ts'

/** `GET /api/voicings?chord=Ebmaj7&strings=5432&arrangement=drop-2`: every shape that qualifies, easiest first. */
export const GET: APIRoute = ({ url }) => {
  const query = readQuery(url, VoicingsQuery)
  if (!query.ok) return query.response
  const { limit, ...fields } = query.value
  const setting = settingOf(DEFAULT_SETTINGS, { ...STANDARD_INSTRUMENT, frets: 24, lastReachableFret: 24 })
  const build = readBuild(fields as BuildParams, setting)
  if (!build.ok) return refuse(build.error.field, build.error)
  const { shapes, count, truncated } = answerTo(build.value, setting, limit)
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
  return Response.json({ count, voicings, truncated })
}
