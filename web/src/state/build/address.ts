/** The address holds the whole state: it opens as it was, can be linked, and the browser's back and forward work. */
import {
  BUILD_FIELDS,
  type BuildParams,
  instrumentFor,
  readBuild,
  type Setting,
  writeBuild,
} from '@nestling/core/build'
import { neckOf } from '@nestling/core/neck'
import { readShape, writeShape } from '@nestling/core/voicing'
import type { BuildState, Typed } from './types.ts'

export interface Address {
  readonly params: BuildParams
  readonly shape: string | undefined
}

const FIRST_BUILD: BuildParams = { chord: 'Ebmaj7', arrangement: 'drop-2', strings: '5432' }

export const readAddress = (query: URLSearchParams): Address => ({
  params: Object.fromEntries(
    BUILD_FIELDS.flatMap((field) => (query.has(field) ? [[field, query.get(field) ?? '']] : [])),
  ),
  shape: query.get('shape') ?? undefined,
})

/** The state that an address means; what can't be read of it is told, and the rest still opens. */
export function stateFrom({ params, shape }: Address, setting: Setting): { state: BuildState; typed: Typed } {
  const own = setting.instrument.tuning.strings.length
  const asked = params.chord === undefined ? { ...FIRST_BUILD, ...(own < 5 ? { strings: '4321' } : {}) } : params
  const read = readBuild(asked, setting)
  const fallback = read.ok ? read : readBuild({ chord: 'C' }, setting)
  if (!fallback.ok) throw new Error(fallback.error.message)
  const build = fallback.value
  const instrument = instrumentFor(build, setting)
  const frets = shape === undefined ? undefined : readShape(shape, instrument.tuning.strings.length)
  const { lastFret } = neckOf(instrument)
  const inHand = frets?.ok && frets.value.every((fret) => fret === null || fret <= lastFret) ? frets.value : undefined
  return {
    state: {
      setting,
      build,
      search: { status: 'searching', last: undefined },
      frets: inHand,
      byHand: inHand !== undefined,
    },
    typed: {
      line: read.ok ? '' : (asked[read.error.field as keyof BuildParams] ?? ''),
      problem: read.ok ? undefined : read.error,
    },
  }
}

export function addressOf({ build, frets, setting }: Pick<BuildState, 'build' | 'frets' | 'setting'>): string {
  const params = new URLSearchParams(
    writeBuild(build, setting.instrument.tuning.strings.length) as Record<string, string>,
  )
  if (frets?.some((fret) => fret !== null)) params.set('shape', writeShape(frets))
  return `/?${params.toString().replaceAll('%2C', ',').replaceAll('%2F', '/')}`
}
