/**
 * The build line as typed text: `Ebmaj9 drop2 5432 3rd bass no 5`. The chord comes first; the rest in any order,
 * and what isn't named stays as it was in the build before.
 */

import { readFormula, readSymbol, readThirds, writeFormula } from '../chord/index.ts'
import { readKnownTuning, writeTuning } from '../neck/index.ts'
import { readNote } from '../pitch/index.ts'
import { fail, ok, type Result, type TextError } from '../result/index.ts'
import { type BuildParams, readBuild, writeBuild } from './params.ts'
import type { Build, FieldError, Setting } from './types.ts'

const ORDINALS: Readonly<Record<string, string>> = {
  root: 'R', '1st': 'R', '2nd': '2', second: '2', third: '3', '3rd': '3', '4th': '4', fourth: '4', fifth: '5', '5th': '5', '6th': '6', sixth: '6',
  seventh: '7', '7th': '7', ninth: '9', '9th': '9', '11th': '11', eleventh: '11', '13th': '13', thirteenth: '13',
} // biome-ignore format: a table

const FILLERS = /^(as|on|in|the|strings?|with|and|of|tones?|,|·)$/i

/** Turns `3rd` into the degree that this chord has there: ♭3 in a minor chord, ♭7 in a dominant. */
function toneNamed(word: string, formula: readonly string[]): string | undefined {
  const plain = ORDINALS[word.toLowerCase()]
  if (plain === undefined)
    return formula.includes(word) ? word : formula.find((degree) => degree.replace(/^[b#]+/, '') === word)
  return plain === 'R' ? 'R' : formula.find((degree) => degree.replace(/^[b#]+/, '') === plain)
}

interface Word {
  readonly text: string
  readonly at: number
}

/** How many of the leading words make a chord symbol: the longest run that reads as one (`C m7 b5` is one chord). */
function chordWords(words: readonly Word[], text: string, setting: Setting): Result<number, TextError> {
  let first: TextError | undefined
  let read = 0
  for (let count = 1; count <= Math.min(words.length, 4); count++) {
    const last = words[count - 1] as Word
    if (count > 1 && /^(no|omit|any|\d{2,})$/i.test(last.text)) break
    const symbol = readSymbol(text.slice(0, last.at + last.text.length), setting.naming)
    if (symbol.ok) read = count
    else first ??= symbol.error
  }
  return read > 0 ? ok(read) : fail(first as TextError)
}

interface ChordRead {
  /** As a symbol: what was typed, or the formula in brackets after its root. */
  readonly symbol: string
  /** Words taken. */
  readonly count: number
}

/** `Eb R 3 5 7` and `C m3 m3 M3`: a root, then its formula as degrees or as stacked thirds. */
function formulaAfterRoot(words: readonly Word[], setting: Setting): Result<ChordRead, TextError> | undefined {
  const [root, first] = words
  if (!root || !first || readNote(root.text, setting.naming) === undefined) return undefined
  const thirds = /^[mM]3$/.test(first.text)
  if (!thirds && !/^(R|1)$/i.test(first.text)) return undefined
  let count = 1
  while (
    words[count] &&
    (thirds ? /^[mM]3$/ : /^(R|1|[b#♭♯]*(2|3|4|5|6|7|9|11|13))$/i).test((words[count] as Word).text)
  )
    count++
  const told = words.slice(1, count)
  const formula = (thirds ? readThirds : readFormula)(told.map((word) => word.text).join(' '))
  if (!formula.ok) return fail({ ...formula.error, at: first.at + formula.error.at })
  return ok({ symbol: `${root.text}[${writeFormula(formula.value)}]`, count })
}

/** The chord that a line begins with. */
function readChordWords(words: readonly Word[], text: string, setting: Setting): Result<ChordRead, TextError> {
  const formula = formulaAfterRoot(words, setting)
  if (formula !== undefined) return formula
  const count = chordWords(words, text, setting)
  if (!count.ok) return count
  const last = words[count.value - 1] as Word
  return ok({ symbol: text.slice(0, last.at + last.text.length).trim(), count: count.value })
}

/** A tuning named over the words from `from` on: `dadgad`, `D A D G A D`, `all fourths`; the longest that is one. */
function tuningAt(words: readonly Word[], from: number): { readonly text: string; readonly count: number } | undefined {
  for (let count = Math.min(10, words.length - from); count > 0; count--) {
    const text = words
      .slice(from, from + count)
      .map((word) => word.text)
      .join(' ')
    const known = readKnownTuning(text)
    if (known.ok) return { text: writeTuning(known.value), count }
  }
  return undefined
}

/** Reads a typed line. `before` lends its arrangement and string set where the line names none. */
export function readBuildLine(text: string, setting: Setting, before?: Build): Result<Build, FieldError> {
  if (text.length > 160)
    return fail({
      field: 'line',
      at: 160,
      expected: 'at most 160 characters',
      message: 'that is too long for a build line; expected at most 160 characters',
    })
  const words = [...text.matchAll(/\S+/gu)].map((found) => ({ text: found[0], at: found.index }))
  const read = words.length === 0 ? undefined : readChordWords(words, text, setting)
  if (read === undefined || !read.ok) {
    const error = read?.error
    return fail({
      field: 'chord',
      at: error?.at ?? 0,
      expected: error?.expected ?? 'a chord symbol',
      message: error?.message ?? 'nothing to read yet; expected a chord symbol such as Ebmaj7',
    })
  }
  const { symbol } = read.value
  const chord = readSymbol(symbol, setting.naming)
  const formula: readonly string[] = chord.ok ? chord.value.formula : []
  const strings = setting.instrument.tuning.strings.length
  const kept: BuildParams = before === undefined ? {} : writeBuild(before, strings)
  const params: Record<string, string> = { ...kept, chord: symbol }
  // Tones of another chord mean nothing here.
  for (const field of ['bass', 'top', 'omit']) delete params[field]
  if (before?.arrangement.kind === 'list') delete params['arrangement']
  const refuseWord = (word: Word, expected: string): Result<Build, FieldError> =>
    fail({
      field: 'line',
      at: word.at,
      expected,
      message: `${[...word.text].slice(0, 16).join('')} is not part of a build line here; expected ${expected}`,
    })

  const rest = words.slice(read.value.count)
  for (let at = 0; at < rest.length; at++) {
    const word = rest[at] as Word
    const next = rest[at + 1]
    const lower = word.text.toLowerCase().replace(/[,;]$/, '')
    const tuning = lower === 'in' ? tuningAt(rest, at + 1) : undefined
    if (tuning !== undefined) {
      params['tuning'] = tuning.text
      // String numbers of a neck with other strings mean nothing here.
      if (params['strings'] === kept.strings && tuning.text.split(',').length !== strings) delete params['strings']
      at += tuning.count
      continue
    }
    if (lower === 'any' && next && /^strings?,?$/i.test(next.text)) {
      delete params['strings']
      at++
      continue
    }
    if (FILLERS.test(lower)) continue
    if (/^(close|spread|shell|any|drop-?\d([&+-]\d)?)$/.test(lower)) params['arrangement'] = lower
    else if (lower === 'drop' && next && /^\d([&+-]\d)?$/.test(next.text)) {
      params['arrangement'] = `drop-${next.text}`
      at++
    } else if (/^\d{2,10}$/.test(lower)) params['strings'] = lower
    else if (/^\d$/.test(lower) && next && /^\d,?$/.test(next.text)) {
      const numbers = [lower]
      while (/^\d,?$/.test(rest[at + 1]?.text ?? '')) numbers.push((rest[++at] as Word).text.replace(',', ''))
      params['strings'] = numbers.join('')
    } else if (/^(bass|top)$/.test(lower) && next && toneNamed(next.text, formula) !== undefined) {
      params[lower] = toneNamed(next.text, formula) as string
      at++
    } else if (/^(no|omit|without|leaving)$/.test(lower)) {
      const omitted: string[] = []
      while (
        rest[at + 1] &&
        (toneNamed((rest[at + 1] as Word).text.replace(/,$/, ''), formula) !== undefined ||
          /^(out|the|and|nothing|none)$/i.test((rest[at + 1] as Word).text))
      ) {
        at++
        const tone = toneNamed((rest[at] as Word).text.replace(/,$/, ''), formula)
        if (tone !== undefined) omitted.push(tone)
      }
      params['omit'] = omitted.length === 0 ? 'none' : omitted.join(',')
    } else if (/^(no|omit)\w+$/.test(lower) && toneNamed(lower.replace(/^(no|omit)/, ''), formula) !== undefined)
      params['omit'] = toneNamed(lower.replace(/^(no|omit)/, ''), formula) as string
    else if (lower === 'doubled' || lower === 'doubling') params['doubling'] = 'true'
    else if (lower === 'open') params['open'] = 'allow'
    else {
      const tone = toneNamed(lower, formula)
      const place = rest.slice(at + 1).findIndex((other) => !FILLERS.test(other.text))
      const role = place < 0 ? undefined : (rest[at + 1 + place] as Word).text.toLowerCase()
      if (tone === undefined || (role !== 'bass' && role !== 'top'))
        return refuseWord(word, 'close, drop 2, a string set such as 5432, 3rd bass, or no 5')
      params[role] = tone
      at += 1 + place
    }
  }
  return readBuild(params as BuildParams, setting)
}
