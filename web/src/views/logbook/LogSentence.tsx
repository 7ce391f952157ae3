/** The sentence that tells which entries count. */
import { useStore } from '@nanostores/react'
import { CYCLES, readMaterial } from '@nestling/core/practice'
import type { ReactNode } from 'react'
import { Choice } from '../../controls/Choice.tsx'
import sentence from '../../controls/sentence.module.css'
import { $session, changeSettings } from '../../state/session.ts'
import { longDay } from '../../words/days.ts'
import { CYCLE_WORDS, materialWords } from '../../words/practice.ts'
import classes from './LogbookView.module.css'
import { type LogPlan, PERIODS, type Period } from './types.ts'
import type { LogState } from './useLogbook.ts'

const PERIOD_WORDS: Readonly<Record<Period, string>> = {
  7: 'a week',
  28: 'four weeks',
  42: 'six weeks',
  91: 'three months',
  365: 'a year',
  0: 'all the time',
}
const WISHES = [60, 70, 80, 90, 100, 110, 120, 140, 160].map((tempo) => [tempo, String(tempo)] as const)

export function LogSentence({ state, children }: { readonly state: LogState; readonly children: ReactNode }) {
  const { settings, instrument } = useStore($session)
  const { plan, log, change } = state
  const strings = instrument.tuning.strings.length
  const told = (text: string) => {
    const read = readMaterial(text, strings)
    return read.ok ? materialWords(read.value, '', settings.naming).toLowerCase() : text
  }
  const materials = log?.materials ?? []
  const instruments = log?.instruments ?? []
  return (
    <section aria-label="The logbook" className={classes['question']}>
      <p className={sentence['sentence']}>
        <strong className={sentence['chord']}>Logbook</strong>
        {' of '}
        <Choice<LogPlan['material']>
          label="Material"
          value={plan.material}
          options={[[undefined, 'everything'], ...materials.map((text) => [text, told(text)] as const)]}
          take={(material) => change({ material, row: undefined })}
          otherwise={plan.material ?? ''}
        />
        {' on '}
        <Choice<LogPlan['instrument']>
          label="Instrument"
          value={plan.instrument}
          options={[[undefined, 'every instrument'], ...instruments.map((name) => [name, `the ${name}`] as const)]}
          take={(name) => change({ instrument: name, row: undefined })}
          otherwise={plan.instrument ?? ''}
        />
        {', roots '}
        <Choice
          label="Order of roots"
          value={plan.cycle}
          options={CYCLES.filter((cycle) => cycle !== 'stay' && cycle !== 'shuffle').map((cycle) => [
            cycle,
            CYCLE_WORDS[cycle],
          ])}
          take={(cycle) => change({ cycle })}
        />
        {', over '}
        {plan.days ? (
          <button
            type="button"
            className={sentence['word']}
            title="look at all days again"
            onClick={() => change({ days: undefined })}
          >
            {plan.days[0] === plan.days[1]
              ? longDay(plan.days[0])
              : `${longDay(plan.days[0])} to ${longDay(plan.days[1])}`}{' '}
            ×
          </button>
        ) : (
          <Choice<Period>
            label="How far back"
            value={plan.period}
            options={PERIODS.map((period) => [period, PERIOD_WORDS[period]])}
            take={(period) => change({ period })}
          />
        )}
        {', wishing for '}
        <Choice
          label="Wished tempo"
          value={settings.wishedTempo}
          options={WISHES}
          take={(wishedTempo) => void changeSettings({ wishedTempo })}
          otherwise={String(settings.wishedTempo)}
        />
      </p>
      {children}
    </section>
  )
}
