/** On the server: what the page that is asked for will show first. */
import { answerGivingWay } from '@nestling/core/answer'
import { type PageData, playerOnPage } from '../../state/page.ts'
import { type Address, stepFrom } from '../../state/workbench/address.ts'
import { writeFirstAnswer } from '../../state/workbench/firstAnswer.ts'

export function firstAnswer(address: Address, page: PageData): string | undefined {
  const player = playerOnPage(page)
  return writeFirstAnswer(answerGivingWay(stepFrom(address, player).step.question, [], player))
}
