/** A tone that is not told: dashed, or a stone where the root will be. */
import classes from './RunNeck.module.css'

export function Oval({
  x,
  y,
  size,
  kind,
  label = '',
}: {
  readonly x: number
  readonly y: number
  readonly size: number
  readonly kind: 'dashed' | 'stone'
  readonly label?: string
}) {
  return (
    <>
      <ellipse
        cx={x}
        cy={y}
        rx={size}
        ry={size * 0.75}
        transform={`rotate(-14 ${x} ${y})`}
        className={classes['oval']}
        data-kind={kind}
      />
      {label !== '' && (
        <text x={x} y={y + size * 0.25} className={classes['asked']}>
          {label}
        </text>
      )}
    </>
  )
}
