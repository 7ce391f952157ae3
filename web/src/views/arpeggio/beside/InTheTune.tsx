/** Where the chord comes from a path: the tune's chords, each with its line under the hand of its shape. */

import { useStore } from '@nanostores/react'
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { $carried } from '../../../state/carried.ts'
import { $session } from '../../../state/session.ts'
import { keepWalk, type Walk, walkedTo } from '../../../state/walk.ts'
import classes from './Beside.module.css'

/** Chords to either side of the one that is shown. */
const AROUND = 2

/** Opens the chord before or after in the tune. */
export function walk(now: Walk | undefined, by: 1 | -1): void {
  const to = now && walkedTo(now, by)
  if (now && to !== undefined) goTo(now, to)
}

function goTo(now: Walk, at: number) {
  const address = now.chords[at]?.address
  if (address === undefined) return
  keepWalk({ ...now, at })
  window.location.assign(address)
}

export function InTheTune({ walk: now }: { readonly walk: Walk | undefined }) {
  const { settings } = useStore($session)
  if (!now) return null
  const symbol = (text: string): string => {
    const read = readSymbol(text)
    return read.ok ? writeSymbol(read.value, { naming: settings.naming, school: settings.symbols }) : text
  }
  const from = Math.max(0, Math.min(now.at - AROUND, now.chords.length - 2 * AROUND - 1))
  return (
    <nav aria-label={`Chords of ${now.title}`} className={classes['tune']}>
      <a href="/path" onClick={(event) => back(event)}>
        {now.title}
      </a>
      <Step now={now} by={-1} />
      {now.chords.slice(from, from + 2 * AROUND + 1).map((chord, index) => (
        <button
          key={from + index}
          type="button"
          aria-current={from + index === now.at || undefined}
          disabled={chord.address === undefined}
          onClick={() => goTo(now, from + index)}
        >
          {symbol(chord.symbol)}
        </button>
      ))}
      <Step now={now} by={1} />
    </nav>
  )
}

function Step({ now, by }: { readonly now: Walk; readonly by: 1 | -1 }) {
  return (
    <button
      type="button"
      aria-label={by === 1 ? 'The next chord of the tune' : 'The chord before it in the tune'}
      title={by === 1 ? '.' : ','}
      disabled={walkedTo(now, by) === undefined}
      onClick={() => walk(now, by)}
    >
      {by === 1 ? '›' : '‹'}
    </button>
  )
}

/** Back to the tune as it was left. */
function back(event: { readonly preventDefault: () => void }) {
  const { left } = $carried.get()
  if (!left.Path) return
  event.preventDefault()
  window.location.assign(left.Path.address)
}
