import type { BookTune } from '../../../contracts/book.ts'
import { restoring } from '../../../state/deeds.ts'
import { tell } from '../../../state/notices.ts'
import { deleteTune } from '../../../state/tunes.ts'
import type { BookState } from '../useBook.ts'

/** Its shapes stay, in no tune, and stand under it again when it comes back. */
export async function deleteTuneOf(
  { did, reload }: Pick<BookState, 'did' | 'reload'>,
  tune: Pick<BookTune, 'id' | 'title' | 'version'>,
): Promise<void> {
  const reply = await deleteTune(tune)
  if (reply.ok) return did(`Deleted: ${tune.title}`, restoring('tune', tune.id))
  tell.problem('Not deleted', reply.message)
  return reload()
}
