/** Things to keep, for tests of what keeps them. */
import type { KeptSetDraft } from '../contracts/progression.ts'
import type { Outcome } from './outcome.ts'
import type { FormedAttempt } from './practiceRepository.ts'

export const STANDARD = 'E2,A2,D3,G3,B3,E4'
export const shape = (name: string) => ({
  name,
  chord: 'Ebmaj7',
  frets: 'x6878x',
  tuning: STANDARD,
  fingers: '',
  note: '',
  tune: null,
  tags: [],
})
export const fm9 = { chord: 'Fm9', frets: 'x8688x', tuning: STANDARD, fingers: 'x3124x' }
export const set = (title: string): KeptSetDraft => ({
  title,
  key: 'Ab major',
  metre: '4/4',
  tempoBpm: 96,
  steps: [{ id: 'a', beats: 4, chord: 'Fm9', shape: fm9, held: true }],
})
export const attempt = (id: string, more: Partial<FormedAttempt> = {}): FormedAttempt => ({
  id,
  kind: 'run',
  run: { id: 'a-run-of-twelve', query: 'material=m7', title: '', startedAt: at(0).toISOString() },
  card: '',
  at: at(1).toISOString(),
  day: '2026-11-01',
  material: 'm7',
  suffix: 'm7',
  root: 'Ab',
  string: 5,
  frets: 'x-11-13-11-12-x',
  form: 'x0201x',
  tuning: STANDARD,
  tempo: 66,
  grade: 'had',
  judge: 'player',
  shown: false,
  seconds: 3.6,
  faults: '',
  instrument: 'Archtop',
  ...more,
})
export const at = (minute: number) => new Date(Date.UTC(2026, 10, 1, 20, minute))
export const done = <Value>(outcome: Outcome<Value>): Value => {
  if (outcome.kind !== 'done') throw new Error(outcome.kind)
  return outcome.value
}

export const tune = (title: string) => ({
  title,
  tune: { chart: '| Dm7 | G7 |', way: 'x5756x,none' },
  remarks: '',
})
