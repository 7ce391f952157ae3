/** On the server: what the page that is asked for will show first. */
import { shapesFor } from '@nestling/core/answer'
import { type PageData, playerOnPage } from '../../state/page.ts'
import { type Address, stepFrom } from '../../state/workbench/address.ts'
import { writeFirstAnswer } from '../../state/workbench/firstAnswer.ts'

/** Some tenths of a second of the server, and a page of some 100 kB: what is more is left to the browser's own search. */
const BUDGET = { steps: 2_000_000, rows: 5000 }

/** @returns `undefined` where the answer is larger than a page should wait for. */
export function firstAnswer(address: Address, page: PageData): string | undefined {
  const player = playerOnPage(page)
  const { question } = stepFrom(address, player).step
  const found = shapesFor(question, player, BUDGET.rows, BUDGET)
  return found.truncated ? undefined : writeFirstAnswer({ question, found, gaveWay: [] })
}
