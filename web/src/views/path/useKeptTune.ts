/** The tune of the Book that the plan is of: as it was opened, as it was last kept from here, or as what waited has landed. */
import { useCallback, useEffect, useRef, useState } from 'react'
import type { KeptTune } from '../../contracts/tune.ts'
import { $keptLater } from '../../state/outbox.ts'
import { addressOfKept, keptHere } from '../../state/tunes.ts'
import type { Params } from './address.ts'

const nameOf = (tune: number | string | undefined, version: number | string | undefined) => `${tune} ${version}`

export interface KeptTuneHere {
  readonly kept: KeptTune | undefined
  readonly keepHere: (kept: KeptTune) => void
  /** An address that names a kept tune and no more, with that tune's texts; `undefined` where its page must tell them. */
  readonly withTexts: (params: Params) => Params | undefined
}

/** @param landed A change of it has become this version. */
export function useKeptTune(opened: KeptTune | undefined, landed: (kept: KeptTune) => void): KeptTuneHere {
  const [kept, setKept] = useState(opened)
  /** What the browser's Back may lead to, by number and version. */
  const known = useRef(new Map(opened ? [[nameOf(opened.id, opened.version), opened]] : []))
  const keepHere = useCallback((now: KeptTune) => {
    known.current.set(nameOf(now.id, now.version), now)
    setKept(now)
  }, [])
  const newest = useRef({ kept, landed })
  newest.current = { kept, landed }
  useEffect(
    () =>
      $keptLater.listen((later) => {
        const { id } = newest.current.kept ?? {}
        const value = later?.value as Partial<KeptTune> | undefined
        if (id === undefined || later?.path !== addressOfKept(id) || value?.version === undefined) return
        const now = { ...(newest.current.kept as KeptTune), ...value }
        keptHere(now)
        keepHere(now)
        newest.current.landed(now)
      }),
    [keepHere],
  )
  const withTexts = useCallback((params: Params): Params | undefined => {
    if (params['chart'] !== undefined || params['tune'] === undefined) return params
    const tune = known.current.get(nameOf(params['tune'], params['of']))?.tune
    return tune && { ...(tune as Params), ...params }
  }, [])
  return { kept, keepHere, withTexts }
}
