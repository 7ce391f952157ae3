/** A worker that has stopped, begun once more and stopped again: told where its answer would stand, with the way on. */
import classes from './Stopped.module.css'

export interface Stop {
  readonly message: string
  readonly again: () => void
}

export interface StoppedProps {
  readonly stop: Stop | undefined
  /** What the worker was at. */
  readonly what: string
  /** The answer before still stands there. */
  readonly keepsBefore?: boolean
}

export function Stopped({ stop, what, keepsBefore = false }: StoppedProps) {
  if (!stop) return null
  return (
    <p role="alert" className={classes['stopped']}>
      {what} stopped: {stop.message}.{keepsBefore && ' What is shown is from before.'}{' '}
      <button type="button" onClick={stop.again}>
        Try again
      </button>
    </p>
  )
}
