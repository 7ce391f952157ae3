/** An audit by rule of every view in its states, by day and at dusk. */
import AxeBuilder from '@axe-core/playwright'
import { leaveAsItWas } from './support/kept.ts'
import { openState, STATES } from './support/states.ts'
import { expect, type Page, test } from './support/test.ts'

/** WCAG 2.2 at levels A and AA, and what is good practice beside. */
const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22a', 'wcag22aa', 'best-practice']

async function faults(page: Page, part: string | undefined, rules?: string[]) {
  const audit = rules ? new AxeBuilder({ page }).withRules(rules) : new AxeBuilder({ page }).withTags(RULES)
  const { violations } = await (part === undefined ? audit : audit.include(part)).analyze()
  return violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`)
}

leaveAsItWas()

test('sixty states are audited', () => {
  expect(STATES.length).toBeGreaterThanOrEqual(60)
  expect(new Set(STATES.map(({ name }) => name)).size).toBe(STATES.length)
})

for (const state of STATES)
  test(`${state.name}: nothing keeps a player out, by day and at dusk`, async ({ page }) => {
    await openState(page, state)
    expect(await faults(page, state.part)).toEqual([])
    // At dusk only the colours differ.
    await page.emulateMedia({ colorScheme: 'dark' })
    await page.waitForTimeout(250)
    expect(await faults(page, state.part, ['color-contrast', 'link-in-text-block'])).toEqual([])
  })
