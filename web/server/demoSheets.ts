/** The demo's three sheets: a tune with its key, a cheat sheet, and the shapes of an evening. */
import type { KeptShape } from '../src/contracts/shape.ts'
import type { SheetDraft } from '../src/contracts/sheet.ts'
import type { KeptTune } from '../src/contracts/tune.ts'

const LOOK = { paper: 'A4', necks: 'lying', labels: 'none', ink: 'colour' } as const

export function demoSheets(tunes: readonly KeptTune[], shapes: readonly KeptShape[]): readonly SheetDraft[] {
  const tune = (title: string): number => tunes.find((one) => one.title === title)?.id ?? 0
  const ferry = { kind: 'kept', tune: tune('Slow Ferry') } as const
  const waltz = { kind: 'kept', tune: tune('Low Tide Waltz') } as const
  return [
    {
      ...LOOK,
      title: 'Slow Ferry',
      lying: true,
      barsALine: 5,
      blocks: [
        {
          id: 'title',
          kind: 'title',
          text: 'Slow Ferry',
          aside: 'A♭ major, bossa, 112 a minute. Archtop, E A D G B E.',
        },
        { id: 'first', kind: 'chart', source: ferry, from: 1, to: 5, under: 'tab', moves: true },
        { id: 'last', kind: 'chart', source: ferry, from: 6, to: 10, under: 'tab', moves: true },
        { id: 'key', kind: 'key', key: 'Ab', depth: 'sevenths', roots: [6, 5], formulas: false },
        { id: 'legend', kind: 'legend' },
      ],
    },
    {
      ...LOOK,
      title: 'Cheat sheet, B♭ major',
      lying: false,
      barsALine: 4,
      blocks: [
        { id: 'title', kind: 'title', text: 'B♭ major', aside: 'Low Tide Waltz stands in it' },
        { id: 'key', kind: 'key', key: 'Bb', depth: 'sevenths', roots: [6, 5], formulas: true },
        { id: 'map', kind: 'map', chord: 'Bbmaj7', arrangement: 'drop-2' },
        { id: 'arpeggio', kind: 'arpeggio', chord: 'Bbmaj7', at: 5, under: 'tab' },
        { id: 'words', kind: 'words', text: 'The clarinet has the root above the first bar: leave it out there.' },
        { id: 'legend', kind: 'legend' },
      ],
    },
    {
      ...LOOK,
      title: 'The small hall, first set',
      lying: false,
      barsALine: 4,
      labels: 'degree',
      blocks: [
        { id: 'title', kind: 'title', text: 'The small hall', aside: 'The Lantern Room, first set' },
        { id: 'waltz', kind: 'chart', source: waltz, under: 'nothing', moves: false },
        {
          id: 'shapes',
          kind: 'shapes',
          title: 'Shapes to have ready',
          shapes: shapes
            .filter(({ tuning }) => tuning.startsWith('E2'))
            .slice(0, 8)
            .map(({ name, chord, frets, tuning, fingers, note }) => ({ name, chord, frets, tuning, fingers, note })),
        },
        {
          id: 'words',
          kind: 'words',
          text: '# Between the tunes\nRetune the flat-top for Night Heron while the bass plays alone; the sixth string goes down first.',
        },
        { id: 'legend', kind: 'legend' },
      ],
    },
  ]
}
