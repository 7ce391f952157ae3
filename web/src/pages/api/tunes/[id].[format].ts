import { playedChart, playedShapes, tuneScore } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { STANDARD_TUNING } from '@nestling/core/neck'
import { neckFor } from '@nestling/core/shape'
import { writeChordPro } from '@nestling/formats/chordpro'
import { writeMidi } from '@nestling/formats/midi'
import { writeMusicXml } from '@nestling/formats/musicxml'
import { writeTab } from '@nestling/formats/tab'
import type { KeptTune } from '../../../contracts/tune.ts'
import { musicOf, type TuneMusic } from '../../../contracts/tuneFile.ts'
import { idFrom, noSuch } from '../_respond.ts'
import { readingOnThread, type Work } from '../_work.ts'

interface Written {
  readonly type: string
  readonly body: (kept: KeptTune, music: TuneMusic, tempo: number) => string | Uint8Array
}

const linesOf = ({ remarks }: KeptTune): readonly string[] => (remarks === '' ? [] : remarks.split('\n'))
const FORMATS: Readonly<Record<string, Written>> = {
  musicxml: {
    type: 'application/vnd.recordare.musicxml+xml; charset=utf-8',
    body: (kept, { tune }) => writeMusicXml({ tune, remarks: linesOf(kept) }),
  },
  cho: { type: 'text/plain; charset=utf-8', body: (kept, { tune }) => writeChordPro({ tune, remarks: linesOf(kept) }) },
  txt: { type: 'text/plain; charset=utf-8', body: (kept, { tune }) => writeTab({ tune, remarks: linesOf(kept) }) },
  mid: { type: 'audio/midi', body: (_kept, music, tempo) => midiOf(music, tempo) },
}

/** `GET /api/tunes/3.musicxml`, `.mid`, `.cho`, `.txt`: a kept tune as a file of an open format. */
export const work: Work = ({ params, locals }) => {
  const id = idFrom(params['id'])
  const format = Object.hasOwn(FORMATS, params['format'] ?? '') ? FORMATS[params['format'] ?? ''] : undefined
  const kept = id === undefined ? undefined : locals.tunes.find(id)
  if (!kept || !format) return noSuch('tune')
  const { settings, instruments } = locals.page()
  const own = instruments.find((one) => one.id === settings.instrumentId)?.tuning ?? STANDARD_TUNING
  const music = musicOf(kept, own)
  const body = format.body(kept, music, music.tune.chart.tempoBpm ?? settings.tempo)
  return new Response(typeof body === 'string' ? body : Uint8Array.from(body), {
    headers: {
      'content-type': format.type,
      'content-disposition': `attachment; filename="${fileName(kept.title)}.${params['format']}"`,
    },
  })
}

export const GET = readingOnThread('tunes/[id].[format]')

const fileName = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '') || 'tune'

function midiOf({ tune, pattern, bass }: TuneMusic, tempo: number): Uint8Array {
  const { chart } = tune
  const played = playedChart(chart)
  const score = tuneScore(played, playedShapes(tune), neckFor(tune), {
    pattern,
    style: chart.style,
    bass,
    drums: true,
    click: false,
    loop: false,
    countInBars: 0,
    tempo,
  })
  return writeMidi(score, {
    title: chart.title,
    key: chart.key,
    tempo,
    metres: played.bars.flatMap(({ at, metre }, index) => {
      const before = played.bars[index - 1]?.metre
      return before?.count === metre.count && before.unit === metre.unit ? [] : [{ at, metre }]
    }),
    chords: played.chords.map(({ at, chord }) => ({ at, symbol: writeSymbol(chord, { ascii: true }) })),
  })
}
