import { expect, test } from 'vitest'
import { bassNote, type Manner, onsetsOf } from './player.ts'

const manner = (changes: Partial<Manner>): Manner => ({
  style: 'strum',
  strum: 'down',
  strumMs: 30,
  volume: 70,
  ...changes,
})

test.each([
  ['from the lowest', {}, [0, 0.03, 0.06, 0.09]],
  ['from the highest', { strum: 'up' as const }, [0.09, 0.06, 0.03, 0]],
  ['all at once', { style: 'together' as const }, [0, 0, 0, 0]],
])('a strum %s', (_, changes, onsets) =>
  expect(onsetsOf(4, manner(changes))).toEqual(onsets.map((at) => expect.closeTo(at, 9))),
)

test('an arpeggio takes its tones one by one, low to high', () => {
  const onsets = onsetsOf(5, manner({ style: 'arpeggio' }))
  for (let index = 1; index < 5; index++) expect(onsets[index]).toBeGreaterThan((onsets[index - 1] ?? 9) + 0.1)
})

test('the bass stand-in plays where a double bass would, E1 to D♯2', () => {
  const notes = Array.from({ length: 12 }, (_, pitchClass) => bassNote(pitchClass))
  expect(notes.map((midi) => midi % 12)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11])
  expect([Math.min(...notes), Math.max(...notes)]).toEqual([28, 39])
})
