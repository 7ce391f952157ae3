/** Reading a file: in a worker that can be stopped, then what it would change, then, only when told to, one step that does it. */

import { type FileProblem, MOST_NOTEBOOK_BYTES, problem } from '@nestling/formats/file'
import { proxy, wrap } from 'comlink'
import { useCallback, useRef, useState } from 'react'
import type { Choice, NotebookChoices, NotebookPreview } from '../../../contracts/notebook.ts'
import type { KeptTune } from '../../../contracts/tune.ts'
import { undoingChange } from '../../../state/deeds.ts'
import { call } from '../../../state/http.ts'
import { tell } from '../../../state/notices.ts'
import { findTune } from '../../../state/tunes.ts'
import { fileWords } from '../../../words/files.ts'
import type { FilesWorker, ReadAsNotebook } from '../../../workers/files.worker.ts'
import type { BookState } from '../useBook.ts'

export interface WrongRow {
  readonly table: string
  readonly place: number
  readonly field: string
  readonly why: string
}
export interface Previewed extends NotebookPreview {
  readonly wrong: readonly WrongRow[]
  readonly wrongMore: number
}

export type Reading =
  | { readonly status: 'idle' }
  | { readonly status: 'reading' | 'comparing' | 'writing'; readonly name: string }
  | { readonly status: 'refused'; readonly name: string; readonly message: string }
  | {
      readonly status: 'found'
      readonly name: string
      readonly file: ReadAsNotebook
      readonly preview: Previewed
      readonly choices: NotebookChoices
    }

export interface ReadingState {
  readonly reading: Reading
  readonly read: (file: File) => void
  readonly stop: () => void
  readonly choose: (choices: Partial<NotebookChoices>) => void
  readonly chooseOne: (table: string, place: number, choice: Choice) => void
  readonly apply: () => void
}

const USUAL: NotebookChoices = { fresh: 'take', different: 'leave', each: {} }

/** @throws what the server says when it is gone meanwhile. */
async function wholeTune(id: number): Promise<KeptTune> {
  const reply = await findTune(id)
  if (reply.ok) return reply.value
  throw new Error(reply.message)
}

export function useReading({ contents, did }: Pick<BookState, 'contents' | 'did'>): ReadingState {
  const [reading, setReading] = useState<Reading>({ status: 'idle' })
  const ticket = useRef(0)
  const worker = useRef<Worker | undefined>(undefined)
  const end = useCallback(() => {
    worker.current?.terminate()
    worker.current = undefined
  }, [])
  const read = useCallback(
    async (file: File) => {
      end()
      const mine = ++ticket.current
      const { name } = file
      const refuse = (error: FileProblem | string) =>
        mine === ticket.current &&
        setReading({ status: 'refused', name, message: typeof error === 'string' ? error : fileWords(error) })
      if (file.size > MOST_NOTEBOOK_BYTES)
        return refuse(problem('too_large', 0, `${Math.round(MOST_NOTEBOOK_BYTES / 1024 / 1024)} MB`))
      setReading({ status: 'reading', name })
      try {
        const bytes = new Uint8Array(await file.arrayBuffer())
        worker.current = new Worker(new URL('../../../workers/files.worker.ts', import.meta.url), { type: 'module' })
        const died = new Promise<never>((_, reject) =>
          worker.current?.addEventListener('error', () =>
            reject(new Error('The reader stopped by itself; try again.')),
          ),
        )
        const asked = wrap<FilesWorker>(worker.current).read(
          name,
          bytes,
          contents.tunes,
          proxy(wholeTune),
          new Date().toISOString(),
        )
        const answer = await Promise.race([asked, died])
        end()
        if (mine !== ticket.current) return undefined
        if (!answer.ok) return refuse(answer.error)
        setReading({ status: 'comparing', name })
        const preview = await call<Previewed>('POST', '/api/notebook/preview', JSON.parse(answer.value.notebook))
        if (mine !== ticket.current) return undefined
        if (!preview.ok) return refuse(preview.message)
        return setReading({ status: 'found', name, file: answer.value, preview: preview.value, choices: USUAL })
      } catch (error) {
        end()
        return refuse(error instanceof Error ? error.message : String(error))
      }
    },
    [contents.tunes, end],
  )
  const stop = useCallback(() => {
    ticket.current++
    end()
    setReading({ status: 'idle' })
  }, [end])
  const choose = useCallback((choices: Partial<NotebookChoices>) => {
    setReading((now) => (now.status === 'found' ? { ...now, choices: { ...now.choices, ...choices } } : now))
  }, [])
  const chooseOne = useCallback((table: string, place: number, choice: Choice) => {
    setReading((now) => {
      if (now.status !== 'found') return now
      const { each } = now.choices
      return { ...now, choices: { ...now.choices, each: { ...each, [table]: { ...each[table], [place]: choice } } } }
    })
  }, [])
  const apply = useCallback(async () => {
    if (reading.status !== 'found') return
    const { file, name, choices } = reading
    setReading({ status: 'writing', name })
    const reply = await call<{ readonly changed: number; readonly undo?: number }>('POST', '/api/notebook/apply', {
      notebook: JSON.parse(file.notebook),
      choices,
      name: name.slice(0, 120),
    })
    if (!reply.ok) {
      setReading(reading)
      tell.problem('Nothing was read in', reply.message)
      return
    }
    setReading({ status: 'idle' })
    const { changed, undo } = reply.value
    if (undo === undefined) tell.done(`Nothing was chosen from ${name}; the Book is as it was.`)
    else did(`Read from ${name}: ${changed} ${changed === 1 ? 'change' : 'changes'}`, undoingChange(undo))
  }, [reading, did])
  return { reading, read: (file) => void read(file), stop, choose, chooseOne, apply: () => void apply() }
}
