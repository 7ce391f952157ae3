/** A line that another view could not read comes in the address, and is typed here as it stands. */
import { useEffect, useRef } from 'react'

export function useLineInAddress(type: (line: string) => void, finish: () => void): void {
  const newest = useRef({ type, finish })
  newest.current = { type, finish }
  useEffect(() => {
    const line = new URLSearchParams(window.location.search).get('line')
    if (line === null) return
    newest.current.type(line)
    newest.current.finish()
  }, [])
}
