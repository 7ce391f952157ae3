/** What stands under every printed page: what the fillings mean, the instrument, the day. */
import { useStore } from '@nanostores/react'
import { tuningLetters } from '@nestling/core/neck'
import { useEffect, useState } from 'react'
import { $session } from '../state/session.ts'
import { localDay, longDay } from '../words/days.ts'

export function OnPaper({ title }: { readonly title: string | undefined }) {
  const { instrument, settings } = useStore($session)
  // The server's day may be another one.
  const [day, setDay] = useState('')
  useEffect(() => setDay(localDay(new Date())), [])
  const parts = [
    title,
    `${instrument.name}, ${tuningLetters(instrument.tuning, settings.naming)}${instrument.capo ? `, capo ${instrument.capo.fret}` : ''}`,
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
