/** A file of any kind that is read: which format it is of, by what it begins with and only then by its name. */
import { fail, ok, type Result } from '@nestling/core/result'
import { readChordPro } from '../chordpro/index.ts'
import { type CsvProblem, readShapesCsv } from '../csv/index.ts'
import { type FileProblem, MOST_FILE_CHORDS, MOST_NOTEBOOK_BYTES, problem, readText } from '../file/index.ts'
import { readMidi } from '../midi/index.ts'
import { isZip, readMusicXml, scoreInZip } from '../musicxml/index.ts'
import { type NotebookFile, readNotebook } from '../notebook/index.ts'
import { readTab } from '../tab/index.ts'
import type { FileRead, FileReading } from '../tune/index.ts'

export const FILE_KINDS = ['notebook', 'musicxml', 'midi', 'chordpro', 'tab', 'csv'] as const
export type FileKind = (typeof FILE_KINDS)[number]

export type AnyFile =
  | { readonly kind: 'notebook'; readonly notebook: NotebookFile; readonly left: readonly FileProblem[] }
  | { readonly kind: Exclude<FileKind, 'notebook'>; readonly read: FileRead; readonly left: readonly FileProblem[] }

export function readFile(name: string, bytes: Uint8Array): Result<AnyFile, FileProblem> {
  if (bytes.length === 0) return fail(problem('empty'))
  if (startsWith(bytes, 'MThd') || /\.midi?$/i.test(name)) return tunesOf('midi', readMidi(bytes))
  if (isZip(bytes)) {
    const score = scoreInZip(bytes)
    return score.ok ? readFile('score.musicxml', score.value) : score
  }
  const isJson = /\.json$/i.test(name) || (/^\s*\{\s*"/.test(startOf(bytes)) && !/\.(cho|pro|crd)/i.test(name))
  const isXml = /^\s*</.test(startOf(bytes)) || /\.(musicxml|xml)$/i.test(name)
  if (SIGNATURES.some((signature) => startsWith(bytes, signature))) return fail(problem('binary'))
  const read = readText(bytes, isJson ? { most: MOST_NOTEBOOK_BYTES, oneLine: true } : { oneLine: isXml })
  if (!read.ok) return read
  const { text, encoding } = read.value
  const told = encoding === 'latin-1' ? [problem('latin1')] : []
  if (isJson) {
    const notebook = readNotebook(text)
    return notebook.ok ? ok({ kind: 'notebook', notebook: notebook.value, left: told }) : notebook
  }
  if (isXml) return tunesOf('musicxml', readMusicXml(text), told)
  if (/\.csv$/i.test(name) || /^[^\n{]*\bfrets\b[^\n]*\btuning\b/i.test(text.slice(0, 200))) return csvOf(text, told)
  if (/\.(cho|chordpro|chopro|pro|crd)$/i.test(name) || /^\s*\{[A-Za-z_]+(:|\s|\})/m.test(text))
    return tunesOf('chordpro', readChordPro(text), told)
  const tab = readTab(text)
  return tab.ok || tab.error.code !== 'unknown_format'
    ? tunesOf('tab', tab, told)
    : fail(problem('unknown_format', 0, name))
}

/** What is surely no text: pictures, sounds, papers, packed files. */
const SIGNATURES = ['\u0089PNG', 'GIF8', '%PDF', 'RIFF', 'ÿØÿ', 'OggS', '\u001f\u008b', 'fLaC', 'SQLite format 3']

const startOf = (bytes: Uint8Array): string =>
  new TextDecoder('latin1').decode(bytes.subarray(0, 200)).replace(/^ï»¿/, '')
const startsWith = (bytes: Uint8Array, signature: string): boolean =>
  [...signature].every((sign, index) => bytes[index] === sign.charCodeAt(0))

function tunesOf(
  kind: Exclude<FileKind, 'notebook'>,
  reading: FileReading,
  told: readonly FileProblem[] = [],
): Result<AnyFile, FileProblem> {
  return reading.ok ? ok({ kind, read: reading.value, left: [...told, ...reading.value.left] }) : reading
}

function csvOf(text: string, told: readonly FileProblem[]): Result<AnyFile, FileProblem> {
  const { shapes, problems } = readShapesCsv(text)
  const left = problems.map(csvProblem)
  const [first] = left
  if (shapes.length > MOST_FILE_CHORDS) return fail(problem('too_many_chords', 0, String(MOST_FILE_CHORDS)))
  if (shapes.length === 0) return fail(first ?? problem('no_chords'))
  return ok({ kind: 'csv', read: { tunes: [], shapes, left }, left: [...told, ...left] })
}

function csvProblem(one: CsvProblem): FileProblem {
  switch (one.code) {
    case 'missing_column':
      return problem('missing_column', one.line, one.column)
    case 'not_csv':
      return problem('not_csv', one.line, one.why)
    case 'not_a_shape':
      return problem('not_a_shape', one.line, one.error.field)
  }
}
