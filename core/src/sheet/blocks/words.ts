/** Words, titles and headings, broken into lines where the page ends. */
import type { BlockRoom } from '../context.ts'
import { type Face, fitted, type Measure, NAME, type Role, SMALL, TITLE, text } from '../marks.ts'
import type { Row } from '../row.ts'
import type { TitleBlock, WordsBlock } from '../types.ts'

const LEADING = 1.42

export function titleRows(
  { id, text: title, aside }: TitleBlock,
  { width, measure, sheet }: BlockRoom,
): readonly Row[] {
  const said = title === '' ? sheet.title : title
  const own = measure(said, 'serif', TITLE)
  const beside = measure(aside, 'sans', SMALL)
  const fits = own + beside + 6 <= width
  const words = fitted(said, width, measure, 'serif', TITLE)
  return [
    {
      block: id,
      height: TITLE * 1.15 + (aside === '' || fits ? 0 : SMALL * LEADING) + 3,
      marks: [
        text(0, TITLE * 0.92, words, { face: 'serif', size: TITLE }),
        ...(aside === ''
          ? []
          : [
              fits
                ? text(width, TITLE * 0.92, aside, { role: 'soft', anchor: 'end' })
                : text(0, TITLE * 0.92 + SMALL * LEADING + 0.6, fitted(aside, width, measure, 'sans', SMALL), {
                    role: 'soft',
                  }),
            ]),
      ],
      staysWithNext: true,
    },
  ]
}

export function heading(block: string, words: string, { width, measure }: BlockRoom, aside = ''): Row {
  const room = width - measure(aside, 'sans', SMALL) - 4
  return {
    block,
    height: NAME + 4.8,
    marks: [
      text(0, NAME + 2.4, fitted(words, room, measure, 'serif', NAME), { face: 'serif', size: NAME }),
      ...(aside === '' ? [] : [text(width, NAME + 2.4, aside, { role: 'soft', anchor: 'end' })]),
    ],
    staysWithNext: true,
  }
}

export function wordsRows({ id, text: words }: WordsBlock, { width, measure }: BlockRoom): readonly Row[] {
  return words.split('\n').flatMap((paragraph) => {
    // A line that begins with # is a heading among words.
    const isHeading = paragraph.startsWith('#')
    const [face, size]: readonly [Face, number] = isHeading ? ['serif', NAME] : ['sans', SMALL + 0.3]
    return lines(paragraph.replace(/^#+\s*/, ''), width, measure, face, size).map(
      (line, index): Row => ({
        block: id,
        height: size * LEADING + (isHeading && index === 0 ? 1.2 : 0),
        marks: line === '' ? [] : [text(0, size * 1.05 + (isHeading ? 1.2 : 0), line, { face, size })],
        staysWithNext: isHeading,
      }),
    )
  })
}

/** Words into lines that fit; a word that is longer than a line is broken. */
export function lines(words: string, width: number, measure: Measure, face: Face, size: number): readonly string[] {
  const found: string[] = []
  let now = ''
  const room = (piece: string) => measure(piece, face, size) <= width
  for (const word of words.split(/\s+/)) {
    const longer = now === '' ? word : `${now} ${word}`
    if (room(longer)) {
      now = longer
      continue
    }
    if (now !== '') found.push(now)
    now = word
    while (!room(now)) {
      let take = now.length - 1
      while (take > 1 && !room(now.slice(0, take))) take--
      found.push(now.slice(0, take))
      now = now.slice(take)
    }
  }
  return [...found, now]
}

/** What can't be drawn says so where it would stand. */
export const missing = (
  block: string,
  words: string,
  { width, measure }: BlockRoom,
  role: Role = 'soft',
): readonly Row[] => [
  {
    block,
    height: SMALL * LEADING + 2,
    marks: [text(0, SMALL + 1, fitted(words, width, measure, 'italic', SMALL), { face: 'italic', role })],
  },
]
