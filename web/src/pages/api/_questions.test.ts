/** What is reckoned for scripts: shapes, keys, lanes, paths, with what is refused and what is cut. */
import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { describe, expect, test } from 'vitest'
import { DEFAULT_SETTINGS } from '../../contracts/settings.ts'
import { ask } from './_ask.testkit.ts'
import { work as between } from './between.ts'
import { work as keyAnswer } from './key.ts'
import { work as keyOf } from './key-of.ts'
import { work as laneAnswer } from './lane.ts'
import { work as names } from './names.ts'
import { work as numbers } from './numbers.ts'
import { work as path } from './path.ts'
import { work as runAnswer } from './run.ts'
import { work as voicings } from './voicings.ts'

test('a field given twice is refused; a field called as the language’s own is only unknown', async () => {
  expect(await ask(names, { path: '/api/names?frets=x68786&frets=x68787' })).toMatchObject({
    status: 400,
    body: { field: 'frets', error: expect.stringContaining('given twice') },
  })
  expect(await ask(names, { path: '/api/names?frets=x68786&constructor=x' })).toMatchObject({
    status: 400,
    body: { field: 'constructor', error: expect.not.stringContaining('twice') },
  })
})

test('a question that could take minutes ends with what it has, says so, and why', async () => {
  const tuning = 'C2,D2,E2,F2,G2,A2,D3,G3,B3,E4'
  const { status, body } = await ask(voicings, {
    path: `/api/voicings?chord=C13&doubling=true&open=allow&tuning=${tuning}&limit=20000`,
  })
  expect(status).toBe(200)
  expect(body.truncated).toBe(true)
  expect(['rows', 'steps', 'time']).toContain(body.cut)
  expect(body.voicings.length).toBeGreaterThan(0)
})

describe('shapes over HTTP', () => {
  test('come in the order of a player when a manner or an ensemble is told, each with the terms of its score', async () => {
    const first = async (query: string) => (await ask(voicings, { path: `/api/voicings?${query}` })).body.voicings[0]
    expect((await first('chord=A&manner=barre')).shape).toBe('577655')
    expect((await first('chord=D&manner=open&ensemble=alone')).shape).toBe('xx0232')
    const { shape, taste } = await first('chord=Gmaj7&ensemble=alone')
    expect(['3x443x', 'x-10-12-11-12-x']).toContain(shape)
    const sum = taste.terms.reduce((total: number, { value }: { readonly value: number }) => total + value, 0)
    expect(Math.abs(sum - taste.total)).toBeLessThan(0.01 * taste.terms.length)
    expect(taste.terms[0]).toMatchObject({ term: 'easy', words: 'effort of the fingering' })
    for (const [field, wrong] of [
      ['manner', 'jazz'],
      ['ensemble', 'trio'],
    ] as const) {
      const { status, body } = await ask(voicings, { path: `/api/voicings?chord=A&${field}=${wrong}` })
      expect([status, body.field]).toEqual([400, field])
      expect(body.expected).toMatch(/barre|bass-player/)
    }
  })

  test('with a manner a question that could take minutes ends too, and says so', async () => {
    const tuning = 'C2,D2,E2,F2,G2,A2,D3,G3,B3,E4'
    const { status, body } = await ask(voicings, {
      path: `/api/voicings?chord=C13&open=allow&tuning=${tuning}&manner=solo&limit=50`,
    })
    expect([status, body.truncated]).toEqual([200, true])
    expect(body.voicings.length).toBeGreaterThan(0)
  })

  test('tell the effort of their fingers and the hand’s verdict, and keep to a top pitch and a register', async () => {
    const { body } = await ask(voicings, {
      path: '/api/voicings?chord=Cmaj7&arrangement=drop-2&strings=5432&topPitch=E4&lowest=C3&highest=E4',
    })
    expect(body.count).toBe(1)
    expect(body.voicings[0]).toMatchObject({ frets: [null, 3, 5, 4, 5, null], hand: { verdict: 'easy' } })
    expect(body.voicings[0].effort).toBeGreaterThan(0)
    const refused = await ask(voicings, { path: '/api/voicings?chord=Cmaj7&topPitch=Q4' })
    expect(refused).toMatchObject({ status: 400, body: { field: 'topPitch' } })
  })

  test('come in the order of the list in Build', async () => {
    const { body } = await ask(voicings, { path: '/api/voicings?chord=C&open=allow&limit=1' })
    expect(body.voicings[0].frets).toEqual([null, 3, 2, 0, 1, 0])
  })

  test('both names where the telling tone is silent; a stated symbol stays first without its root', async () => {
    const silent = await ask(names, { path: '/api/names?frets=8x88xx' })
    expect(silent.body.names.slice(0, 2).map((name: { symbol: string }) => name.symbol)).toEqual(['Cm7', 'Cm7b5'])
    const plain = await ask(names, { path: '/api/names?frets=x7978x' })
    const stated = await ask(names, { path: '/api/names?frets=x7978x&symbol=Cmaj9' })
    expect(plain.body.names[0].symbol).toBe('Em7')
    expect(stated.body.names[0].symbol).toBe('Cmaj9')
    expect((await ask(names, { path: '/api/names?frets=x7978x&symbol=C7x9' })).body.field).toBe('symbol')
  })
})

describe('keys and lanes', () => {
  test('a key tells its seven chords, spelled by itself', async () => {
    const { status, body } = await ask(keyAnswer, { path: '/api/key?tonic=Bb&scale=major&depth=ninths&school=plain' })
    expect(status).toBe(200)
    expect(body).toMatchObject({ tonic: 'Bb', scale: 'major (Ionian)' })
    expect(body.steps.map(({ symbol }: { symbol: string }) => symbol).join(' ')).toBe(
      'Bbmaj9 Cm9 Dm7 Ebmaj9 F9 Gm9 Am7b5',
    )
    expect(body.steps[2]).toMatchObject({
      step: 3,
      number: 'iii',
      function: 'tonic',
      mode: 'Phrygian',
      notes: ['D', 'F', 'A', 'C'],
      left: [{ degree: 'b9' }],
    })
  })

  test('a run goes through its roots, the hand moving least', async () => {
    const { body } = await ask(runAnswer, { path: '/api/run?material=m7&from=E' })
    expect(body.steps.map(({ root }: { root: string }) => root).join(' ')).toBe('E A D G C F Bb Eb Ab Db F# B')
    expect(body.steps[0]).toEqual({
      root: 'E',
      symbol: 'Em7',
      frets: '12-x-12-12-12-x',
      shape: '12-x-12-12-12-x',
      hopFrets: 0,
      hopMm: 0,
    })
    expect(body.steps[7]).toMatchObject({ root: 'Eb', twin: 'D#', symbol: 'Ebm7' })
    const thirds = await ask(runAnswer, { path: '/api/run?material=b9&cycle=minor-thirds&place=nearest' })
    expect(thirds.body.steps).toHaveLength(4)
    const orders = await Promise.all(
      [1, 1, 2].map((seed) => ask(runAnswer, { path: `/api/run?cycle=shuffle&seed=${seed}` })),
    )
    const [first, again, other] = orders.map((one) => JSON.stringify(one.body))
    expect(first).toBe(again)
    expect(first).not.toBe(other)
  })

  test('widths are told for the notebook’s own guitar, which is named', async () => {
    const locals = (scaleLengthMm: number) => ({
      settings: { read: () => ({ ...DEFAULT_SETTINGS, instrumentId: 1 }) },
      instruments: { find: () => ({ ...STANDARD_INSTRUMENT, id: 1, version: 1, name: 'Archtop', scaleLengthMm }) },
    })
    const path = '/api/voicings?chord=Ebmaj7&strings=5432&limit=1'
    const [short, long, none] = await Promise.all([
      ask(voicings, { path, locals: locals(600) }),
      ask(voicings, { path, locals: locals(680) }),
      ask(voicings, { path }),
    ])
    expect(short.body.instrument).toEqual({ name: 'Archtop', scaleLengthMm: 600 })
    expect(none.body.instrument.scaleLengthMm).toBe(STANDARD_INSTRUMENT.scaleLengthMm)
    expect([short, long].map(({ body }) => body.voicings[0].reachMm)).toEqual([47, 53])
  })

  test('a run in a manner takes its grips, and says why', async () => {
    const { body } = await ask(runAnswer, { path: '/api/run?material=&from=G&place=nearest&manner=barre' })
    const shapes = body.steps.map(({ shape }: { shape: string }) => shape)
    expect(shapes.slice(0, 4)).toEqual(['355433', 'x35553', '133211', 'x13331'])
    const { taste } = body.steps[0]
    const sum = taste.terms.reduce((total: number, { value }: { value: number }) => total + value, 0)
    expect(sum).toBeCloseTo(taste.total, 1)
    // One of both is enough: ninths are comped.
    const { body: band } = await ask(runAnswer, { path: '/api/run?material=9&place=nearest&ensemble=bass-player' })
    expect(band.steps).toHaveLength(12)
    expect(band.steps.every(({ taste }: { taste?: object }) => taste !== undefined)).toBe(true)
  })

  test('a lane says which altered fifth a step leaves out', async () => {
    const { body } = await ask(laneAnswer, { path: '/api/lane?tonic=C&depth=ninths&root=6' })
    const told = body.steps.map(({ without = [] }: { without?: string[] }) => without.join())
    // Only the half-diminished chord has one; perfect fifths may go.
    expect(told).toEqual(['', '', '', '', '', '', 'b5'])
    const { body: kept } = await ask(laneAnswer, { path: '/api/lane?tonic=C&depth=sevenths&root=6' })
    expect(kept.steps.every(({ without }: { without?: string[] }) => without === undefined)).toBe(true)
  })

  test('a lane tells a shape for every step, with its hop, or why there is none', async () => {
    const { body } = await ask(laneAnswer, { path: '/api/lane?tonic=C&depth=sevenths&root=6' })
    expect(body.highest).toBe(17)
    expect(body.steps[0]).toEqual({
      step: 1,
      symbol: 'Cmaj7',
      frets: '8x998x',
      degrees: ['R', null, '7', '3', '5', null],
      reachMm: 23,
      hopFrets: 0,
      hopMm: 0,
      names: expect.arrayContaining(['Cmaj7']),
    })
    expect(body.steps[6]).toMatchObject({ frets: '7x776x', hopFrets: -10, goesOnBecause: 'past the last fret' })
    const open = await ask(laneAnswer, {
      path: '/api/lane?tonic=G&depth=triads&tones=R:5,5:4,3:2&ring=3,1&silent=6&tuning=D2,G2,D3,G3,B3,D4',
    })
    expect(open.body.steps.map(({ frets }: { frets: string }) => frets).join(' ')).toBe(
      'x00000 x22010 x44030 x55050 x77070 x99080 x-11-10-0-10-0',
    )
    expect(open.body.steps[3].names[0]).toBe('Cadd9')
  })

  test.each([
    [keyAnswer, '/api/key?tonic=X', 'tonic'],
    [keyAnswer, '/api/key?tonic=C&scale=blue', 'scale'],
    [keyAnswer, '/api/key?tonic=G%23%23', 'tonic'],
    [keyAnswer, '/api/key?tonic=C&depth=fifths', 'depth'],
    [runAnswer, '/api/run?material=zz', 'material'],
    [runAnswer, '/api/run?manner=jazz', 'manner'],
    [runAnswer, '/api/run?ensemble=trio', 'ensemble'],
    [runAnswer, '/api/run?material=m7/G', 'material'],
    [runAnswer, '/api/run?from=H2', 'from'],
    [runAnswer, '/api/run?cycle=sixths', 'cycle'],
    [runAnswer, '/api/run?place=3-and-2', 'place'],
    [laneAnswer, '/api/lane?tonic=C&root=9', 'root'],
    [laneAnswer, '/api/lane?tonic=C&strings=5432&order=R-7-3', 'order'],
    [laneAnswer, '/api/lane?tonic=C&tones=R:5,4:2', 'tones'],
    [laneAnswer, '/api/lane?tonic=C&tones=R:5,3:2&ring=5', 'ring'],
    [laneAnswer, '/api/lane?tonic=C&tuning=E2,Q2', 'tuning'],
    [laneAnswer, '/api/lane?tonic=C&fretMax=99', 'fretMax'],
  ])('%# is refused with its field', async (route, path, field) => {
    const { status, body } = await ask(route, { path })
    expect(status).toBe(400)
    expect(body).toMatchObject({ field, error: expect.any(String), expected: expect.any(String) })
  })
})

test('the key of a chart, doubted where it may be, and numbers as chords; what can’t be read has its place', async () => {
  const of = (chart: string) => ask(keyOf, { path: `/api/key-of?${new URLSearchParams({ chart })}` })
  expect((await of('| C | Am | F | G |')).body.key).toBe('C major')
  expect((await of('F#m | D | A | E')).body).toEqual({ key: 'F# minor', orElse: 'A major' })
  expect(await of('| C | Xyz |')).toMatchObject({ status: 400, body: { field: 'chart', at: 6 } })
  expect(await of('||')).toMatchObject({ status: 400, body: { field: 'chart' } })
  const chords = (key: string, text: string) =>
    ask(numbers, { path: `/api/numbers?${new URLSearchParams({ key, text })}` })
  expect((await chords('Em', 'i bVII bVI V')).body).toEqual({ chords: ['Em', 'D', 'C', 'B'] })
  expect(await chords('Em', 'i nine')).toMatchObject({ status: 400, body: { field: 'text', at: 2 } })
  expect(await chords('Q', 'i')).toMatchObject({ status: 400, body: { field: 'key' } })
})

describe('a path over HTTP', () => {
  const asked = (body: object) =>
    ask(path, { body: { chart: '| Dm7 | G7 | Cmaj7 |', strings: ['5432'], fretMax: 7, ...body } })

  test('every term is told and adds up; the last step leads round to the first chord', async () => {
    const { status, body } = await asked({ loop: true, k: 2 })
    expect(status).toBe(200)
    expect(body.chords.map(({ frets }: { frets: string }) => frets)).toEqual(['x5756x', 'x5546x', 'x3545x'])
    const sum = (of: readonly { cost: number }[]) => of.reduce((all, { cost }) => all + cost, 0)
    expect(sum(body.chords) + sum(body.steps)).toBeCloseTo(body.total, 9)
    const { cost, ...parts } = body.steps[0]
    expect(Object.values(parts as Record<string, number>).reduce((a, b) => a + b, 0)).toBeCloseTo(cost, 9)
    expect(body).toMatchObject({ exact: true, steps: { length: 3 }, others: { length: 1 } })
  })

  test('numbers in a key, held shapes, a melody, weights and another tuning', async () => {
    const { body } = await asked({
      chart: '| 2 | 5 | 1 |',
      key: 'C',
      hold: [{ chord: 1, frets: 'x5546x' }],
      melody: ['F4', null, null],
      weights: { hand: 0 },
    })
    expect(body.chords.map(({ symbol }: { symbol: string }) => symbol)).toEqual(['Dm7', 'G7', 'Cmaj7'])
    expect(body.chords[1].frets).toBe('x5546x')
    expect(body.steps.every(({ hand }: { hand: number }) => hand === 0)).toBe(true)
    const gap = await asked({ chart: '| C13 |', strings: ['321'], fretMax: 1 })
    expect(gap.body).toMatchObject({ gaps: [{ chord: 0, reason: 'no-shape' }], chords: [{ frets: null, cost: 0 }] })
  })

  test.each([
    [{ chart: '| Dm7 | Xm7 |' }, 'chart', 8],
    [{ chart: '| 2 | 9x |', key: 'C' }, 'chart', 6],
    [{ chart: '' }, 'chart', 0],
    [{ key: 'Q' }, 'key', 0],
    [{ strings: ['5432', '77'] }, 'strings.1', 0],
    [{ arrangements: ['drop-9'] }, 'arrangements.0', 0],
    [{ hold: [{ chord: 7, frets: 'x5546x' }] }, 'hold.0.chord', 0],
    [{ hold: [{ chord: 0, frets: 'x55' }] }, 'hold.0.frets', 0],
    [{ melody: ['H9'] }, 'melody.0', 0],
    [{ fretMin: 9 }, 'fretMin', 0],
    [{ tuning: 'E2,Q2' }, 'tuning', 3],
    [{ chart: `| ${'C '.repeat(520)} |` }, 'chart', 0],
    [{ k: 99 }, 'k', 0],
    [{ speed: 2 }, 'speed', 0],
  ])('%# is refused with its field and place', async (body, field, at) => {
    const answer = await asked(body)
    expect(answer).toMatchObject({ status: 400, body: { field, at } })
  })

  test('of the longest tune the first chords are answered, and it is said where time ended it; each is as it was at first', async () => {
    const chart = `|: ${'C13 | '.repeat(255)} :|`
    const { body } = await asked({ chart, strings: undefined, fretMax: 24, open: 'allow' })
    const chords = body.chords as { frets: string }[]
    expect(body).toMatchObject({ truncated: chords.length < 510, count: 510 })
    expect(body.cut).toBe(body.truncated ? 'time' : undefined)
    expect(new Set(chords.map(({ frets }) => frets)).size).toBe(1)
  })

  test('manner and ensemble decide the grips, and each says why; others are refused with the words there are', async () => {
    const frets = (body: { chords: { frets: string }[] }) => body.chords.map((chord) => chord.frets).join(' ')
    const free = { strings: undefined, fretMin: undefined, fretMax: undefined }
    const comped = await asked({ ...free, chart: '| Dm9 | G13 | Cmaj9 | A7b9 |', manner: 'comp' })
    expect(frets(comped.body)).toBe('x5355x 3x345x x3243x 5x5656')
    const barred = await asked({ ...free, chart: '| F#m | D | A | E |', manner: 'barre' })
    expect(frets(barred.body).split(' ').slice(0, 3)).toEqual(['244222', 'x57775', '577655'])
    const rung = await asked({ ...free, chart: '| C | G/B | Am | F |', manner: 'open' })
    expect(frets(rung.body)).toBe('x32010 x20003 x02210 133211')
    const closed = await asked({ ...free, chart: '| C | G/B |', manner: 'open', open: 'never' })
    expect(frets(closed.body)).not.toContain('0')
    const [first] = barred.body.chords
    const sum = first.taste.terms.reduce((total: number, { value }: { value: number }) => total + value, 0)
    expect(sum).toBeCloseTo(first.taste.total, 1)
    expect(first.taste.terms[0].words).toBe('effort of the fingering')
    const odd = await asked({ chart: '| C |', manner: 'reggae' })
    expect(odd).toMatchObject({ status: 400, body: { field: 'manner' } })
    expect(JSON.stringify(odd.body)).toContain('open, barre, comp, bossa, funk, blues, solo')
  })

  test('what may stand between two chords, each with its reason', async () => {
    const { body } = await ask(between, { path: '/api/between?from=G7&to=Am7&key=C' })
    expect(body[0]).toEqual({ symbol: 'G#dim7', reason: 'leading' })
    expect(await ask(between, { path: '/api/between?from=G7&to=H9' })).toMatchObject({
      status: 400,
      body: { field: 'to' },
    })
    expect(await ask(between, { path: '/api/between?from=G7&to=C&key=Q' })).toMatchObject({
      status: 400,
      body: { field: 'key' },
    })
  })
})
