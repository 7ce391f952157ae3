import { describe, expect, test } from 'vitest'
import { ask } from './_ask.testkit.ts'
import { work as transpose } from './transpose.ts'

const to = (body: object) => ask(transpose, { path: '/api/transpose', body })

describe('a tune in another key', () => {
  test('takes its held shapes and top tones along', async () => {
    const { status, body } = await to({
      chart: 'key: C\n| Dm7 | G7 | Cmaj7 | C#dim7 |',
      hold: [
        { chord: 0, frets: 'x5756x' },
        { chord: 2, frets: 'x3545x' },
      ],
      melody: ['C5', null, 'G4'],
      to: 'G',
    })
    expect(status).toBe(200)
    expect(body.chart).toContain('key: G major')
    expect(body.chart).toContain('| Am7 | D7 | Gmaj7 | G#dim7 |')
    expect(body.hold).toEqual([
      { chord: 0, frets: 'x-12-14-12-13-x' },
      { chord: 2, frets: 'x-10-12-11-12-x' },
    ])
    expect(body.melody).toEqual(['G5', null, 'D5'])
    expect(body.changed).toEqual([])
  })
  test('and home again it is the same', async () => {
    const home = {
      chart: 'key: F major\n4/4\n| Fmaj7 | Gb7 | Em7b5 A7b9 |',
      hold: [{ chord: 0, frets: '1x221x' }],
      melody: ['A3'],
    }
    for (const tonic of ['C', 'Eb', 'F#', 'B']) {
      const { body: there } = await to({ ...home, to: tonic })
      const { body: back } = await to({ chart: there.chart, hold: there.hold, melody: there.melody, to: 'F major' })
      expect(back).toMatchObject({ hold: home.hold, melody: home.melody, chart: home.chart })
    }
  })
  test('what can’t stay is told with its chord and its reason', async () => {
    const { body } = await to({
      chart: 'key: C\n| Em | C |',
      hold: [
        { chord: 0, frets: '022000' },
        { chord: 1, frets: 'x32013' },
      ],
      to: 'Ab',
    })
    expect(body.hold).toEqual([{ chord: 0, frets: '8-10-10-8-8-8' }])
    expect(body.changed).toEqual([
      { chord: 1, symbol: 'Ab', what: 'shape', from: 'x32013', to: null, why: expect.stringContaining('free again') },
    ])
  })
  test.each([
    [{ chart: '| Dm7 | H7 |', to: 'G' }, 'chart'],
    [{ chart: 'key: C\n| Dm7 |', to: 'X' }, 'to'],
    [{ chart: 'key: C\n| Dm7 |', to: 'G minor' }, 'to'],
    [{ chart: '| Dm7 |', to: 'G', hold: [{ chord: 4, frets: 'x5756x' }] }, 'hold.0.chord'],
    [{ chart: '| Dm7 |', to: 'G', hold: [{ chord: 0, frets: 'x57' }] }, 'hold.0.frets'],
    [{ chart: '| Dm7 |', to: 'G', melody: ['Q5'] }, 'melody.0'],
    [{ chart: '| N.C. |', to: 'G' }, 'chart'],
  ])('%j is refused at %s', async (body, field) => {
    const answer = await to(body)
    expect([answer.status, answer.body.field]).toEqual([400, field])
  })
})
