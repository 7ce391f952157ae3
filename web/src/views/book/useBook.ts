/** The state of the Book: what is asked, the shapes that are in sight (from the server, window by window), every change with its undo. */
import { useStore } from '@nanostores/react'
import { writeTuning } from '@nestling/core/neck'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { BookContents } from '../../contracts/book.ts'
import type { BookAsk, BookShapes, KeptShape, ShapesChange } from '../../contracts/shape.ts'
import { useQuestion } from '../../shell/useQuestion.ts'
import { createAsked } from '../../state/asked.ts'
import { changeShape, changeShapes, deleteShape, type ShapeChange, shapesIn } from '../../state/book.ts'
import { cameBack } from '../../state/cameBack.ts'
import { $takenBack, did as deedDone, restoring, type Undoing, undoingChange } from '../../state/deeds.ts'
import { call } from '../../state/http.ts'
import { joined } from '../../state/joined.ts'
import { tell } from '../../state/notices.ts'
import { hearOthers } from '../../state/otherPages.ts'
import { $keptLater } from '../../state/outbox.ts'
import { $session } from '../../state/session.ts'
import { differenceWords } from '../../words/differences.ts'
import { type Params, readBook, writeBook } from './address.ts'
import type { BookPlan } from './types.ts'

/** As many shapes come at once. */
export const WINDOW = 60
const FIND_AFTER_MS = 120

export interface BookState {
  readonly plan: BookPlan
  readonly ask: BookAsk
  readonly contents: BookContents
  readonly total: number
  readonly groups: BookShapes['groups']
  /** By place among all; those that are not there yet are on their way. */
  readonly shapes: ReadonlyMap<number, KeptShape>
  /** The places from here are in sight. */
  readonly see: (from: number, to: number) => void
  readonly problem: string | undefined
  readonly change: (changes: Partial<BookPlan>) => void
  readonly reload: () => void
  readonly edit: (shape: KeptShape, change: ShapeChange, words: string) => Promise<boolean>
  readonly remove: (shape: KeptShape) => void
  readonly many: (act: ShapesChange['act']) => void
  /** Something that was deleted or put in elsewhere in the Book: told, and taken back by the same key. */
  readonly did: (words: string, undo: Undoing) => void
  readonly selected: ReadonlySet<number> | 'all'
  readonly select: (id: number, isOn: boolean) => void
  readonly selectAll: () => void
  readonly selectNone: () => void
}

export function useBook(params: Params, first: BookContents, firstShapes: BookShapes): BookState {
  const { instruments } = useStore($session)
  const [asked] = useState(() => createAsked<BookPlan>(readBook(params)))
  const plan = useStore(asked.$now)
  const [contents, setContents] = useState(first)
  const [shapes, setShapes] = useState<ReadonlyMap<number, KeptShape>>(() => placed(firstShapes))
  const [about, setAbout] = useState<Pick<BookShapes, 'total' | 'groups'>>(firstShapes)
  const [problem, setProblem] = useState<string | undefined>(undefined)
  const [selected, setSelected] = useState<ReadonlySet<number> | 'all'>(new Set<number>())
  useQuestion({ address: writeBook(plan), open: (query) => asked.open(readBook(Object.fromEntries(query))) })

  const { find, by, tag, tune, instrument } = plan
  const ask = useMemo((): BookAsk => {
    const tuning = instruments.find(({ id }) => id === instrument)?.tuning
    return { find, by, tag, tune, tuning: tuning && writeTuning(tuning) }
  }, [find, by, tag, tune, instrument, instruments])

  // One question at a time: what an older one still answers is not looked at.
  const ticket = useRef(0)
  const onTheWay = useRef(new Set<number>())
  const fetchWindow = useCallback(async (question: BookAsk, from: number, mine: number, afresh: boolean) => {
    onTheWay.current.add(from)
    const reply = await shapesIn(question, from, WINDOW)
    if (mine !== ticket.current) return
    onTheWay.current.delete(from)
    if (!reply.ok) {
      setProblem(reply.message)
      return
    }
    setProblem(undefined)
    setAbout(reply.value)
    setShapes((before) => (afresh ? placed(reply.value) : new Map([...before, ...placed(reply.value)])))
  }, [])
  const look = useCallback(
    (question: BookAsk) => {
      onTheWay.current.clear()
      return fetchWindow(question, 0, ++ticket.current, true)
    },
    [fetchWindow],
  )
  const isFirst = useRef(true)
  useEffect(() => {
    if (isFirst.current) {
      isFirst.current = false
      return undefined
    }
    const waiting = setTimeout(() => void look(ask), FIND_AFTER_MS)
    setSelected(new Set<number>())
    return () => clearTimeout(waiting)
  }, [ask, look])
  const see = useCallback(
    (from: number, to: number) => {
      for (let start = Math.floor(from / WINDOW) * WINDOW; start <= to; start += WINDOW) {
        const last = Math.min(about.total, start + WINDOW) - 1
        if (last < start || (shapes.has(start) && shapes.has(last)) || onTheWay.current.has(start)) continue
        void fetchWindow(ask, start, ticket.current, false)
      }
    },
    [about.total, shapes, ask, fetchWindow],
  )

  const reload = useCallback(async () => {
    const [, reply] = await Promise.all([look(ask), call<BookContents>('GET', '/api/book')])
    if (reply.ok) setContents(reply.value)
    else setProblem(reply.message)
  }, [ask, look])
  const newest = useRef(reload)
  useEffect(() => {
    newest.current = reload
  })
  /** From another page with the browser's Back: what is shown must be what is there. */
  useEffect(() => {
    const onShow = ({ persisted }: PageTransitionEvent) => persisted && void newest.current()
    window.addEventListener('pageshow', onShow)
    if (cameBack()) void newest.current()
    return () => window.removeEventListener('pageshow', onShow)
  }, [])
  // What waited for the server is kept now.
  useEffect(() => $keptLater.listen(() => void newest.current()), [])
  // What another open page has done to the Book.
  useEffect(() => hearOthers('book', () => void newest.current()), [])

  const did = useCallback<BookState['did']>((words, undo) => {
    deedDone(words, undo)
    void newest.current()
  }, [])
  const takenBack = useStore($takenBack)
  const seen = useRef(takenBack)
  useEffect(() => {
    if (seen.current !== takenBack) void newest.current()
    seen.current = takenBack
  }, [takenBack])

  const edit = useCallback<BookState['edit']>(
    async (shape, change, words) => {
      const reply = await changeShape(shape, change)
      const theirs = reply.ok ? undefined : (reply.now as KeptShape | undefined)
      if (theirs) return again.current(shape, theirs, change, words)
      if (!reply.ok) {
        tell.problem('Not changed', reply.message)
        void newest.current()
        return false
      }
      const { name, note, tags } = shape
      const former: ShapeChange = { name, note, tags, tune: shape.tune }
      did(words, {
        method: 'PATCH',
        path: `/api/shapes/${shape.id}`,
        body: { ...former, version: reply.value.version },
      })
      return true
    },
    [did],
  )
  // Somebody else has changed it since it was listed here: what they have not touched is joined, the rest is chosen.
  const again = useRef<(seen: KeptShape, theirs: KeptShape, change: ShapeChange, words: string) => Promise<boolean>>(
    async () => false,
  )
  again.current = async (seen, theirs, change, words) => {
    const mine = { ...seen, ...change }
    const { both } = joined<object>(changeable(seen), changeable(mine), changeable(theirs))
    if (both.length === 0) return edit(theirs, change, words)
    void newest.current()
    tell.choice(
      `${theirs.name} was changed elsewhere since it was listed here: ${differenceWords<object>(both, mine, theirs)}.`,
      [
        ['Keep mine', () => void edit(theirs, change, words)],
        ['Leave theirs', () => undefined],
      ],
    )
    return false
  }
  const remove = useCallback<BookState['remove']>(
    (shape) => {
      void deleteShape(shape).then((reply) => {
        if (reply.ok) return did(`Deleted: ${shape.name}`, restoring('shape', shape.id))
        tell.problem('Not deleted', reply.message)
        // What is there is not what was seen.
        return void newest.current()
      })
    },
    [did],
  )
  const many = useCallback<BookState['many']>(
    (act) => {
      const which = selected === 'all' ? { all: ask } : { ids: [...selected] }
      void changeShapes({ ...which, act }).then((reply) => {
        if (!reply.ok) {
          tell.problem('Nothing was changed', reply.message)
          return
        }
        const { changed, undo: id } = reply.value
        if (act.kind === 'delete') setSelected(new Set<number>())
        const done = { delete: 'Deleted', move: 'Moved', tag: 'Tagged', untag: 'Untagged' }[act.kind]
        if (id !== undefined) did(`${done}: ${changed} ${changed === 1 ? 'shape' : 'shapes'}`, undoingChange(id))
      })
    },
    [selected, ask, did],
  )
  const select = useCallback<BookState['select']>((id, isOn) => {
    setSelected((before) => {
      const next = new Set(before === 'all' ? [] : before)
      if (isOn) next.add(id)
      else next.delete(id)
      return next
    })
  }, [])
  const change = useCallback((changes: Partial<BookPlan>) => asked.settle(changes), [asked])
  return {
    plan,
    ask,
    contents,
    total: about.total,
    groups: about.groups,
    shapes,
    see,
    problem,
    change,
    reload: () => void reload(),
    edit,
    remove,
    many,
    did,
    selected,
    select,
    selectAll: () => setSelected('all'),
    selectNone: () => setSelected(new Set<number>()),
  }
}

const placed = ({ from, shapes }: BookShapes): ReadonlyMap<number, KeptShape> =>
  new Map(shapes.map((shape, index) => [from + index, shape]))

const changeable = ({ name, note, tags, tune }: KeptShape): ShapeChange => ({ name, note, tags: [...tags], tune })
