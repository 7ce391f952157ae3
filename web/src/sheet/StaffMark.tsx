/** Staff and TAB on a page: the engraver draws beside it, and its drawing is put where it belongs. */
import type { Mark } from '@nestling/core/sheet'
import { useEffect, useState } from 'react'

type Staff = Extract<Mark, { kind: 'staff' }>

/** Pixels of the engraver in a millimetre of the page: its smallest figures are then as large as those of a TAB. */
const PX_A_MM = 5.4

interface Drawn {
  readonly markup: string
  readonly width: number
  readonly height: number
  /** What the drawing says once for all of it. */
  readonly shared: string
}

/** One system. The engraver needs a place in the page while it draws. */
async function drawn({ bars, width, widths, fifths, strings, begins, ends }: Staff): Promise<Drawn> {
  const { engrave } = await import('../notation/engrave.ts')
  const box = document.createElement('div')
  box.style.cssText = 'position:absolute;left:-9999px;top:0;visibility:hidden'
  document.body.append(box)
  try {
    const px = Math.floor(width * PX_A_MM)
    const barWidths = widths?.map((mm) => mm * PX_A_MM)
    await engrave(box, bars, {
      strings,
      width: px,
      fifths,
      widths: barWidths,
      repeats: false,
      oneSystem: true,
      begins,
      ends,
    })
    const svg = box.querySelector('svg')
    return {
      markup: svg?.innerHTML ?? '',
      width: Number(svg?.getAttribute('width') ?? px),
      height: Number(svg?.getAttribute('height') ?? 0),
      shared: SHARED.flatMap((name) => {
        const value = svg?.getAttribute(name)
        return value ? [`${name}="${value}"`] : []
      }).join(' '),
    }
  } finally {
    box.remove()
  }
}

const SHARED = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
]

export function StaffMark({ mark }: { readonly mark: Staff }) {
  const [found, setFound] = useState<Drawn | undefined>(undefined)
  useEffect(() => {
    let current = true
    void drawn(mark).then((now) => current && setFound(now))
    return () => {
      current = false
    }
  }, [mark])
  const { x, y, width, height } = mark
  if (!found) return <rect x={x} y={y} width={width} height={height} fill="none" data-waiting="staff" />
  const scale = Math.min(width / found.width, height / Math.max(1, found.height))
  return (
    <g
      transform={`translate(${x} ${y}) scale(${scale})`}
      data-staff
      // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by our own engraver from notes, never from a text
      dangerouslySetInnerHTML={{ __html: `<g ${found.shared}>${found.markup}</g>` }}
    />
  )
}
