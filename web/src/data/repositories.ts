/** All repositories over one database; the server opens it once. */
import { type Database, openDatabase, openedFolder } from './database.ts'
import { createInstrumentRepository, type InstrumentRepository } from './instrumentRepository.ts'
import { createPracticeRepository, type PracticeRepository } from './practiceRepository.ts'
import {
  createSetRepository,
  createTrayRepository,
  type SetRepository,
  type TrayRepository,
} from './progressionRepository.ts'
import { createSettingsRepository, type SettingsRepository } from './settingsRepository.ts'
import { createShapeRepository, type ShapeRepository } from './shapeRepository.ts'
import { type Store, storeOf } from './store.ts'
import { createTuneRepository, type TuneRepository } from './tuneRepository.ts'
import { createTuningRepository, type TuningRepository } from './tuningRepository.ts'

export interface Repositories {
  readonly shapes: ShapeRepository
  readonly sets: SetRepository
  readonly tray: TrayRepository
  readonly tunes: TuneRepository
  readonly practice: PracticeRepository
  readonly instruments: InstrumentRepository
  readonly tunings: TuningRepository
  readonly settings: SettingsRepository
}

export const createRepositories = (db: Database): Repositories => repositoriesOver(storeOf(db))

export const repositoriesOver = (store: Store): Repositories => ({
  shapes: createShapeRepository(store),
  sets: createSetRepository(store),
  tray: createTrayRepository(store),
  tunes: createTuneRepository(store),
  practice: createPracticeRepository(store),
  instruments: createInstrumentRepository(store),
  tunings: createTuningRepository(store),
  settings: createSettingsRepository(store),
})

let opened: Repositories | undefined

export function repositories(): Repositories {
  opened ??= createRepositories(openDatabase(openedFolder()).db)
  return opened
}
