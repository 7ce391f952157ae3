/** The Map's question as an address, and back. */
import { type Build, type BuildParams, type MapChange, readBuild, type Setting, writeBuild } from '@nestling/core/build'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { EXTENSIONS } from '@nestling/core/name'

export interface MapAddress {
  readonly params: BuildParams
  readonly morph: string | undefined
  readonly add: string | undefined
  readonly way: string | undefined
}

/** What is asked: one step to undo. */
export interface AskedMap {
  readonly build: Build
  readonly change: MapChange
}

const FIRST: BuildParams = { chord: 'C', arrangement: 'close' }

/** @returns With a problem when the address can't be read; the map of C major triads is asked then. */
export function readMap(
  address: MapAddress,
  setting: Setting,
): { readonly asked: AskedMap; readonly problem: string | undefined } {
  const read = readBuild(address.params.chord === undefined ? FIRST : address.params, setting)
  const build = read.ok ? read : readBuild(FIRST, setting)
  if (!build.ok) throw new Error(build.error.message)
  return {
    asked: { build: build.value, change: changeIn(address) },
    problem: read.ok ? undefined : read.error.message,
  }
}

function changeIn({ morph, add, way }: MapAddress): MapChange {
  const target = morph === undefined ? undefined : readSymbol(`C${morph}`)
  if (target?.ok) return { kind: 'morph', formula: target.value.formula }
  const extension = EXTENSIONS.find((one) => one === add)
  if (extension) return { kind: 'extend', extension, way: way === 'fifth-gives-way' ? way : 'root-moves' }
  return { kind: 'none' }
}

export function writeMap({ build, change }: AskedMap, strings: number): string {
  const params = new URLSearchParams(writeBuild(build, strings) as Record<string, string>)
  // As it would follow the letter of any root.
  if (change.kind === 'morph')
    params.set('morph', writeSymbol({ root: 'C', formula: change.formula }, { ascii: true }).slice(1))
  if (change.kind === 'extend') {
    params.set('add', change.extension)
    params.set('way', change.way)
  }
  return `/map?${params}`
}
