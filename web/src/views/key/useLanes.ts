/**
 * The lanes of a plan, from the worker. What was found is remembered, and the keys a fourth to either side are found
 * before they are asked: one key after another is there at once.
 *   plan ─lanesKey→ remembered, or asked ─→ KeyAnswer; the last good one stays meanwhile
 */

import { keyPlayed } from '@nestling/core/answer'
import { keysByFourths } from '@nestling/core/key'
import { type Player, playingIn } from '@nestling/core/request'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { Stop } from '../../controls/Stopped.tsx'
import type { Asked } from '../../state/asked.ts'
import { keyClient } from '../../workers/clients.ts'
import { neckFor } from './address.ts'
import type { KeyAnswer, KeyPlan } from './types.ts'

/** What makes other lanes; the chosen step and how it is played do not. */
export const lanesKey = ({
  key,
  depth,
  school,
  asks,
  fifthInBass,
  tuning,
  capo,
  from,
  standing,
  manner,
}: KeyPlan): string =>
  JSON.stringify([key.tonic, key.scale.name, depth, school, asks, fifthInBass, tuning, capo, from, standing, manner])

/** The same in a key so many fourths further: −1 is a fifth up. On open strings the capo goes along, five frets a fourth. */
export function movedByFourths({ key, capo = 0, asks, lane }: KeyPlan, by: number): Partial<KeyPlan> {
  const next = keysByFourths(key, 0)[(by + 12) % 12]
  const moved = asks[lane]?.kind === 'tones' ? { capo: (capo + 5 * by + 60) % 12 } : {}
  return next ? { key: next, ...moved } : {}
}

/** Of the player that is there now; another hand or instrument has other lanes. */
interface Memory {
  readonly player: Player
  readonly found: Map<string, KeyAnswer>
  /** What the worker is at. */
  readonly asked: Map<string, Promise<KeyAnswer>>
}
/** A few dozen kB each. */
const MOST_FOUND = 60
/** The page has settled: nothing that is asked waits for what is not. */
const SETTLED_MS = 100

function ask(plan: KeyPlan, { player, found, asked }: Memory): Promise<KeyAnswer> {
  const key = lanesKey(plan)
  const under = asked.get(key)
  if (under) return under
  const neck = neckFor(plan, player)
  const answer = keyClient()
    .keyPlayed(plan, playingIn(plan.manner, player), neck, player.hand)
    .then((lanes): KeyAnswer => {
      const all = { plan, neck, ...lanes }
      found.set(key, all)
      const [oldest] = found.keys()
      if (found.size > MOST_FOUND && oldest !== undefined) found.delete(oldest)
      return all
    })
    .finally(() => asked.delete(key))
  asked.set(key, answer)
  return answer
}

export function useLanes(
  { $now }: Asked<KeyPlan>,
  plan: KeyPlan,
  player: Player,
): { readonly answer: KeyAnswer; readonly stop: Stop | undefined } {
  const [first] = useState((): KeyAnswer => {
    const neck = neckFor(plan, player)
    return { plan, neck, ...keyPlayed(plan, playingIn(plan.manner, player), neck, player.hand) }
  })
  const memory = useRef<Memory>({ player, found: new Map([[lanesKey(plan), first]]), asked: new Map() })
  if (memory.current.player !== player) memory.current = { player, found: new Map(), asked: new Map() }
  const { found } = memory.current
  const [, arrived] = useState<KeyAnswer | undefined>(undefined)
  const [stop, setStop] = useState<Stop | undefined>(undefined)
  const [tries, setTries] = useState(0)
  // The worker is asked as soon as the plan changes, not only when that has been drawn.
  useEffect(
    () =>
      $now.listen((next) => {
        if (!memory.current.found.has(lanesKey(next))) ask(next, memory.current).catch(() => undefined)
      }),
    [$now],
  )
  const wanted = lanesKey(plan)
  const now = found.get(wanted)
  const last = useRef(first)
  const isThere = now !== undefined
  const newest = useRef(plan)
  newest.current = plan
  useEffect(() => {
    let current = true
    setStop(undefined)
    if (!isThere)
      ask(newest.current, memory.current).then(
        (lanes) => current && arrived(lanes),
        (error: unknown) => {
          const message = error instanceof Error ? error.message : String(error)
          if (current) setStop({ message, again: () => setTries((before) => before + 1) })
        },
      )
    const ahead = setTimeout(async () => {
      if (!isThere) return
      for (const by of [1, -1]) {
        const next = { ...newest.current, ...movedByFourths(newest.current, by) }
        if (current && !memory.current.found.has(lanesKey(next))) await ask(next, memory.current).catch(() => undefined)
      }
    }, SETTLED_MS)
    return () => {
      current = false
      clearTimeout(ahead)
    }
    // The plan is asked anew only where it makes other lanes.
  }, [wanted, player, isThere, tries])
  // The very same object while it waits: all that is drawn stays of one answer.
  const answer = useMemo(() => (now ? { ...now, plan } : last.current), [now, plan])
  useEffect(() => {
    last.current = answer
  }, [answer])
  return { answer, stop }
}
