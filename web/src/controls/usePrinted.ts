/** Whether the page is being printed: what is too wide for paper is drawn otherwise then. */
import { useEffect, useState } from 'react'
import { flushSync } from 'react-dom'

export function usePrinted(): boolean {
  const [printed, setPrinted] = useState(false)
  useEffect(() => {
    // At once: the browser takes the page as it is when the event returns.
    const begin = () => flushSync(() => setPrinted(true))
    const end = () => setPrinted(false)
    window.addEventListener('beforeprint', begin)
    window.addEventListener('afterprint', end)
    return () => {
      window.removeEventListener('beforeprint', begin)
      window.removeEventListener('afterprint', end)
    }
  }, [])
  return printed
}
