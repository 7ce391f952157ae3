/**
 * Bytes to text: UTF-8 with or without its mark; what is not UTF-8 is read as Latin-1, and that is told. Everything that no
 * text file has is refused with its reason.
 */
import { fail, ok, type Result } from '@nestling/core/result'
import { type FileProblem, problem } from './problem.ts'

/** A music file; a notebook may be larger. */
export const MOST_FILE_BYTES = 5 * 1024 * 1024
export const MOST_NOTEBOOK_BYTES = 20 * 1024 * 1024
export const MOST_FILE_CHORDS = 5000
/** A longer line is no line of music, and would take a line reader's time. */
export const MOST_LINE = 20_000

export interface TextRead {
  readonly text: string
  readonly encoding: 'utf-8' | 'latin-1'
}

/** @param oneLine A format that has no lines: JSON, XML. */
export function readText(
  bytes: Uint8Array,
  { most = MOST_FILE_BYTES, oneLine = false }: { readonly most?: number; readonly oneLine?: boolean } = {},
): Result<TextRead, FileProblem> {
  if (bytes.length === 0) return fail(problem('empty'))
  if (bytes.length > most) return fail(problem('too_large', 0, megabytes(most)))
  const [first, second] = bytes
  if ((first === 0xff && second === 0xfe) || (first === 0xfe && second === 0xff)) return fail(problem('utf16'))
  const nul = bytes.indexOf(0)
  if (nul >= 0) return fail(problem('nul', lineAt(bytes, nul)))
  const read = decoded(bytes)
  if (oneLine) return ok(read)
  let line = 1
  for (let from = 0; from < read.text.length; line++) {
    const end = read.text.indexOf('\n', from)
    const to = end < 0 ? read.text.length : end
    if (to - from > MOST_LINE) return fail(problem('long_line', line, String(MOST_LINE)))
    from = to + 1
  }
  return ok(read)
}

export const megabytes = (bytes: number): string => `${Math.round(bytes / 1024 / 1024)} MB`

function decoded(bytes: Uint8Array): TextRead {
  try {
    // The mark at the beginning is left away by the decoder.
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'utf-8' }
  } catch {
    return { text: new TextDecoder('latin1').decode(bytes), encoding: 'latin-1' }
  }
}

function lineAt(bytes: Uint8Array, at: number): number {
  let line = 1
  for (let index = 0; index < at; index++) if (bytes[index] === 10) line++
  return line
}
