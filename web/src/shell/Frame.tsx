/** The frame that every view stands in: its heading, what is said aloud, the keys and their list. */
import { type ReactNode, useMemo, useState } from 'react'
import { KeysHelp } from './KeysHelp.tsx'
import { type KeyLine, keyLines, pageKeysOf, type SharedActs } from './keyTable.ts'
import { usePageKeys } from './pageKeys.ts'

export interface FrameProps {
  /** The page's heading; heard only, unless the view shows one of its own. */
  readonly heading?: string | undefined
  /** Said aloud, politely, when it changes. */
  readonly announcement?: string | undefined
  readonly acts?: SharedActs | undefined
  /** The view's own keys. */
  readonly keys?: readonly KeyLine[] | undefined
  readonly children: ReactNode
}

const NONE: readonly KeyLine[] = []
const NO_ACTS: SharedActs = {}

export function Frame({ heading, announcement = '', acts = NO_ACTS, keys = NONE, children }: FrameProps) {
  const [help, setHelp] = useState(false)
  const lines = useMemo(() => keyLines(acts, keys, () => setHelp(true)), [acts, keys])
  usePageKeys(useMemo(() => pageKeysOf(lines, acts), [lines, acts]))
  return (
    <>
      {heading !== undefined && <h1 className="heard-only">{heading}</h1>}
      {children}
      <p className="heard-only" aria-live="polite">
        {announcement}
      </p>
      <KeysHelp lines={lines} opened={help} close={() => setHelp(false)} />
    </>
  )
}
