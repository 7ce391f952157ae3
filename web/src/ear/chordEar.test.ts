import { LAST_WORD } from '@nestling/core/ear'
import { type Neck, neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { chanceOf } from '@nestling/core/practice'
import { must } from '@nestling/core/result'
import { type StringEvent, soundedNotes } from '@nestling/core/time'
import { readFrets } from '@nestling/core/voicing'
import { describe, expect, test } from 'vitest'
import { renderPluck } from '../sound/pluckedString.ts'
import { type ChordHeard, createChordEar } from './chordEar.ts'
import { type CHORD_PLAYS, picked, strummed } from './chordPlayer.ts'

const RATE = 44_100
const neck: Neck = neckOf(STANDARD_INSTRUMENT)
const frets = must(readFrets('3x343x', 6))
const notes = soundedNotes(frets, neck, { root: 'G', formula: ['R', '3', '5', 'b7'] })
const expected = frets.map((fret, string) => {
  const openMidi = neck.open[string] as number
  return { string, openMidi, midi: fret === null ? null : openMidi + fret }
})
const strum = { notes, neck, at: 0, beats: 4, tempo: 60, random: chanceOf(3) }

/** Struck at 60 a minute, so that beats are seconds, and heard in steps of 10 ms. */
function words(events: readonly StringEvent[], until = 2.4): readonly (ChordHeard & { readonly at: number })[] {
  const told: (ChordHeard & { readonly at: number })[] = []
  const samples = new Float32Array(Math.ceil((until + 1) * RATE))
  for (const { midi, at, loud, length = 3 } of events) {
    const sound = renderPluck(midi, RATE)
    const start = Math.round((at + 0.5) * RATE)
    for (let index = 0; index < Math.min(sound.length, length * RATE); index++)
      if (start + index < samples.length)
        samples[start + index] = (samples[start + index] as number) + 0.3 * loud * (sound[index] as number)
  }
  const ear = createChordEar(RATE)
  ear.expect(expected, 0.5, 0.5 + until)
  for (let end = LAST_WORD.window; end < samples.length; end += 441) {
    const one = ear.feed(samples.subarray(end - LAST_WORD.window, end), end / RATE)
    if (one) told.push({ ...one, at: end / RATE })
  }
  return told
}
const heard = (events: readonly StringEvent[]): ChordHeard | undefined => words(events).at(-1)
const kinds = (told: ChordHeard | undefined) => told?.verdicts.map(({ kind }) => kind).join(' ')

describe('a bar is heard once', () => {
  test('a right strum: in time, and no string is called wrong', () => {
    const told = heard(strummed('right', { ...strum, random: chanceOf(3) }))
    expect(kinds(told)).toBe('rang still rang rang unclear still')
    expect(Math.abs(told?.lateMs ?? 999)).toBeLessThan(60)
  })
  test('a first word comes 150 ms after the last string, the last word when its window is full', () => {
    const strings = strummed('right', { ...strum, random: chanceOf(3) })
    const lastAt = 0.5 + Math.max(...strings.map(({ at }) => at))
    const told = words(strings)
    expect(told.map(({ isLast }) => isLast)).toEqual([false, true])
    const [first, last] = told.map(({ at }) => at - lastAt)
    expect(first).toBeGreaterThan(0.1)
    // Looks are ten milliseconds apart: one until the string is noticed, one until its window is full.
    expect(first).toBeLessThan(0.17)
    expect(last).toBeLessThan(0.45)
    expect(kinds(told[0])).toBe('rang still rang rang unclear still')
  })
  test('late is late', () =>
    expect(heard(strummed('late', { ...strum, random: chanceOf(3) }))?.lateMs).toBeGreaterThan(150))
  test('nothing struck: all of it is missing, and no time is told', () => {
    const told = heard([])
    expect(kinds(told)).toBe('missing still missing missing missing still')
    expect(told?.lateMs).toBeUndefined()
  })
  test('after a verdict nothing more is told of that bar', () => {
    const ear = createChordEar(RATE)
    ear.expect(expected, 0, 0.1)
    const quiet = new Float32Array(LAST_WORD.window)
    expect(ear.feed(quiet, 0.2)).toBeDefined()
    expect(ear.feed(quiet, 0.3)).toBeUndefined()
  })
})

describe('the simulated player', () => {
  const midis = (plays: (typeof CHORD_PLAYS)[number], seed = 5) =>
    strummed(plays, { ...strum, random: chanceOf(seed) }).map(({ midi }) => Math.round(midi))
  const right = notes.map(({ midi }) => midi)
  test('plays what stands there, out of tune by a few hundredths at most', () => {
    expect(midis('right')).toEqual(right)
    for (const { midi } of strummed('right', { ...strum, random: chanceOf(9) }))
      expect(Math.abs(midi - Math.round(midi))).toBeLessThan(0.07)
  })
  test('each slip is one string', () => {
    expect(midis('missing')).toHaveLength(3)
    expect(midis('a fret off').filter((midi, index) => midi !== right[index])).toHaveLength(1)
    expect(midis('rings')).toHaveLength(5)
    expect(strummed('dull', { ...strum, random: chanceOf(5) }).filter(({ length = 9 }) => length < 0.5)).toHaveLength(1)
    expect(midis('silent')).toEqual([])
  })
  test('mixed slips now and then, the same for the same seed', () => {
    const many = () => Array.from({ length: 30 }, (_, seed) => midis('mixed', seed).join())
    expect(many()).toEqual(many())
    const clean = many().filter((row) => row === right.join()).length
    expect(clean).toBeGreaterThan(10)
    expect(clean).toBeLessThan(30)
  })
  test('a line is picked one tone after another', () => {
    const line = picked('right', strum)
    expect(line.map(({ at }) => at)).toEqual([0, 1, 2, 3])
    expect(picked('missing', { ...strum, random: chanceOf(1) })).toHaveLength(3)
    expect(picked('silent', strum)).toEqual([])
  })
})
