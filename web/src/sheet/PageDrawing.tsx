/**
 * A page as one drawing, in millimetres and plain attributes: what the screen shows is what is printed and what goes into
 * files. Nothing of it depends on the page's theme.
 */
import {
  INK_COLOURS,
  type Ink,
  type InkColours,
  type Mark,
  type Page,
  type PageSize,
  type Role,
} from '@nestling/core/sheet'
import { type CSSProperties, memo } from 'react'
import { eggLines, TILT } from './egg.ts'
import { FAMILIES } from './faces.ts'
import { StaffMark } from './StaffMark.tsx'

export interface PageDrawingProps {
  readonly page: Page
  readonly size: PageSize
  readonly ink: Ink
  /** Said in place of the drawing. */
  readonly label: string
}

export const PageDrawing = memo(function PageDrawing({ page, size, ink, label }: PageDrawingProps) {
  const colours = INK_COLOURS[ink]
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${size.width} ${size.height}`}
      width={size.width}
      height={size.height}
      role="img"
      aria-label={label}
      data-page
    >
      <rect x="0" y="0" width={size.width} height={size.height} fill={colours.paper} />
      {page.marks.map((mark, index) => (
        <Drawn key={index} mark={mark} colours={colours} />
      ))}
    </svg>
  )
})

function Drawn({ mark, colours }: { readonly mark: Mark; readonly colours: InkColours }) {
  switch (mark.kind) {
    case 'line':
      return (
        <line
          x1={round(mark.x1)}
          y1={round(mark.y1)}
          x2={round(mark.x2)}
          y2={round(mark.y2)}
          stroke={colours[mark.role]}
          strokeWidth={mark.width}
          strokeLinecap={mark.width > 0.6 ? 'round' : 'butt'}
          {...(mark.dashed ? { strokeDasharray: '1 0.8' } : {})}
        />
      )
    case 'text':
      return (
        <>
          {mark.backed !== undefined && (
            <rect
              x={round(mark.x - mark.backed / 2)}
              y={round(mark.y - mark.size * 0.72)}
              width={mark.backed}
              height={round(mark.size * 0.78)}
              fill={colours.paper}
            />
          )}
          <text
            x={round(mark.x)}
            y={round(mark.y)}
            fontFamily={FAMILIES[mark.face]}
            fontSize={mark.size}
            fill={colours[mark.role]}
            textAnchor={mark.anchor ?? 'start'}
            style={styleOf(FAMILIES[mark.face])}
          >
            {mark.text}
          </text>
        </>
      )
    case 'arc': {
      const middle = (mark.x1 + mark.x2) / 2
      const rise = Math.max(1.6, Math.abs(mark.x2 - mark.x1) * 0.35)
      return (
        <path
          d={`M${round(mark.x1)} ${round(mark.y)}Q${round(middle)} ${round(mark.y - rise)} ${round(mark.x2)} ${round(mark.y)}`}
          fill="none"
          stroke={colours[mark.role]}
          strokeWidth={0.35}
        />
      )
    }
    case 'egg':
      return <EggMark mark={mark} colours={colours} />
    case 'staff':
      return <StaffMark mark={mark} />
  }
}

/** The screen sets letters as a PDF does: without kerning. The family stands here too, or the page's own would win. */
const TEXT_STYLE = {
  fontKerning: 'none',
  fontVariantLigatures: 'none',
  fontWeight: 'normal',
  whiteSpace: 'pre',
} as const

const styles = new Map<string, CSSProperties>()
function styleOf(family: string): CSSProperties {
  const known = styles.get(family) ?? { ...TEXT_STYLE, fontFamily: `"${family}"` }
  styles.set(family, known)
  return known
}

const round = (mm: number): number => Math.round(mm * 1000) / 1000

const FILL: Readonly<Record<string, keyof InkColours>> = {
  root: 'ink',
  third: 'thirdWash',
  seventh: 'seventhWash',
  fifth: 'paper',
  extension: 'extensionWash',
}
const RIM = 0.34

function EggMark({ mark, colours }: { readonly mark: Extract<Mark, { kind: 'egg' }>; readonly colours: InkColours }) {
  const { x, y, size, weight, look, ringed, label = '' } = mark
  const lines = eggLines(size, weight, label !== '')
  const role: Role = weight === 'root' ? 'ink' : weight
  const at = `translate(${round(x)} ${round(y)}) rotate(${TILT})`
  if (look === 'ghost')
    return (
      <g transform={at}>
        <ellipse
          cx="0"
          cy="0"
          rx={lines.rx}
          ry={lines.ry}
          fill={colours.paper}
          stroke={colours.soft}
          strokeWidth={0.25}
          strokeDasharray="0.8 0.6"
        />
      </g>
    )
  return (
    <g>
      <g transform={at}>
        {ringed && (
          <ellipse
            cx="0"
            cy="0"
            rx={lines.rx + 0.85}
            ry={lines.ry + 0.85}
            fill="none"
            stroke={colours.extension}
            strokeWidth={0.3}
          />
        )}
        <ellipse
          cx="0"
          cy="0"
          rx={lines.rx}
          ry={lines.ry}
          fill={colours[FILL[weight] ?? 'paper']}
          stroke={colours[role]}
          strokeWidth={RIM}
        />
        {lines.inner && (
          <ellipse
            cx="0"
            cy="0"
            rx={lines.inner.rx}
            ry={lines.inner.ry}
            fill={colours.paper}
            stroke={colours[role]}
            strokeWidth={RIM * 0.8}
          />
        )}
        {lines.dots.map((dot) => (
          <circle key={`${dot.x} ${dot.y}`} cx={round(dot.x)} cy={round(dot.y)} r={round(dot.r)} fill={colours[role]} />
        ))}
        {lines.strokes.map((one) => (
          <line
            key={one.x1}
            x1={round(one.x1)}
            y1={round(one.y1)}
            x2={round(one.x2)}
            y2={round(one.y2)}
            stroke={colours[role]}
            strokeWidth={0.28}
          />
        ))}
      </g>
      {label !== '' && (
        <text
          x={round(x)}
          y={round(y + size * 0.44)}
          fontFamily={FAMILIES.bold}
          fontSize={size * ([...label].length > 2 ? 0.9 : 1.2)}
          fill={weight === 'root' ? colours.paper : colours.ink}
          textAnchor="middle"
          style={styleOf(FAMILIES.bold)}
        >
          {label}
        </text>
      )}
    </g>
  )
}
