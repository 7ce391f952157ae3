/** Twelve keys by fourths; under each the lane that fits it and the fret it ends at. */
import { useStore } from '@nanostores/react'
import { writeKey } from '@nestling/core/key'
import type { KeyFit } from '@nestling/core/lane'
import { pitchClassOf, writeNote } from '@nestling/core/pitch'
import { computed } from 'nanostores'
import { memo, useEffect, useRef } from 'react'
import { useOneStop } from '../../../controls/useOneStop.ts'
import { $playing } from '../../../sound/transport.ts'
import { $session } from '../../../state/session.ts'
import { askWords } from '../../../words/lane.ts'
import { type KeyState, OWNER } from '../useKey.ts'
import classes from './KeysRow.module.css'
import { pointing } from './pointedKey.ts'
import { Together } from './Together.tsx'

/** The key that sounds while the lane goes through all of them. */
const $mark = computed($playing, ({ owner, mark }) => (owner === OWNER ? mark : undefined))

export const KeysRow = memo(function KeysRow({ state }: { readonly state: KeyState }) {
  const { settings } = useStore($session)
  const { answer, change, byFourths, plan } = state
  const strings = answer.neck.open.length
  const mark = useStore($mark)
  const sounding = mark === undefined ? undefined : state.turns[mark]?.tonic
  const box = useRef<HTMLDivElement>(null)
  const stop = useOneStop<HTMLDivElement>(1, box)
  // On a narrow screen the key in hand is in sight. Asked in the frame that lays the page out anyway, not before it.
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      const row = box.current
      const now = row?.querySelector<HTMLElement>('[aria-pressed="true"]')
      if (row && now && row.scrollWidth > row.clientWidth)
        row.scrollLeft = now.offsetLeft - row.clientWidth / 2 + now.offsetWidth / 2
    })
    return () => cancelAnimationFrame(frame)
  }, [plan.key])
  const told = ({ key, fit }: KeyFit): string => {
    const name = writeKey(key, { naming: settings.naming })
    if (!fit) return name
    const gaps = fit.missing > 0 ? `, ${fit.missing} without a shape` : ''
    return `${name}: ${askWords(fit.ask, strings)}, to fret ${fit.highest}${fit.folds ? ', goes on lower where it runs out' : ''}${gaps}`
  }
  return (
    <div className={classes['row']} data-not-on-paper>
      <Together state={state} className={classes['head']} />
      <button type="button" className={classes['key']} aria-label="A fourth down" onClick={() => byFourths(-1)}>
        ←
      </button>
      <div {...stop} className={classes['keys']} role="group" aria-label="Keys by fourths">
        {answer.fits.map((one) => {
          const { key, fit } = one
          return (
            <button
              key={key.tonic}
              type="button"
              className={classes['one']}
              aria-pressed={key.tonic === plan.key.tonic}
              data-sounds={(sounding !== undefined && pitchClassOf(sounding) === pitchClassOf(key.tonic)) || undefined}
              aria-label={told(one)}
              title={told(one)}
              data-testid="key-choice"
              {...pointing(key)}
              onClick={() => change({ key })}
            >
              <b>{writeNote(key.tonic, settings.naming)}</b>
              {fit && (
                <span>
                  {fit.ask.kind === 'root' && <i>{strings - fit.ask.string}</i>} to {fit.highest}
                  {fit.folds && ' ↩'}
                  {fit.missing > 0 && ` −${fit.missing}`}
                </span>
              )}
            </button>
          )
        })}
      </div>
      <button type="button" className={classes['key']} aria-label="A fourth up" onClick={() => byFourths(1)}>
        →
      </button>
      <button type="button" className={classes['all']} onClick={state.playAllKeys}>
        {sounding === undefined ? 'all keys' : 'stop'}
      </button>
    </div>
  )
})
