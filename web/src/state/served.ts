/**
 * Which build the server runs. Every answer tells it, so that a page knows when the program was renewed under it: its own
 * files may be gone then, and only a reload brings the new ones.
 */
import { atom } from 'nanostores'
import { BUILD_HEADER } from '../contracts/build.ts'

/** The server runs another build than the one that this page came from. */
export const $isRenewed = atom(false)

let first: string | undefined

/** The first answer is of the page's own build. */
export function heardFrom({ headers }: Response): void {
  const build = headers.get(BUILD_HEADER)
  if (build === null) return
  first ??= build
  if (build !== first) $isRenewed.set(true)
}

export type WhyMissing = 'away' | 'renewed'

/** Why a file of the program could not be had: nobody answers, or who answers has other files. */
export async function whyMissing(): Promise<WhyMissing> {
  try {
    const response = await fetch('/healthz', { cache: 'no-store' })
    heardFrom(response)
    return response.ok ? 'renewed' : 'away'
  } catch {
    return 'away'
  }
}
