/** `npm run restore`: lists the copies; `npm run restore -- <name or path>` puts one in the place of what is there. */
import { existsSync } from 'node:fs'
import { basename, join, resolve } from 'node:path'
import { dataFolder } from '../../scripts/dataFolder.mjs'
import { copiesFolder, listCopies, putBack } from '../src/data/copyFiles.ts'
import { runningOn } from './oneServer.ts'

const folder = dataFolder('own')
const asked = process.argv[2]

function quit(line: string): never {
  console.error(line)
  process.exit(1)
}

if (asked === undefined) {
  const copies = listCopies(folder)
  console.log(
    copies.length === 0
      ? `There is no copy in ${copiesFolder(folder)} yet. npm run backup saves one.`
      : [
          `Copies in ${copiesFolder(folder)}, newest first:`,
          ...copies.map(
            ({ id, at, bytes }) => `  ${id}  ${at.slice(0, 16).replace('T', ' ')}  ${Math.ceil(bytes / 1024)} kB`,
          ),
          `npm run restore -- ${copies[0]?.id} puts one in the place of what is there now, which is set aside.`,
        ].join('\n'),
  )
} else {
  const running = await runningOn(folder)
  if (running !== undefined)
    quit(`Nestling runs on this folder, at ${running}. Stop it first, or go back to a copy in its Book.`)
  const path = [join(copiesFolder(folder), basename(asked)), resolve(process.env['INIT_CWD'] ?? '.', asked)].find(
    existsSync,
  )
  if (path === undefined) quit(`There is no copy called ${asked}. npm run restore lists them.`)
  try {
    const aside = putBack(path, folder, new Date())
    console.log(`Put back: ${basename(path)}.${aside === undefined ? '' : ` What was there is in ${aside}.`}`)
  } catch (error) {
    quit(`Nothing was changed: ${(error as Error).message}`)
  }
}
