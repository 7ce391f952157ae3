/** Whether what was done here has landed: kept, on its way, waiting for the server, or against what another page has made. */
import { useStore } from '@nanostores/react'
import { $waitingHere } from '../state/away.ts'
import { $tray, $trayConflict, $trayKept, chooseTray } from '../state/tray.ts'
import { counted } from '../words/shapes.ts'
import classes from './Tray.module.css'

export function Landing() {
  const tray = useStore($tray)
  const kept = useStore($trayKept)
  const waiting = useStore($waitingHere)
  const conflict = useStore($trayConflict)
  if (conflict) {
    const { mine, theirs } = conflict
    return (
      <span role="alert" className={classes['conflict']} data-testid="tray-conflict">
        Another page changed the tray as well:
        <button type="button" onClick={() => void chooseTray('mine')}>
          keep mine, {counted(mine.steps.length, 'shape')}
        </button>
        <button type="button" onClick={() => void chooseTray('theirs')}>
          take the other, {counted(theirs.steps.length, 'shape')}
        </button>
      </span>
    )
  }
  return (
    <span role="status" className={classes['kept']} data-quiet={waiting === 0 || undefined} data-testid="landing">
      {waiting > 0
        ? `${counted(waiting, 'change waits', 'changes wait')} for the server`
        : tray.steps.length > 0 || kept !== 'kept'
          ? kept
          : ''}
    </span>
  )
}
