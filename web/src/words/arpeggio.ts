import type { ArpeggioCut, ArpeggioNote, ArpeggioWay, Direction, Pattern } from '@nestling/core/arpeggio'
import type { ReachVerdict } from '@nestling/core/hand'
import { stringNumber } from '@nestling/core/neck'
import type { Accent, NoteValue } from '@nestling/core/time'
import { counted } from './shapes.ts'

export const WAY_WORDS: Readonly<Record<ArpeggioWay['kind'], string>> = {
  position: 'under one hand',
  diagonal: 'along the neck',
  'one-string': 'on one string',
  'two-a-string': 'two a string',
  strings: 'on the voicing’s strings',
}
export const DIRECTION_WORDS: Readonly<Record<Direction, string>> = {
  up: 'up',
  down: 'down',
  'up-down': 'up and down',
  round: 'up, below and back',
}
export const PATTERN_WORDS: Readonly<Record<Pattern, string>> = {
  straight: '1 2 3 4',
  broken: '1 3 2 4',
  threes: '1 2 3 · 2 3 4',
  fours: '1 2 3 4 · 2 3 4 5',
}
export const VALUE_WORDS: Readonly<Record<NoteValue, string>> = {
  quarter: 'quarters',
  eighth: 'eighths',
  triplet: 'triplets',
  sixteenth: 'sixteenths',
}
export const ACCENT_WORDS: Readonly<Record<Accent, string>> = {
  beat: 'each beat',
  bar: 'each bar',
  root: 'each root',
  none: 'nothing',
}
export const REACH_WORDS: Readonly<Record<ReachVerdict, string>> = {
  comfortable: 'comfortable',
  stretch: 'a stretch',
  beyond: 'beyond reach',
}

/** "stays at 6 · 4 reaches 3 times": where the hand goes, and which fingers reach out of it. */
export function handWords(notes: readonly Pick<ArpeggioNote, 'handAt' | 'finger' | 'stretched'>[]): string {
  const places = notes.map(({ handAt }) => handAt).filter((at, index, all) => at !== all[index - 1])
  const reaches = notes.filter(({ stretched }) => stretched).map(({ finger }) => finger)
  const fingers = [...new Set(reaches)].toSorted()
  const where =
    places.length === 1
      ? `the hand stays at ${places[0]}`
      : `${counted(places.length - 1, 'shift')}: hand at ${places.slice(0, MOST_PLACES).join(', ')}${places.length > MOST_PLACES ? ' …' : ''}`
  if (reaches.length === 0) return `${where} · no finger reaches`
  const often = reaches.length === 1 ? 'once' : `${reaches.length} times`
  return `${where} · ${fingers.length === 1 ? `${fingers[0]} reaches` : `${fingers.join(' and ')} reach`} ${often}`
}
const MOST_PLACES = 8

/** Why a line ends before what was asked. */
export function cutWords(cut: ArpeggioCut, strings: number): string {
  switch (cut.kind) {
    case 'not-both-tones':
      return `string ${stringNumber(cut.string, strings)} has not both of the next tones`
    case 'no-root':
      return `string ${stringNumber(cut.string, strings)} has no root to start from`
    case 'no-octave':
      return `no octave fits above fret ${cut.fret} of string ${stringNumber(cut.string, strings)}`
    case 'fewer-octaves':
      return `${cut.fit} of ${cut.wanted} octaves fit this neck from here`
  }
}
