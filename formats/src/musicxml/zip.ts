/** Compressed MusicXML: a zip with the score in it. Only the score is unpacked, and only when it is of moderate size. */
import { fail, ok, type Result } from '@nestling/core/result'
import { strFromU8, type UnzipFileInfo, unzipSync } from 'fflate'
import { type FileProblem, MOST_FILE_BYTES, megabytes, problem } from '../file/index.ts'

const MOST_ENTRIES = 200
const CONTAINER = 'META-INF/container.xml'

export const isZip = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4

export function scoreInZip(bytes: Uint8Array): Result<Uint8Array, FileProblem> {
  if (bytes.length > MOST_FILE_BYTES) return fail(problem('too_large', 0, megabytes(MOST_FILE_BYTES)))
  let entries = 0
  let tooLarge = false
  /** What an entry says of itself is checked before it is unpacked, and again by what came of it. */
  const wanted = ({ name, originalSize }: UnzipFileInfo): boolean => {
    entries++
    if (entries > MOST_ENTRIES) tooLarge = true
    if (tooLarge || name.includes('..') || name.startsWith('/')) return false
    if (name !== CONTAINER && !/\.(musicxml|xml)$/i.test(name)) return false
    if (originalSize > MOST_FILE_BYTES) tooLarge = true
    return !tooLarge
  }
  let files: Record<string, Uint8Array>
  try {
    files = unzipSync(bytes, { filter: wanted })
  } catch {
    return fail(problem('not_zip'))
  }
  if (tooLarge || Object.values(files).some((file) => file.length > MOST_FILE_BYTES))
    return fail(problem('zip_too_large', 0, megabytes(MOST_FILE_BYTES)))
  const container = files[CONTAINER]
  const stated = container && /full-path\s*=\s*"([^"]+)"/.exec(strFromU8(container))?.[1]
  const score =
    (stated === undefined ? undefined : files[stated]) ??
    files[Object.keys(files).find((name) => !name.startsWith('META-INF')) ?? '']
  return score ? ok(score) : fail(problem('zip_without_score'))
}
