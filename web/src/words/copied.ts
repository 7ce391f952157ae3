/** Shapes and lines as plain text for somebody else's page: a line each, or TAB as it is typed. */
import { type SymbolStyle, writeSymbol } from '@nestling/core/chord'
import { type NamingSystem, type Pitch, writeNote } from '@nestling/core/pitch'
import type { Shape } from '@nestling/core/shape'
import { fretsWord } from './shapes.ts'

export interface Copied {
  readonly text: string
  /** Strings from the highest to the lowest, a column for each shape or note. */
  readonly tab: string
}

const symbolsOf = (shapes: readonly Shape[], style: SymbolStyle) => shapes.map(({ chord }) => writeSymbol(chord, style))

/** Each shape a line, such as `E♭maj7 x6878x`; and all of them as TAB with their symbols above. Shapes of another number of strings than the first are left out of the TAB. */
export function shapesCopied(shapes: readonly Shape[], style: SymbolStyle): Copied {
  const symbols = symbolsOf(shapes, style)
  const [first] = shapes
  if (!first) return { text: '', tab: '' }
  const { strings } = first.tuning
  const columns = shapes.flatMap(({ frets }, index) =>
    frets.length === strings.length ? [{ above: symbols[index] ?? '', frets }] : [],
  )
  return {
    text: shapes.map(({ frets }, index) => `${symbols[index]} ${fretsWord(frets)}`).join('\n'),
    tab: tabOf(strings, columns, style.naming),
  }
}

/** A line of single notes. */
export function lineCopied(
  symbol: string,
  notes: readonly { readonly string: number; readonly fret: number }[],
  strings: readonly Pitch[],
  naming: NamingSystem | undefined,
): Copied {
  const columns = notes.map((note, index) => ({
    above: index === 0 ? symbol : '',
    frets: strings.map((_, string) => (string === note.string ? note.fret : null)),
  }))
  const words = notes.map(({ string, fret }) => `${strings.length - string}/${fret}`)
  return { text: `${symbol}: ${words.join(' ')}`, tab: tabOf(strings, columns, naming) }
}

interface Column {
  readonly above: string
  readonly frets: readonly (number | null)[]
}

function tabOf(strings: readonly Pitch[], columns: readonly Column[], naming: NamingSystem | undefined): string {
  const names = strings.map(({ name }) => writeNote(name, naming))
  const nameWidth = Math.max(...names.map((name) => name.length))
  const widths = columns.map(({ above, frets }) =>
    Math.max(
      above.length === 0 ? 0 : above.length + 1,
      ...frets.map((fret) => (fret === null ? 1 : String(fret).length)),
    ),
  )
  const head = `${' '.repeat(nameWidth + 2)}${columns.map(({ above }, index) => above.padEnd((widths[index] ?? 1) + 1)).join('')}`
  const lines = names.map((name, string) => {
    const cells = columns.map(({ frets }, index) => {
      const fret = frets[string]
      return `${fret ?? ''}`.padEnd((widths[index] ?? 1) + 1, '-')
    })
    return `${name.padEnd(nameWidth)}|-${cells.join('')}|`
  })
  return [head.trimEnd(), ...lines.toReversed()].filter((line) => line !== '').join('\n')
}
