/** The state of a sheet: its blocks with undo, its pages, and that it is kept. */
import { useStore } from '@nanostores/react'
import {
  type Block,
  layoutSheet,
  type RowMemory,
  type Sheet,
  type SheetPages,
  type SheetTune,
} from '@nestling/core/sheet'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { type KeptSheet, type SheetDraft, sheetOf } from '../../contracts/sheet.ts'
import type { KeptTune } from '../../contracts/tune.ts'
import { sheetTuneOf } from '../../contracts/tuneFile.ts'
import { takeTyped } from '../../controls/useTyped.ts'
import { facesReady, measure } from '../../sheet/faces.ts'
import { useKeptPast } from '../../shell/useKeptPast.ts'
import { type Asked, createAsked } from '../../state/asked.ts'
import { joined } from '../../state/joined.ts'
import { tell } from '../../state/notices.ts'
import { $keptLater, landedSinceAsked } from '../../state/outbox.ts'
import { $player, $session } from '../../state/session.ts'
import { addressAt, addressOfSheet, keepSheet, replaceSheet, sendLast } from '../../state/sheets.ts'
import { differenceWords } from '../../words/differences.ts'

export type Kept = 'kept' | 'keeping' | 'waits' | 'not kept'

export interface SheetState {
  readonly id: number
  readonly sheet: Sheet
  readonly tunes: readonly KeptTune[]
  /** `undefined` until the faces are there: widths are not known before. */
  readonly pages: SheetPages | undefined
  readonly kept: Kept
  readonly chosen: string | undefined
  readonly choose: (block: string | undefined) => void
  readonly change: (changes: Partial<Sheet>) => void
  readonly changeBlock: <Kind extends Block['kind']>(
    id: string,
    changes: Partial<Extract<Block, { kind: Kind }>>,
  ) => void
  readonly move: (id: string, by: number) => void
  readonly moveTo: (id: string, over: string) => void
  readonly remove: (id: string) => void
  readonly put: (block: Block, behind?: string) => void
  readonly undo: () => unknown
  readonly redo: () => unknown
  readonly canUndo: boolean
  readonly canRedo: boolean
}

/** Typing is kept when it pauses. */
const KEEP_AFTER_MS = 500

export function useSheet(first: KeptSheet, tunes: readonly KeptTune[]): SheetState {
  const player = useStore($player)
  const { settings, instrument } = useStore($session)
  const [asked] = useState(() => createAsked<Sheet>(sheetOf(first)))
  const sheet = useStore(asked.$now)
  const { canUndo, canRedo } = useStore(asked.$past)
  const [chosen, choose] = useState<string | undefined>(undefined)
  useKeptPast(asked, `sheet-${first.id}`)
  const kept = useKept(first, sheet, asked)
  const faces = useFaces()
  const [memory] = useState<RowMemory>(() => new Map())
  const own = instrument.tuning
  const sheetTunes = useMemo(() => tunes.map((tune): SheetTune => sheetTuneOf(tune, own)), [tunes, own])
  const pages = useMemo(
    () =>
      faces
        ? layoutSheet(
            sheet,
            {
              player,
              tunes: sheetTunes,
              facing: { leftHanded: instrument.handed === 'left', lowOnTop: settings.lowOnTop },
              naming: settings.naming,
              school: settings.symbols,
              measure,
            },
            memory,
          )
        : undefined,
    [faces, sheet, player, sheetTunes, instrument.handed, settings.lowOnTop, settings.naming, settings.symbols, memory],
  )

  const change = useCallback((changes: Partial<Sheet>) => asked.step(changes), [asked])
  const withBlocks = useCallback(
    (to: (blocks: readonly Block[]) => readonly Block[]) => asked.step({ blocks: to(asked.current().blocks) }),
    [asked],
  )
  const changeBlock = useCallback<SheetState['changeBlock']>(
    (id, changes) =>
      withBlocks((blocks) => blocks.map((block) => (block.id === id ? ({ ...block, ...changes } as Block) : block))),
    [withBlocks],
  )
  const moveTo = useCallback(
    (id: string, over: string) =>
      withBlocks((blocks) => {
        const [from, to] = [blocks.findIndex((one) => one.id === id), blocks.findIndex((one) => one.id === over)]
        const block = blocks[from]
        if (!block || to < 0) return blocks
        const rest = blocks.filter((one) => one !== block)
        return [...rest.slice(0, to), block, ...rest.slice(to)]
      }),
    [withBlocks],
  )
  const move = useCallback(
    (id: string, by: number) => {
      const { blocks } = asked.current()
      const other = blocks[blocks.findIndex((one) => one.id === id) + by]
      if (other) moveTo(id, other.id)
    },
    [asked, moveTo],
  )
  const remove = useCallback(
    (id: string) => withBlocks((blocks) => blocks.filter((one) => one.id !== id)),
    [withBlocks],
  )
  const put = useCallback(
    (block: Block, behind?: string) => {
      withBlocks((blocks) => {
        const legend = blocks.findIndex(({ kind }) => kind === 'legend')
        // What the fillings mean stays last.
        const end = legend < 0 ? blocks.length : legend
        const at = behind === undefined ? end : blocks.findIndex((one) => one.id === behind) + 1
        return [...blocks.slice(0, at), block, ...blocks.slice(at)]
      })
      choose(block.id)
    },
    [withBlocks],
  )
  return {
    id: first.id,
    sheet,
    tunes,
    pages,
    kept,
    chosen,
    choose,
    change,
    changeBlock,
    move,
    moveTo,
    remove,
    put,
    undo: asked.undo,
    redo: asked.redo,
    canUndo,
    canRedo,
  }
}

/** Every change lands in the database, one after another; a refusal is told and nothing of it is lost here. */
function useKept(first: KeptSheet, sheet: Sheet, { current, open: show }: Asked<Sheet>): Kept {
  const [kept, setKept] = useState<Kept>('kept')
  const landed = useRef(sheet)
  const version = useRef(first.version)
  const sending = useRef<Promise<unknown>>(Promise.resolve())
  const isWaiting = useRef(false)
  useEffect(() => {
    if (sheet === landed.current) return undefined
    setKept('keeping')
    const send = () => {
      sending.current = sending.current.then(async () => {
        if (sheet === landed.current) return
        const reply = await replaceSheet(first.id, version.current, sheet as SheetDraft)
        if (reply.ok) {
          version.current = reply.value.version
          landed.current = sheet
          setKept('kept')
        } else if (reply.waits) {
          if (!isWaiting.current) tell.waits('The sheet waits', reply.message)
          isWaiting.current = true
          landed.current = sheet
          setKept('waits')
        } else if (reply.now !== undefined) {
          setKept('not kept')
          take.current(reply.now as KeptSheet)
        } else {
          setKept('not kept')
          tell.problem('The sheet is not kept', reply.message)
        }
      })
    }
    const waiting = setTimeout(send, KEEP_AFTER_MS)
    return () => clearTimeout(waiting)
  }, [sheet, first.id])
  // Somebody else has changed it meanwhile: what they have not touched is joined, the rest is chosen.
  const take = useRef<(theirs: KeptSheet) => void>(() => undefined)
  take.current = (theirs) => {
    const [before, mine, there] = [landed.current, current(), sheetOf(theirs)]
    const { value, both } = joined<Sheet>(before, mine, there)
    const goOn = (next: Sheet) => {
      version.current = theirs.version
      landed.current = there
      show(next)
      if (next === there) setKept('kept')
    }
    if (both.length === 0) {
      tell.done(`Joined with what was changed elsewhere: ${theirs.title}`)
      return goOn(value)
    }
    return tell.choice(
      `${theirs.title} was changed elsewhere since it was opened here: ${differenceWords(both, mine, there)}.`,
      [
        ['Keep mine', () => goOn({ ...mine })],
        ['Keep both', () => void keepBeside(mine)],
        ['Take theirs', () => goOn(there)],
      ],
    )
  }
  const newest = useRef(sheet)
  useEffect(() => {
    newest.current = sheet
  })
  // What waited has been sent: later changes go over that version, and a page that was loaded before shows it.
  useEffect(() => {
    const take = (now: KeptSheet) => {
      version.current = now.version
      if (!isWaiting.current && newest.current === landed.current) {
        landed.current = sheetOf(now)
        show(landed.current)
      }
      isWaiting.current = false
      setKept('kept')
    }
    const before = landedSinceAsked<KeptSheet>(addressAt(first.id))
    if (before && before.version > version.current) take(before)
    return $keptLater.listen((later) => {
      if (later?.path === addressAt(first.id)) take(later.value as KeptSheet)
    })
  }, [first.id, show])
  // Whoever leaves within the pause leaves the change with the browser, which sends it all the same.
  useEffect(() => {
    const leave = () => {
      takeTyped()
      if (current() !== landed.current) sendLast(first.id, version.current, current() as SheetDraft)
    }
    window.addEventListener('pagehide', leave)
    return () => window.removeEventListener('pagehide', leave)
  }, [first.id, current])
  return kept
}

function useFaces(): boolean {
  const [isReady, setReady] = useState(false)
  useEffect(() => {
    // Without its faces the page is drawn in others, until it is opened again.
    const drawn = () => setReady(true)
    facesReady().then(drawn, drawn)
  }, [])
  return isReady
}

/** Mine as another sheet, where it goes on; theirs stays under its own number. */
async function keepBeside(mine: Sheet): Promise<void> {
  const reply = await keepSheet({ ...(mine as SheetDraft), title: `${mine.title.slice(0, 50)}, again` })
  if (reply.ok) window.location.assign(addressOfSheet(reply.value))
  else tell.problem('Not kept', reply.message)
}
