/** Chords as they are said: signs and abbreviations of a symbol are read letter by letter, or not at all, by many voices. */
import { type Chord, writeSymbol } from '@nestling/core/chord'
import { type NamingSystem, type NoteName, writeNote } from '@nestling/core/pitch'

const SIGNS: Readonly<Record<string, string>> = {
  '♭': ' flat',
  '♯': ' sharp',
  '𝄫': ' double flat',
  '𝄪': ' double sharp',
}

/** "E flat"; "Es" for who says so. */
export const spokenNote = (note: NoteName, naming?: NamingSystem): string =>
  writeNote(note, naming).replace(/[♭♯𝄫𝄪]/gu, (sign) => SIGNS[sign] ?? sign)

/** What a symbol is made of, the longer before what it begins with. */
const PARTS: readonly (readonly [RegExp, string])[] = [
  [/^maj/, 'major'],
  [/^m/, 'minor'],
  [/^dim/, 'diminished'],
  [/^aug/, 'augmented'],
  [/^sus/, 'suspended'],
  [/^add/, 'add'],
  [/^no/, 'without'],
  [/^♭♭/, 'double flat'],
  [/^♭/, 'flat'],
  [/^♯/, 'sharp'],
  [/^13/, 'thirteen'],
  [/^11/, 'eleven'],
  [/^9/, 'nine'],
  [/^7/, 'seven'],
  [/^6/, 'six'],
  [/^5/, 'five'],
  [/^4/, 'four'],
  [/^3/, 'three'],
  [/^2/, 'two'],
]

function qualityWords(quality: string): readonly string[] {
  const words: string[] = []
  for (let rest = quality; rest !== ''; ) {
    const [pattern, word] = PARTS.find(([part]) => part.test(rest)) ?? []
    if (word !== undefined) words.push(word)
    // Brackets, strokes and commas are not said.
    rest = pattern === undefined ? rest.slice(1) : rest.replace(pattern, '')
  }
  return words
}

/** "E flat major seven", "D over F sharp". */
export function spokenChord({ root, formula, bass }: Chord, naming?: NamingSystem): string {
  const quality = writeSymbol({ root, formula }).slice(writeNote(root).length)
  const over = bass === undefined ? [] : ['over', spokenNote(bass, naming)]
  return [spokenNote(root, naming), ...qualityWords(quality), ...over].join(' ')
}
