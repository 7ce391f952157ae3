/** From one tuning to another, what a tuning gives, the tray carried over, and tunings of one's own. */
import { NativeSelect } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { COMMON_TUNINGS, type Tuning, tuningLetters, writeTuning } from '@nestling/core/neck'
import { useState } from 'react'
import { $session } from '../../../state/session.ts'
import classes from '../SetupView.module.css'
import { Carried } from './Carried.tsx'
import { OwnTunings } from './OwnTunings.tsx'
import { Retuning } from './Retuning.tsx'
import { WhatItGives } from './WhatItGives.tsx'

export function Tunings() {
  const { instrument, tunings, settings } = useStore($session)
  const listed: readonly Tuning[] = [instrument.tuning, ...COMMON_TUNINGS, ...tunings].filter(
    (tuning, index, all) => all.findIndex((one) => writeTuning(one) === writeTuning(tuning)) === index,
  )
  const [wanted, setWanted] = useState(
    writeTuning(listed.find((tuning) => tuning.name === 'D A D G A D') ?? instrument.tuning),
  )
  const to = listed.find((tuning) => writeTuning(tuning) === wanted) ?? instrument.tuning
  return (
    <>
      <NativeSelect
        w={420}
        maw="100%"
        label={`From ${instrument.name} in ${tuningLetters(instrument.tuning, settings.naming)} to`}
        value={wanted}
        onChange={(event) => setWanted(event.currentTarget.value)}
        data={listed.map((tuning) => {
          const letters = tuningLetters(tuning, settings.naming)
          return {
            value: writeTuning(tuning),
            label: tuning.name === letters ? letters : `${tuning.name} · ${letters}`,
          }
        })}
      />
      <div className={classes['thirds']} style={{ marginTop: 18 }}>
        <Retuning to={to} />
        <Carried to={to} />
      </div>
      <WhatItGives tuning={to} />
      <OwnTunings />
    </>
  )
}
