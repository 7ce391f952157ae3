import type { TuneInHand } from '@nestling/core/chart'
import type { Result } from '@nestling/core/result'
import type { NamedShape } from '../csv/index.ts'
import type { FileProblem } from '../file/index.ts'

/** A tune with what its file says besides: kept, and written again. */
export interface FileTune {
  readonly tune: TuneInHand
  /** Lines of the file that a chart has no place for: comments, directives of other programs. */
  readonly remarks: readonly string[]
}

/** What a file holds. */
export interface FileRead {
  readonly tunes: readonly FileTune[]
  readonly shapes: readonly NamedShape[]
  /** What was left aside or is in doubt, each with its place. */
  readonly left: readonly FileProblem[]
}

export type FileReading = Result<FileRead, FileProblem>
