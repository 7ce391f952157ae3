/** Cards as texts: the question is the card's identity. `play|Cmaj7|x3545x|Eb`; the first word is the kind. */
import { type Chord, readSymbol, writeSymbol } from '../chord/index.ts'
import { DEPTHS, readKey, writeKey } from '../key/index.ts'
import { stringIndex, stringNumber } from '../neck/index.ts'
import { type NoteName, parseDegree, readNote } from '../pitch/index.ts'
import { type Frets, readFrets, writeFrets } from '../voicing/index.ts'
import type { Card } from './cards.ts'

const symbolOf = (chord: Chord): string => writeSymbol(chord, { ascii: true })

export function writeCard(card: Card): string {
  const strings = (frets: Frets, string: number) => String(stringNumber(string, frets.length))
  switch (card.kind) {
    case 'play':
      return [card.kind, symbolOf(card.chord), writeFrets(card.shape), card.root].join('|')
    case 'degree':
      return [card.kind, symbolOf(card.chord), writeFrets(card.frets), strings(card.frets, card.string)].join('|')
    case 'missing':
    case 'also':
    case 'name':
      return [card.kind, symbolOf(card.chord), writeFrets(card.frets)].join('|')
    case 'damps':
      return [card.kind, writeFrets(card.frets), strings(card.frets, card.string)].join('|')
    case 'step':
      return [card.kind, writeKey(card.key, { ascii: true }), card.depth, String(card.step)].join('|')
    case 'spell':
    case 'heard-step':
      return [card.kind, card.root, card.degree].join('|')
    case 'moves':
      return [card.kind, symbolOf(card.from), symbolOf(card.to)].join('|')
    case 'which':
      return [card.kind, ...card.chords.map(symbolOf), String(card.heard)].join('|')
  }
}

/** `undefined` where the text is no card of a neck with so many strings. */
export function readCard(text: string, strings: number): Card | undefined {
  const [kind, a = '', b = '', c = ''] = text.split('|')
  const chordOf = (symbol: string) => {
    const read = readSymbol(symbol)
    return read.ok ? read.value : undefined
  }
  const fretsOf = (frets: string) => {
    const read = readFrets(frets, strings)
    return read.ok ? read.value : undefined
  }
  const noteOf = (note: string): NoteName | undefined => (readNote(note) === note ? readNote(note) : undefined)
  switch (kind) {
    case 'play': {
      const [chord, shape, root] = [chordOf(a), fretsOf(b), noteOf(c)]
      return chord && shape && root && { kind, chord, shape, root }
    }
    case 'degree':
    case 'missing':
    case 'also':
    case 'name': {
      const [chord, frets] = [chordOf(a), fretsOf(b)]
      if (!chord || !frets) return undefined
      if (kind !== 'degree') return { kind, chord, frets }
      const string = stringIndex(Number(c), strings)
      return frets[string] === undefined ? undefined : { kind, chord, frets, string }
    }
    case 'damps': {
      const frets = fretsOf(a)
      const string = stringIndex(Number(b), strings)
      return frets?.[string] === undefined ? undefined : { kind, frets, string }
    }
    case 'step': {
      const key = readKey(a)
      const depth = DEPTHS.find((one) => one === b)
      return key.ok && depth && /^[1-7]$/.test(c) ? { kind, key: key.value, depth, step: Number(c) } : undefined
    }
    case 'spell':
    case 'heard-step': {
      const [root, degree] = [noteOf(a), parseDegree(b)]
      return root && degree && { kind, root, degree }
    }
    case 'moves': {
      const [from, to] = [chordOf(a), chordOf(b)]
      return from && to && { kind, from, to }
    }
    case 'which': {
      const [one, other] = [chordOf(a), chordOf(b)]
      return one && other && (c === '0' || c === '1')
        ? { kind, chords: [one, other], heard: c === '0' ? 0 : 1 }
        : undefined
    }
    default:
      return undefined
  }
}
