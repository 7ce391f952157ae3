/** On the server: the map that the page shows first. */
import { mapOf } from '@nestling/core/map'
import { type PageData, playerOnPage } from '../../state/page.ts'
import { readMap } from './address.ts'
import { writeFirstMap } from './writtenMap.ts'

export function firstMap(query: URLSearchParams, page: PageData): string {
  const player = playerOnPage(page)
  const { question, change } = readMap(query, player).asked
  return writeFirstMap(mapOf(question, player, change))
}
