/** From one tuning to another, what a tuning gives, the tray carried over, and tunings of one's own. */
import { useStore } from '@nanostores/react'
import { type Tuning, tuningLetters, writeTuning } from '@nestling/core/neck'
import { tuningsOffered } from '@nestling/core/request'
import { useState } from 'react'
import { TuningChoice } from '../../../controls/TuningChoice.tsx'
import { $player, $session } from '../../../state/session.ts'
import classes from '../SetupView.module.css'
import { Carried } from './Carried.tsx'
import { OwnTunings } from './OwnTunings.tsx'
import { Retuning } from './Retuning.tsx'
import { WhatItGives } from './WhatItGives.tsx'

export function Tunings() {
  const { instrument, settings } = useStore($session)
  const listed = tuningsOffered(useStore($player))
  const [wanted, setWanted] = useState<Tuning>(
    () => listed.find((tuning) => tuning.name === 'D A D G A D') ?? instrument.tuning,
  )
  const to = listed.find((tuning) => writeTuning(tuning) === writeTuning(wanted)) ?? instrument.tuning
  return (
    <>
      <TuningChoice
        label={`From ${instrument.name} in ${tuningLetters(instrument.tuning, settings.naming)} to`}
        tunings={listed}
        now={to}
        take={setWanted}
        naming={settings.naming}
        width={420}
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
