/** All repositories over one database; the server opens it once. */
import { isMainThread } from 'node:worker_threads'
import { type AllData, createAllData } from './allData.ts'
import { type ChangesRepository, createChangesRepository } from './changes.ts'
import { type Copies, createCopies } from './copies.ts'
import { type Database, type Opened, openBeside, openDatabase, openedFolder, probe, stampOf } from './database.ts'
import { createDeletedRepository, type DeletedRepository } from './deletedRepository.ts'
import { createInstrumentRepository, type InstrumentRepository } from './instrumentRepository.ts'
import { createNotebookRepository, type NotebookRepository } from './notebookRepository.ts'
import { createPracticeRepository, type PracticeRepository } from './practiceRepository.ts'
import {
  createSetRepository,
  createTrayRepository,
  type SetRepository,
  type TrayRepository,
} from './progressionRepository.ts'
import { createSettingsRepository, type SettingsRepository } from './settingsRepository.ts'
import { createShapeRepository, type ShapeRepository } from './shapeRepository.ts'
import { createSheetRepository, type SheetRepository } from './sheetRepository.ts'
import { type Store, storeOf } from './store.ts'
import { createTuneRepository, type TuneRepository } from './tuneRepository.ts'
import { createTuningRepository, type TuningRepository } from './tuningRepository.ts'
import { createUnreadableRepository, type UnreadableRepository } from './unreadable.ts'

export interface Repositories {
  readonly shapes: ShapeRepository
  readonly sets: SetRepository
  readonly tray: TrayRepository
  readonly tunes: TuneRepository
  readonly sheets: SheetRepository
  readonly changes: ChangesRepository
  readonly deleted: DeletedRepository
  readonly notebook: NotebookRepository
  readonly practice: PracticeRepository
  readonly instruments: InstrumentRepository
  readonly tunings: TuningRepository
  readonly settings: SettingsRepository
  readonly unreadable: UnreadableRepository
}

export const createRepositories = (db: Database): Repositories => repositoriesOver(storeOf(db))

export const repositoriesOver = (store: Store): Repositories => ({
  shapes: createShapeRepository(store),
  sets: createSetRepository(store),
  tray: createTrayRepository(store),
  tunes: createTuneRepository(store),
  sheets: createSheetRepository(store),
  changes: createChangesRepository(store),
  deleted: createDeletedRepository(store),
  notebook: createNotebookRepository(store),
  practice: createPracticeRepository(store),
  instruments: createInstrumentRepository(store),
  tunings: createTuningRepository(store),
  settings: createSettingsRepository(store),
  unreadable: createUnreadableRepository(store),
})

export interface Served extends Repositories {
  readonly copies: Copies
  readonly data: AllData
  /** Throws when the database could keep nothing now: it writes, and commits, what is there already. */
  readonly probe: () => void
  /** Another one after every change. */
  readonly stamp: () => string
}

let served: Served | undefined

/** The server's own; on one of its threads over another connection, to what the server has opened and checked. */
export function repositories(): Served {
  if (served === undefined) {
    const folder = openedFolder()
    const opened = isMainThread ? openDatabase(folder) : openBeside(folder)
    // An orderly stop leaves all of it in one file.
    process.once('exit', opened.close)
    served = servedOver(opened, folder)
  }
  return served
}

const servedOver = (opened: Opened, folder: string): Served => ({
  ...createRepositories(opened.db),
  copies: createCopies(opened, folder),
  data: createAllData(opened, folder),
  probe: () => probe(opened.sqlite),
  stamp: stampOf(opened.sqlite),
})
