/** All repositories over one database; the server opens it once. */
import { type Database, dataFolder, openDatabase } from './database.ts'
import { createInstrumentRepository, type InstrumentRepository } from './instrumentRepository.ts'
import { createSettingsRepository, type SettingsRepository } from './settingsRepository.ts'
import { createShapeRepository, type ShapeRepository } from './shapeRepository.ts'
import { createSetRepository, createTrayRepository, type SetRepository, type TrayRepository } from './trayRepository.ts'
import { createTuningRepository, type TuningRepository } from './tuningRepository.ts'

export interface Repositories {
  readonly shapes: ShapeRepository
  readonly sets: SetRepository
  readonly tray: TrayRepository
  readonly instruments: InstrumentRepository
  readonly tunings: TuningRepository
  readonly settings: SettingsRepository
}

export const createRepositories = (db: Database): Repositories => ({
  shapes: createShapeRepository(db),
  sets: createSetRepository(db),
  tray: createTrayRepository(db),
  instruments: createInstrumentRepository(db),
  tunings: createTuningRepository(db),
  settings: createSettingsRepository(db),
})

let opened: Repositories | undefined

export function repositories(): Repositories {
  opened ??= createRepositories(openDatabase(dataFolder()).db)
  return opened
}
