/** The tones of the line as eggs with their fingers; one stop of the keyboard, and the arrows go in the order of playing. */
import { useStore } from '@nanostores/react'
import type { ArpeggioNote } from '@nestling/core/arpeggio'
import { writeNote } from '@nestling/core/pitch'
import type { Frets } from '@nestling/core/voicing'
import { type KeyboardEvent, memo } from 'react'
import { Egg } from '../../../neck/Egg.tsx'
import { eggLabel } from '../../../neck/labels.ts'
import type { NeckLayout } from '../../../neck/layout.ts'
import { $session } from '../../../state/session.ts'
import { degreeName } from '../../../words/degrees.ts'
import type { ArpeggioLine } from '../plan.ts'
import { $pointed } from '../pointed.ts'
import classes from './LineNeck.module.css'

export interface TonesProps {
  readonly line: ArpeggioLine
  readonly layout: NeckLayout
  readonly voicing: Frets | undefined
  readonly selected: number | undefined
  readonly select: (index: number) => void
}

export const Tones = memo(function Tones({ line, layout, voicing, selected, select }: TonesProps) {
  const { settings } = useStore($session)
  const { labels, naming } = settings
  const { notes, order, neck } = line
  const strings = neck.open.length
  const played = new Set(order)
  const stop = selected ?? order[0] ?? 0
  const rank = new Map(order.toReversed().map((index, place) => [index, order.length - place]))
  const spoken = (note: ArpeggioNote, index: number) => {
    const where = `string ${strings - note.string}, ${note.fret === 0 ? 'open' : `fret ${note.fret}`}`
    const finger = note.finger === null ? '' : `, finger ${note.finger}${note.stretched ? ' reaches' : ''}`
    const place = rank.get(index)
    const moved = index > 0 && notes[index - 1]?.handAt !== note.handAt ? `, the hand goes to fret ${note.handAt}` : ''
    return `the ${degreeName(note.degree)}, ${writeNote(note.note, naming)}: ${where}${finger}${moved}, ${place === undefined ? 'not played' : `note ${place}`}`
  }
  return (
    // biome-ignore lint/a11y/noInteractiveElementToNoninteractiveRole: a group of buttons; the keys reach it from them
    <g role="group" aria-label="Tones" onKeyDown={walk}>
      {notes.map((note, index) => {
        const x = layout.tipX(note.fret)
        const y = layout.stringY(note.string)
        return (
          <g
            key={`${note.string}:${note.fret}`}
            role="button"
            tabIndex={index === stop ? 0 : -1}
            aria-label={spoken(note, index)}
            data-testid="arpeggio-tone"
            data-order={rank.get(index)}
            data-string={strings - note.string}
            data-fret={note.fret}
            data-finger={note.finger ?? 0}
            className={classes['tone']}
            data-selected={selected === index || undefined}
            onClick={() => select(index)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== ' ') return
              event.preventDefault()
              select(index)
            }}
            onPointerEnter={() => $pointed.set(index)}
            onPointerLeave={() => $pointed.set(undefined)}
            onFocus={() => $pointed.set(index)}
            onBlur={() => $pointed.set(undefined)}
          >
            <Egg
              kind={played.has(index) ? 'sounding' : 'stone'}
              x={x}
              y={y}
              size={played.has(index) ? Math.min(16, layout.rowHeight * 0.5) : 12}
              degree={note.degree}
              label={eggLabel(note, labels, naming)}
              moved={voicing?.[note.string] === note.fret}
            />
            {note.finger !== null && labels !== 'finger' && (
              <g className={classes['disc']} data-reaches={note.stretched || undefined}>
                <circle cx={x - layout.direction * 18} cy={y + Math.min(9, layout.rowHeight * 0.3)} r={7.5} />
                <text x={x - layout.direction * 18} y={y + Math.min(9, layout.rowHeight * 0.3) + 4}>
                  {note.finger}
                </text>
              </g>
            )}
          </g>
        )
      })}
    </g>
  )
})

/** Arrows go from tone to tone as they are played first, and the eggs that the line leaves out come after. */
function walk(event: KeyboardEvent<SVGGElement>) {
  const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (by === undefined) return
  const rank = (one: Element) => Number(one.getAttribute('data-order') ?? Number.POSITIVE_INFINITY)
  const all = [...event.currentTarget.querySelectorAll<SVGGElement>('[role="button"]')].sort(
    (a, b) => rank(a) - rank(b),
  )
  const next = all[all.indexOf(document.activeElement as unknown as SVGGElement) + by]
  event.preventDefault()
  event.stopPropagation()
  next?.focus()
}
