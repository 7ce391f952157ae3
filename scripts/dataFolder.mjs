/**
 * Where the data lies: the one place that decides it. `NESTLING_DATA` names a folder, from where the command was typed;
 * empty or unset it is below this repository, whatever the working directory is.
 */
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

const data = join(dirname(fileURLToPath(import.meta.url)), '..', 'data')
const USUAL = { own: data, demo: join(data, 'demo'), dev: join(data, 'dev') }

export const dataFolder = (usual, environment = process.env) =>
  environment.NESTLING_DATA ? resolve(environment.INIT_CWD ?? '.', environment.NESTLING_DATA) : USUAL[usual]
