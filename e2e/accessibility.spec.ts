/** An audit by rule of every view in its states, by day and at dusk: twelve of them here, all in `npm run audit`. */

import AxeBuilder from '@axe-core/playwright'
import { settled } from './support/settled.ts'
import { IN_EACH_RUN, openState, STATES, type State } from './support/states.ts'
import { expect, type Page, test } from './support/test.ts'

/** WCAG 2.2 at levels A and AA, and what is good practice beside. */
const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22a', 'wcag22aa', 'best-practice']

async function faults(page: Page, part: string | undefined, rules?: string[]) {
  const audit = rules ? new AxeBuilder({ page }).withRules(rules) : new AxeBuilder({ page }).withTags(RULES)
  const { violations } = await (part === undefined ? audit : audit.include(part)).analyze()
  return violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`)
}

const audited = STATES.filter(({ name }) => process.env['E2E_AUDIT'] === 'all' || IN_EACH_RUN.has(name))

test('sixty states are there to be audited, twelve of them in each run', () => {
  expect(STATES.length).toBeGreaterThanOrEqual(60)
  expect(new Set(STATES.map(({ name }) => name)).size).toBe(STATES.length)
  expect(STATES.filter(({ name }) => IN_EACH_RUN.has(name))).toHaveLength(12)
})

/** The states of one view share a page, and each is told by its name. */
const viewOf = ({ name }: State) => name.replace(/,.*/, '')
for (const view of new Set(audited.map(viewOf)))
  test(`${view}: in none of its states is a player kept out, by day or at dusk`, async ({ page }) => {
    for (const state of audited.filter((one) => viewOf(one) === view)) {
      await page.emulateMedia({ colorScheme: 'light' })
      await openState(page, state)
      expect.soft(await faults(page, state.part), state.name).toEqual([])
      // At dusk only the colours differ.
      await page.emulateMedia({ colorScheme: 'dark' })
      await settled(page)
      expect.soft(await faults(page, state.part, ['color-contrast', 'link-in-text-block']), state.name).toEqual([])
    }
  })
