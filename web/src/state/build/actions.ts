/** What a player does with a build. Each is one step that can be undone; `false` says that it can't be done there. */
import { type Build, buildAround, readBuildLine } from '@nestling/core/build'
import { bassDegreeOf, type Chord, plainestRoot, writeSymbol } from '@nestling/core/chord'
import { movedName, namesOf, type ShapeName } from '@nestling/core/name'
import { pitchClassOf, spellDegree } from '@nestling/core/pitch'
import { type Frets, rotate, slide, type Voicing, voicingOf } from '@nestling/core/voicing'
import { $preview, $typed, current, neckIn, step, voicingInHand } from './store.ts'
import type { BuildState } from './types.ts'

/** Every keystroke in the line. A text that can't be read keeps the last good build and says what is wrong. */
export function typeLine(line: string): void {
  const { setting, build } = current()
  const read = readBuildLine(line, setting, build)
  $typed.set({ line, problem: read.ok || line.trim() === '' ? undefined : read.error })
  if (read.ok) step({ build: read.value, byHand: false }, { search: true })
}

const clearLine = (): void => $typed.set({ line: '', problem: undefined })

/** Takes another build as a whole: a choice of a word, a way out. */
export function takeBuild(build: Build): void {
  clearLine()
  const strings = (of: Build) => (of.tuning ?? current().setting.instrument.tuning).strings.length
  const sameNeck = strings(build) === strings(current().build) && build.tuning === current().build.tuning
  step({ build, byHand: false, ...(sameNeck ? {} : { frets: undefined }) }, { search: true })
}

/** A shape from the list: of the chord that is asked. */
export const takeShape = (frets: Frets): void => step({ frets, byHand: false }, { search: false })

/** A shape of another chord, such as a neighbour: the question follows it. */
export function takeVoicing(voicing: Voicing): void {
  clearLine()
  step({ frets: voicing.frets, build: buildAround(voicing, current().build), byHand: true }, { search: true })
}

/** Moves the shape along the neck; root and name follow. */
export function moveFret(by: 1 | -1): boolean {
  const now = current()
  const frets = now.frets && slide(now.frets, neckIn(now), by)
  if (!frets || frets.every((fret) => fret === null)) return false
  const { chord } = now.build
  const root = plainestRoot((pitchClassOf(chord.root) + by + 12) % 12, chord.formula)
  const bassDegree = bassDegreeOf(chord)
  const bass = bassDegree === undefined ? undefined : spellDegree(root, bassDegree)
  const moved: Chord = { root, formula: chord.formula, ...(bass === undefined ? {} : { bass }) }
  clearLine()
  step({ frets, build: { ...now.build, chord: moved, symbol: writeSymbol(moved, { ascii: true }) } }, { search: true })
  return true
}

/** The next inversion along the neck on the same strings. */
export function invert(direction: 1 | -1): boolean {
  const now = current()
  const voicing = voicingInHand(now)
  const next = voicing && rotate(voicing, neckIn(now), direction)
  if (!next) return false
  clearLine()
  step({ frets: next.frets, build: buildAround(withoutBass(next), now.build) }, { search: true })
  return true
}

const withoutBass = (voicing: Voicing): Voicing => ({
  ...voicing,
  chord: { root: voicing.chord.root, formula: voicing.chord.formula },
})

/** The same question on the neighbouring string set: 1 towards the highest string. */
export function moveStrings(by: 1 | -1): boolean {
  const now = current()
  const used = now.build.strings ?? now.frets?.flatMap((fret, index) => (fret === null ? [] : [index]))
  const strings = neckIn(now).open.length
  const moved = used?.map((index) => index + by)
  if (!moved || moved.length < 2 || moved.some((index) => index < 0 || index >= strings)) return false
  clearLine()
  step({ build: { ...now.build, strings: moved }, byHand: false }, { search: true })
  return true
}

/** What a shape made by hand is called: near the chord that it came from, otherwise by its best name. */
export function nameByHand(state: BuildState, frets: Frets): ShapeName | undefined {
  const neck = neckIn(state)
  const from = voicingInHand(state)
  return from ? movedName(from, frets, neck) : namesOf(frets, neck)[0]
}

/** Puts a shape made by hand on the neck; its name follows. A single tone keeps the chord before. */
export function setByHand(frets: Frets): void {
  const now = current()
  const neck = neckIn(now)
  const name = nameByHand(now, frets)
  const voicing = name && voicingOf(name.chord, frets, neck)
  clearLine()
  $preview.set(undefined)
  if (voicing)
    step({ frets, byHand: true, build: buildAround(plainRootPosition(voicing, now), now.build) }, { search: true })
  else step({ frets, byHand: true }, { search: false })
}

/** An inversion's own bass is left out of the symbol: the build line tells it by the bass word. */
function plainRootPosition(voicing: Voicing, { build }: BuildState): Voicing {
  const { chord, inversion } = voicing
  return build.chord.bass === undefined && inversion !== null ? withoutBass({ ...voicing, chord }) : voicing
}

/** One string to another fret, open (0) or silent (`null`). False when it can't be pressed there. */
export function setString(string: number, fret: number | null): boolean {
  const now = current()
  const neck = neckIn(now)
  const before = now.frets ?? neck.open.map(() => null)
  if (fret !== null && fret !== 0 && (fret < (neck.firstFret[string] as number) || fret > neck.lastFret)) return false
  setByHand(before.with(string, fret))
  return true
}

/** The end of a string: sounding strings fall silent, silent ones ring open, open ones fall silent. */
export const toggleString = (string: number): boolean =>
  setString(string, current().frets?.[string] === null || current().frets?.[string] === undefined ? 0 : null)

export const clearNeck = (): void =>
  step({ frets: neckIn(current()).open.map(() => null), byHand: true }, { search: false })
