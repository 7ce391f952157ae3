/** What is wrong with a file, or with a part of it. The sentence that a person reads is made where it is shown. */
export interface FileProblem {
  readonly code: FileProblemCode
  /** Counts from 1; 0 where it is the whole file. */
  readonly line: number
  /** The piece that can't be taken, shortened; or what a number means: a size, a depth. */
  readonly text: string
}

export type FileProblemCode =
  // The whole file is refused.
  | 'empty'
  | 'too_large'
  | 'binary'
  | 'utf16'
  | 'nul'
  | 'long_line'
  | 'unknown_format'
  | 'not_xml'
  | 'doctype'
  | 'too_deep'
  | 'not_musicxml'
  | 'timewise'
  | 'not_zip'
  | 'zip_too_large'
  | 'zip_without_score'
  | 'not_midi'
  | 'cut_short'
  | 'not_json'
  | 'not_notebook'
  | 'newer_notebook'
  | 'not_csv'
  | 'missing_column'
  | 'no_chords'
  | 'too_many_chords'
  // A part is left aside.
  | 'latin1'
  | 'not_a_chord'
  | 'not_a_shape'
  | 'not_a_key'
  | 'not_a_metre'
  | 'not_a_tempo'
  | 'not_a_tuning'
  | 'not_a_definition'
  | 'no_bars'
  | 'guessed_chord'
  | 'words_left'
  | 'notes_left'
  | 'part_left'
  | 'pickup'
  | 'moved'
  | 'repeats_left'
  | 'row_wrong'

export const problem = (code: FileProblemCode, line = 0, text = ''): FileProblem => ({
  code,
  line,
  text: [...text].slice(0, MOST_PIECE).join(''),
})

const MOST_PIECE = 40
