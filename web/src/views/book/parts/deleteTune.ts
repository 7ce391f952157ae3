import type { BookTune } from '../../../contracts/book.ts'
import { restoring } from '../../../state/deeds.ts'
import { tell } from '../../../state/notices.ts'
import { deleteTune } from '../../../state/tunes.ts'
import type { BookState } from '../useBook.ts'

/** Its shapes stay, in no tune, and stand under it again when it comes back. */
export async function deleteTuneOf(
  { did }: Pick<BookState, 'did'>,
  tune: Pick<BookTune, 'id' | 'title'>,
): Promise<void> {
  const reply = await deleteTune(tune.id)
  if (reply.ok) did(`Deleted: ${tune.title}`, restoring('tune', tune.id))
  else tell.problem('Not deleted', reply.message)
}
