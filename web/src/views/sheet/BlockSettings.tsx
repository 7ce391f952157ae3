/** A block's settings: words that are changed where they stand. What can't be read is told and changes nothing. */
import { readChart } from '@nestling/core/chart'
import { readSymbol } from '@nestling/core/chord'
import { readKey } from '@nestling/core/key'
import type {
  ArpeggioBlock,
  Block,
  ChartBlock,
  KeyBlock,
  MapBlock,
  ShapesBlock,
  TitleBlock,
  WordsBlock,
} from '@nestling/core/sheet'
import { readArrangement } from '@nestling/core/voicing'
import { useId } from 'react'
import { Choice } from '../../controls/Choice.tsx'
import sentence from '../../controls/sentence.module.css'
import { useTyped } from '../../controls/useTyped.ts'
import { messageOf } from '../../words/errors.ts'
import classes from './Blocks.module.css'
import type { SheetState } from './useSheet.ts'

interface SettingsOf<Kind extends Block> {
  readonly block: Kind
  readonly state: SheetState
}

export function BlockSettings({ block, state }: SettingsOf<Block>) {
  switch (block.kind) {
    case 'title':
      return <TitleSettings block={block} state={state} />
    case 'chart':
      return <ChartSettings block={block} state={state} />
    case 'key':
      return <KeySettings block={block} state={state} />
    case 'map':
      return <MapSettings block={block} state={state} />
    case 'arpeggio':
      return <ArpeggioSettings block={block} state={state} />
    case 'shapes':
      return <ShapesSettings block={block} state={state} />
    case 'words':
      return <WordsSettings block={block} state={state} />
    case 'legend':
      return <p>Root, third, seventh, fifth, extensions; what moved; the hand.</p>
  }
}

/** A text that is taken at Enter, or when it is left; while it can't be read the page keeps the last one. */
function TextSetting({
  label,
  value,
  short = false,
  most = 120,
  wrong,
  take,
}: {
  readonly label: string
  readonly value: string
  readonly short?: boolean
  readonly most?: number
  readonly wrong?: (text: string) => string | undefined
  readonly take: (text: string) => void
}) {
  const { text, type, finish, letGo } = useTyped(value, take, (typed) => wrong?.(typed) === undefined)
  const problem = text === value ? undefined : wrong?.(text)
  const id = useId()
  return (
    <>
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        type="text"
        className={`plain-field ${short ? classes['short'] : ''}`}
        value={text}
        maxLength={most}
        aria-invalid={problem !== undefined}
        spellCheck={false}
        onChange={(event) => type(event.currentTarget.value)}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key === 'Enter') finish()
          if (event.key === 'Escape') letGo()
        }}
      />
      {problem !== undefined && (
        <p role="alert" className={classes['problem']}>
          {problem}
        </p>
      )}
    </>
  )
}

const chordWrong = (text: string): string | undefined => {
  const read = readSymbol(text)
  return read.ok ? undefined : messageOf(read.error)
}
const keyWrong = (text: string): string | undefined => {
  const read = readKey(text)
  return read.ok ? undefined : messageOf(read.error)
}
const arrangementWrong = (text: string): string | undefined => {
  const read = readArrangement(text || 'any')
  return read.ok ? undefined : messageOf(read.error)
}

function TitleSettings({ block, state: { changeBlock, sheet } }: SettingsOf<TitleBlock>) {
  return (
    <>
      <TextSetting
        label="title"
        value={block.text || sheet.title}
        take={(text) => changeBlock<'title'>(block.id, { text })}
      />
      <TextSetting
        label="beside it"
        value={block.aside}
        most={160}
        take={(aside) => changeBlock<'title'>(block.id, { aside })}
      />
    </>
  )
}

const UNDER = [
  ['nothing', 'nothing'],
  ['tab', 'TAB'],
  ['staff', 'staff and TAB'],
] as const

function ChartSettings({ block, state }: SettingsOf<ChartBlock>) {
  const { tunes, changeBlock } = state
  const change = (changes: Partial<ChartBlock>) => changeBlock<'chart'>(block.id, changes)
  const kept = block.source.kind === 'kept' ? block.source.tune : undefined
  const tune = tunes.find(({ id }) => id === kept)
  const text = block.source.kind === 'own' ? block.source.chart : (tune?.tune.chart ?? '')
  const count = readChart(text).chart.bars.length
  const bars = Array.from({ length: count }, (_, index) => [index + 1, String(index + 1)] as const)
  return (
    <>
      <p>
        <Choice
          label="Tune"
          value={kept}
          options={tunes.map(({ id, title }) => [id, title] as const)}
          otherwise="a chart of its own"
          take={(id) =>
            id !== undefined && change({ source: { kind: 'kept', tune: id }, from: undefined, to: undefined })
          }
        />
        {', from bar '}
        <Choice
          label="First bar"
          value={block.from ?? 1}
          options={bars}
          take={(from) =>
            change({ from: from === 1 ? undefined : from, ...((block.to ?? count) < from ? { to: undefined } : {}) })
          }
        />
        {' to '}
        <Choice
          label="Last bar"
          value={block.to ?? count}
          options={bars.filter(([bar]) => bar >= (block.from ?? 1))}
          take={(to) => change({ to: to === count ? undefined : to })}
        />
      </p>
      <p>
        {'under the necks '}
        <Choice label="Under the necks" value={block.under} options={UNDER} take={(under) => change({ under })} />
        {', what moves by one tone '}
        <Choice
          label="What moves"
          value={block.moves}
          options={[
            [true, 'with ghost and arc'],
            [false, 'plain'],
          ]}
          take={(moves) => change({ moves })}
        />
      </p>
    </>
  )
}

const ROOTS: readonly (readonly [string, string])[] = [
  ['6', 'string 6'],
  ['5', 'string 5'],
  ['4', 'string 4'],
  ['6,5', 'strings 6 and 5'],
  ['5,4', 'strings 5 and 4'],
  ['6,5,4', 'strings 6, 5 and 4'],
]

function KeySettings({ block, state: { changeBlock } }: SettingsOf<KeyBlock>) {
  const change = (changes: Partial<KeyBlock>) => changeBlock<'key'>(block.id, changes)
  return (
    <>
      <TextSetting label="key" value={block.key} wrong={keyWrong} take={(key) => change({ key })} />
      <p>
        {'in '}
        <Choice
          label="How far thirds are stacked"
          value={block.depth}
          options={(['triads', 'sevenths', 'ninths'] as const).map((depth) => [depth, depth] as const)}
          take={(depth) => change({ depth })}
        />
        {', roots on '}
        <Choice
          label="Root strings"
          value={block.roots.join(',')}
          options={ROOTS}
          otherwise={block.roots.join(' ')}
          take={(roots) => change({ roots: roots.split(',').map(Number) })}
        />
        {', formulas of every step '}
        <Choice
          label="Formulas"
          value={block.formulas}
          options={[
            [true, 'told'],
            [false, 'left out'],
          ]}
          take={(formulas) => change({ formulas })}
        />
      </p>
    </>
  )
}

function MapSettings({ block, state: { changeBlock } }: SettingsOf<MapBlock>) {
  return (
    <>
      <TextSetting
        label="chord"
        value={block.chord}
        most={48}
        wrong={chordWrong}
        take={(chord) => changeBlock<'map'>(block.id, { chord })}
      />
      <TextSetting
        label="arrangement: drop-2, close, R-7-3-5, any"
        value={block.arrangement}
        most={60}
        wrong={arrangementWrong}
        take={(arrangement) => changeBlock<'map'>(block.id, { arrangement })}
      />
    </>
  )
}

function ArpeggioSettings({ block, state: { changeBlock } }: SettingsOf<ArpeggioBlock>) {
  const change = (changes: Partial<ArpeggioBlock>) => changeBlock<'arpeggio'>(block.id, changes)
  const places = Array.from({ length: 18 }, (_, fret) => [fret, `fret ${fret}`] as const)
  return (
    <>
      <TextSetting label="chord" value={block.chord} most={48} wrong={chordWrong} take={(chord) => change({ chord })} />
      <p>
        {'hand at '}
        <Choice label="Where the hand is" value={block.at} options={places} take={(at) => change({ at })} />
        {', under the neck '}
        <Choice label="Under the neck" value={block.under} options={UNDER} take={(under) => change({ under })} />
      </p>
    </>
  )
}

function ShapesSettings({ block, state: { changeBlock } }: SettingsOf<ShapesBlock>) {
  const change = (changes: Partial<ShapesBlock>) => changeBlock<'shapes'>(block.id, changes)
  return (
    <>
      <TextSetting label="heading" value={block.title} take={(title) => change({ title })} />
      <p>
        {block.shapes.map(({ chord, frets }, index) => (
          <button
            key={`${index}${frets}`}
            type="button"
            className={sentence['word']}
            title="remove it"
            aria-label={`Remove ${chord} ${frets}`}
            onClick={() => change({ shapes: block.shapes.filter((_, place) => place !== index) })}
          >
            {chord} {frets} ×
          </button>
        ))}
        {block.shapes.length === 0 && 'No shapes: put some into the tray or keep some in the Book, then “to a sheet”.'}
      </p>
    </>
  )
}

function WordsSettings({ block, state: { changeBlock } }: SettingsOf<WordsBlock>) {
  const { text, type, finish } = useTyped(block.text, (typed) => changeBlock<'words'>(block.id, { text: typed }))
  return (
    <label>
      words; a line that begins with # is a heading
      <textarea value={text} maxLength={4000} onChange={(event) => type(event.currentTarget.value)} onBlur={finish} />
    </label>
  )
}
