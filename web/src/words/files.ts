/** What is wrong with a file, in words: what, where, and what would be right. */
import type { FileProblem, FileProblemCode } from '@nestling/formats/file'

const SAID: Readonly<Record<FileProblemCode, (text: string) => string>> = {
  empty: () => 'The file is empty',
  too_large: (most) => `The file is too large; at most ${most} are read`,
  binary: () => 'This is no music file: a picture, a sound, a PDF or an archive can’t be read',
  utf16: () => 'The text is in UTF-16; save it as UTF-8 and read it again',
  nul: () => 'There is a NUL character: this is no text, or it was damaged',
  long_line: (most) => `A line is longer than ${most} characters; no music has such lines`,
  unknown_format: () => 'The format isn’t known; notebooks (JSON), MusicXML, MIDI, ChordPro, text TAB and CSV are read',
  not_xml: (why) => `The XML is broken${why === '' ? '' : `: ${why.replace(/\.$/, '')}`}`,
  doctype: () => 'The XML defines entities of its own, which can hide anything; save it without them',
  too_deep: (most) => `It is nested deeper than ${most} levels; no music is`,
  not_musicxml: (name) => `This is XML, but no MusicXML${name === '' ? '' : ` (it begins with <${name}>)`}`,
  timewise: () => 'This MusicXML is ordered by time; save it “partwise”, as nearly all programs do',
  not_zip: () => 'The compressed MusicXML is damaged: it can’t be unpacked',
  zip_too_large: (most) => `Unpacked, the file would be larger than ${most}`,
  zip_without_score: () => 'There is no score in the compressed file',
  not_midi: () => 'This is no Standard MIDI File with bars and beats',
  cut_short: () => 'The MIDI file ends before its tracks do: it was cut short',
  not_json: (why) => `The JSON is broken${why === '' ? '' : `: ${why}`}`,
  not_notebook: (table) =>
    `This JSON is no Nestling notebook${table === '' ? '' : ` (“${table}” is not as it should be)`}`,
  newer_notebook: (version) =>
    `The notebook is of version ${version}, made by a newer Nestling; update Nestling to read it`,
  not_csv: (why) => `The line is no CSV${why === '' ? '' : `: ${why}`}`,
  missing_column: (column) => `The column “${column}” is missing; expected chord, frets and tuning`,
  no_chords: () => 'No chord was found in it',
  too_many_chords: (most) => `It holds more than ${most}${/\D/.test(most) ? '' : ' chords'}; split it`,
  latin1: () => 'It is not UTF-8 and was read as Latin-1; check its accents',
  not_a_chord: (chord) => `“${chord}” is no chord that is known, and was left out`,
  not_a_shape: (field) => `The shape can’t be read${field === '' ? '' : ` (${field})`}, and was left out`,
  not_a_key: (key) => `“${key}” is no key, and was left out`,
  not_a_metre: (metre) => `“${metre}” is no metre that is known, and was left out`,
  not_a_tempo: (tempo) => `“${tempo}” is no tempo from 20 to 300, and was left out`,
  not_a_tuning: (tuning) => `“${tuning}” is no tuning of these strings; the usual one was taken`,
  not_a_definition: (text) => `The definition “${text}” can’t be read, and was left out`,
  no_bars: () => 'It has no bars: each chord takes one',
  guessed_chord: (text) =>
    /^\d+$/.test(text)
      ? `${text} chords were named by their tones; check them`
      : `The shape ${text} was named by its tones; check it`,
  words_left: (text) => (/^\d+$/.test(text) ? `Lines of words were left aside: ${text}` : `“${text}” was left aside`),
  notes_left: (count) => `Single notes were left aside: ${count}; chords and their shapes are taken`,
  part_left: (part) => `${/^\d+$/.test(part) ? `A block of ${part} strings` : `The part ${part}`} was left aside`,
  pickup: () => 'The pickup was made a whole bar with rests before it',
  moved: (bar) => `In bar ${bar} a chord stood between two beats and was put on the nearer one`,
  repeats_left: () => 'Jumps (da capo, segno, coda, more than two times) were left aside',
  row_wrong: (why) => why,
}

/** `Line 3: “H” is no chord that is known, and was left out.` */
export function fileWords({ code, line, text }: FileProblem): string {
  const said = SAID[code](text)
  const place =
    line === 0 ? '' : code === 'pickup' || code === 'moved' || code === 'not_a_metre' ? '' : `Line ${line}: `
  return `${place}${place === '' ? said : `${said.slice(0, 1).toLowerCase()}${said.slice(1)}`}.`
}
