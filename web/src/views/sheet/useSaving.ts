/** Writing a sheet's pages into files: one at a time, with its progress and a stop. */
import { useCallback, useMemo, useRef, useState } from 'react'
import type { Saving } from '../../sheet/save.ts'
import { tell } from '../../state/notices.ts'
import { fileNameOf, saveFile } from '../../state/saveFile.ts'
import type { SheetState } from './useSheet.ts'

export interface SavingState {
  /** From 0 to 1 while a file is written. */
  readonly progress: number | undefined
  readonly pdf: () => void
  readonly svg: () => void
  readonly png: () => void
  readonly print: () => void
  readonly stop: () => void
}

/** The pages as they are drawn. Staves come after their page: a file waits for them. */
async function drawnPages(): Promise<readonly SVGSVGElement[]> {
  const waiting = () => document.querySelector('[data-page] [data-waiting]') !== null
  for (let tries = 0; waiting() && tries < MOST_WAITS; tries++)
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS))
  return [...document.querySelectorAll<SVGSVGElement>('svg[data-page]')]
}
const MOST_WAITS = 200
const WAIT_MS = 20

export function useSaving({ sheet, pages }: Pick<SheetState, 'sheet' | 'pages'>): SavingState {
  const [progress, setProgress] = useState<number | undefined>(undefined)
  const stopping = useRef<AbortController | undefined>(undefined)
  const save = useCallback(
    async (
      write: (
        saving: Saving,
        save: typeof import('../../sheet/save.ts'),
      ) => Promise<readonly (readonly [Blob, string])[]>,
    ) => {
      if (!pages || stopping.current) return
      const stopper = new AbortController()
      stopping.current = stopper
      setProgress(0)
      try {
        const module = await import('../../sheet/save.ts')
        const saving: Saving = {
          pages: await drawnPages(),
          size: pages.size,
          title: sheet.title,
          progress: setProgress,
          signal: stopper.signal,
        }
        for (const [file, name] of await write(saving, module)) saveFile(file, name)
      } catch (error) {
        if (stopper.signal.aborted) tell.done('Stopped; no file was written.', 'sheet-stopped')
        else tell.problem('The file was not written', error instanceof Error ? error.message : String(error))
      } finally {
        stopping.current = undefined
        setProgress(undefined)
      }
    },
    [pages, sheet.title],
  )
  return useMemo(() => {
    const name = fileNameOf(sheet.title)
    const numbered = (index: number, count: number) => (count > 1 ? `${name}-${index + 1}` : name)
    return {
      progress,
      pdf: () => void save(async (saving, { savePdf }) => [[await savePdf(saving), `${name}.pdf`]]),
      svg: () =>
        void save((saving, { saveSvg }) =>
          Promise.all(
            saving.pages.map(
              async (_, index) =>
                [await saveSvg(saving, index), `${numbered(index, saving.pages.length)}.svg`] as const,
            ),
          ),
        ),
      png: () =>
        void save((saving, { savePng }) =>
          Promise.all(
            saving.pages.map(
              async (_, index) =>
                [await savePng(saving, index), `${numbered(index, saving.pages.length)}.png`] as const,
            ),
          ),
        ),
      print: () => window.print(),
      stop: () => stopping.current?.abort(),
    }
  }, [progress, save, sheet.title])
}
