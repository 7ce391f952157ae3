/** What can be undone stays when another view is looked at in between: kept in the window as the page is left. */
import { useEffect } from 'react'
import type { Asked } from '../state/asked.ts'
import { type History, MOST_UNDO } from '../state/history.ts'
import { viewStands } from '../state/undoOrder.ts'
import { inWindow, keepInWindow } from '../state/windowStorage.ts'

interface Kept<Question> {
  readonly now: Question
  readonly history: History<Question>
  /** When the newest step was taken. */
  readonly at?: number
}

/** @param name Of the view, and of the form of its question: another form must have another name. */
export function useKeptPast<Question extends object>(asked: Asked<Question>, name: string): void {
  useEffect(() => {
    const key = `past.${name}`
    const kept = inWindow<Kept<Question>>(key)
    if (Array.isArray(kept?.history?.past) && !asked.$past.get().canUndo) {
      const { past, future } = kept.history
      const isSame = JSON.stringify(kept.now) === JSON.stringify(asked.current())
      // Come back with another chord: what was left is one step back.
      if (isSame) asked.restore({ past, future }, kept.at)
      else asked.restore({ past: [...past, kept.now].slice(-MOST_UNDO), future: [] }, Date.now())
    }
    const keep = () =>
      keepInWindow(key, { now: asked.current(), history: asked.past(), at: viewStands() } satisfies Kept<Question>)
    window.addEventListener('pagehide', keep)
    return () => window.removeEventListener('pagehide', keep)
  }, [asked, name])
}
