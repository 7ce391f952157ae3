/** Laws of taste: no good thing costs, no bad thing pays, and basses stand in the order in which players accept them. */
import { expect, test } from 'vitest'
import { ENSEMBLES, MANNERS, TASTE_TERMS } from './index.ts'
import { weightOf } from './weights.ts'

/** What speaks for a shape; all else speaks against it, or for nothing in some manner. */
const WELCOME = ['openRings', 'sixthString']

test('a weight never changes sides, but for a fifth on the root, which a barre has', () => {
  for (const manner of MANNERS)
    for (const ensemble of ENSEMBLES)
      for (const term of TASTE_TERMS) {
        const weight = weightOf(term, manner, ensemble)
        if (term === 'fifthOnRoot' && manner === 'barre') expect(weight).toBeLessThanOrEqual(0)
        else if (WELCOME.includes(term)) expect(weight).toBeLessThanOrEqual(0)
        else expect(weight, `${term} ${manner} ${ensemble}`).toBeGreaterThanOrEqual(-1e-9)
      }
})

test('alone, the root in the bass comes before fifth and third, these before the seventh, that before tensions', () => {
  for (const manner of MANNERS) {
    if (manner === 'funk') continue
    const [third, seventh, tension] = (['thirdInBass', 'seventhInBass', 'tensionInBass'] as const).map((term) =>
      weightOf(term, manner, 'alone'),
    ) as [number, number, number]
    expect(weightOf('fifthInBass', manner, 'alone')).toBeGreaterThan(0)
    expect(third).toBeGreaterThan(0)
    expect(seventh).toBeGreaterThanOrEqual(third)
    expect(tension).toBeGreaterThan(seventh)
  }
})

test('beside a bass player an inversion costs a small part of what it costs alone', () => {
  for (const term of ['fifthInBass', 'thirdInBass', 'seventhInBass', 'tensionInBass'] as const)
    expect(weightOf(term, 'comp', 'bass-player')).toBeLessThan(weightOf(term, 'comp', 'alone') * 0.2)
  expect(weightOf('noRoot', 'comp', 'bass-player')).toBeLessThan(weightOf('noRoot', 'comp', 'alone') * 0.2)
})
