/** What stands under every printed page: what the fillings mean, the instrument, the day. */
import { useStore } from '@nanostores/react'
import { useEffect, useState } from 'react'
import { $session } from '../state/session.ts'
import { localDay, longDay } from '../words/days.ts'
import { $title } from './title.ts'
import { useTuned } from './tuned.ts'
import type { ViewName } from './views.ts'

export function OnPaper({ view }: { readonly view: ViewName }) {
  const { instrument } = useStore($session)
  const { letters } = useTuned(view)
  const title = useStore($title)
  // The server's day may be another one.
  const [day, setDay] = useState('')
  useEffect(() => setDay(localDay(new Date())), [])
  const parts = [
    title,
    `${instrument.name}, ${letters}${instrument.capo ? `, capo ${instrument.capo.fret}` : ''}`,
    day && `${longDay(day)} ${day.slice(0, 4)}`,
  ]
  return (
    <p className="on-paper" aria-hidden="true">
      {parts.filter(Boolean).join(' · ')}
      <br />
      Filled: root. Dotted: third. Stroked: seventh. Plain: fifth. Double rim: extension. Dashed: a tone that nobody
      plays, or beyond reach.
    </p>
  )
}
