/** Text that is not kept yet: it outlives a reload, Back and a closed tab, until it is kept or let go. */
import { useCallback, useEffect, useState } from 'react'

const PREFIX = 'nestling.draft.'

export type Draft = readonly [text: string | undefined, write: (text: string | undefined) => void]

/** @param key What the text is about; another one has a draft of its own. */
export function useDraft(key: string): Draft {
  const [draft, setDraft] = useState<{ readonly key: string; readonly text: string | undefined } | undefined>(undefined)
  // The server knows nothing of it: it is read once the page is alive.
  useEffect(() => setDraft({ key, text: stored(key) }), [key])
  const write = useCallback(
    (text: string | undefined) => {
      setDraft({ key, text })
      try {
        if (text === undefined) localStorage.removeItem(PREFIX + key)
        else localStorage.setItem(PREFIX + key, text)
      } catch {
        // Full or refused: it stands in the field all the same.
      }
    },
    [key],
  )
  return [draft?.key === key ? draft.text : undefined, write]
}

function stored(key: string): string | undefined {
  try {
    return localStorage.getItem(PREFIX + key) ?? undefined
  } catch {
    return undefined
  }
}
