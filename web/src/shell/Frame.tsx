/** The frame that every view stands in: its heading, what is said aloud, the keys and their list. */
import { useStore } from '@nanostores/react'
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react'
import { later, WHY_MISSING } from '../controls/later.tsx'
import { tell } from '../state/notices.ts'
import { whyMissing } from '../state/served.ts'
import { $keysOpen, closeKeys, openKeys } from './help.ts'
import type { KeysHelpProps } from './KeysHelp.tsx'
import { type KeyLine, keyLines, pageKeysOf, type SharedActs } from './keyTable.ts'
import { usePageKeys } from './pageKeys.ts'
import { $title } from './title.ts'

export interface FrameProps {
  /** What is in hand, for the window's title: "E♭maj7 x6878x". */
  readonly title?: string | undefined
  /** The page's heading; heard only, unless the view shows one of its own. */
  readonly heading?: string | undefined
  /** Said aloud, politely, when it changes. */
  readonly announcement?: string | undefined
  readonly acts?: SharedActs | undefined
  /** The view's own keys. */
  readonly keys?: readonly KeyLine[] | undefined
  readonly children: ReactNode
}

/** The dialog is seldom opened: it loads when it is. */
const KeysHelp = later(() => import('./KeysHelp.tsx'), { what: 'The list of keys', instead: NoKeysHelp })

function NoKeysHelp({ close }: KeysHelpProps) {
  useEffect(() => {
    close()
    void whyMissing().then((why) => tell.problem('The list of keys could not be loaded', WHY_MISSING[why], 'no-keys'))
  }, [close])
  return null
}

const NONE: readonly KeyLine[] = []
const NO_ACTS: SharedActs = {}

export function Frame({ title, heading, announcement = '', acts = NO_ACTS, keys = NONE, children }: FrameProps) {
  const help = useStore($keysOpen)
  const lines = useMemo(() => keyLines(acts, keys, openKeys), [acts, keys])
  useTitle(title)
  const said = useAfterPause(announcement)
  usePageKeys(useMemo(() => pageKeysOf(lines, acts), [lines, acts]))
  return (
    <>
      {heading !== undefined && <h1 className="heard-only">{heading}</h1>}
      {children}
      <p className="heard-only" aria-live="polite">
        {said}
      </p>
      {help && <KeysHelp lines={lines} close={closeKeys} />}
    </>
  )
}

const PAUSE_MS = 400

/** Said once, when nothing has changed for a moment: not every shape that a held key goes past. */
function useAfterPause(words: string): string {
  const [said, setSaid] = useState('')
  useEffect(() => {
    const waiting = setTimeout(() => setSaid(words), PAUSE_MS)
    return () => clearTimeout(waiting)
  }, [words])
  return said
}

/** Tabs and the history tell one chord from another: what is in hand stands before the view's own name. */
function useTitle(title: string | undefined): void {
  const own = useRef<string>(undefined)
  useEffect(() => {
    own.current ??= document.title
    $title.set(title ?? '')
    document.title = title === undefined || title === '' ? own.current : `${title} · ${own.current}`
  }, [title])
}
