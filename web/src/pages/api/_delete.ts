/** Deletions that know what was seen. */
import type { APIRoute } from 'astro'
import type { Outcome } from '../../data/outcome.ts'
import { answerOutcome, idFrom, noSuch, versionIn } from './_respond.ts'

/** `DELETE …?version=3`: what was changed since that version stays, and is told as it is. */
export const deletion =
  <Kept>(
    what: string,
    remove: (locals: App.Locals, id: number, seen: number | undefined) => Outcome<Kept | undefined>,
    nameOf: (kept: Kept) => string,
  ): APIRoute =>
  ({ params, url, locals }) => {
    const id = idFrom(params['id'])
    const seen = versionIn(url)
    if (!seen.ok) return seen.response
    if (id === undefined) return noSuch(what)
    return answerOutcome(remove(locals, id, seen.value.version), {
      what,
      staleWords: (now) =>
        `${now === undefined ? what : nameOf(now)} was changed meanwhile; look at it before it is deleted`,
    })
  }
