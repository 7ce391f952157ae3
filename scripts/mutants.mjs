/**
 * `npm run mutants -- core/src/key [more folders]`, or all of them without a folder: turns lines round, one at a time, and
 * tells which turned line no test of its own folder notices. A seeded sample of 60 mutants a folder.
 */
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { install } from './lib.mjs'
import { root } from './places.mjs'

/** Strings are words, most of them for people; what they say is looked at, not turned round. */
const LEFT_OUT = ['StringLiteral', 'Regex', 'ObjectLiteral']
/** Of 100, so many must be noticed: more where everything is computed than where much is only passed on. */
const goalOf = (folder) => (/^(core|formats)\//.test(folder) ? 85 : 75)

const foldersIn = (folder) =>
  readdirSync(join(root, folder), { withFileTypes: true })
    .filter((one) => one.isDirectory())
    .map(({ name }) => `${folder}/${name}`)
const all = () => [
  ...foldersIn('core/src'),
  ...foldersIn('formats/src'),
  'web/src/data',
  'web/src/state',
  'web/src/words',
]

const equal = JSON.parse(readFileSync(join(root, 'scripts/mutants/equal.json'), 'utf8'))

async function turned(folder) {
  process.env.MUTANTS_FOLDER = folder
  const stryker = new Stryker({
    mutate: [`${folder}/**/*.ts`, `!${folder}/**/*.test.ts`, `!${folder}/**/*.testkit.ts`, `!${folder}/**/*.bench.ts`],
    mutator: { excludedMutations: LEFT_OUT },
    testRunner: 'vitest',
    vitest: { configFile: 'scripts/mutants/vitest.config.ts', related: false },
    coverageAnalysis: 'perTest',
    checkers: ['sample'],
    plugins: ['@stryker-mutator/vitest-runner', join(root, 'scripts/mutants/sample.mjs')],
    tempDirName: '.cache/mutants',
    ignorePatterns: ['web/dist', 'data', 'docs', '.cache', 'test-results', 'e2e', 'web/public', 'web/.astro'],
    disableTypeChecks: false,
    allowEmpty: true,
    reporters: [],
    fileLogLevel: 'off',
    logLevel: 'error',
    concurrency: 2,
    ignoreStatic: true,
    timeoutMS: 20_000,
  })
  return sampled(await stryker.runMutationTest())
}

const textAt = ({ fileName, location: { start, end } }) => {
  const lines = readFileSync(fileName, 'utf8')
    .split('\n')
    .slice(start.line - 1, end.line)
  return lines.length > 1 ? `${lines[0].slice(start.column - 1)} …` : lines[0].slice(start.column - 1, end.column - 1)
}

await install()
// Only now: a fresh clone has no packages before.
const { Stryker } = await import('@stryker-mutator/core')
const { keyOf, SAMPLE, sampled } = await import('./mutants/sample.mjs')
const folders = process.argv.length > 2 ? process.argv.slice(2) : all()
for (const folder of folders)
  if (!existsSync(join(root, folder))) {
    console.error(`There is no folder ${folder}; expected one such as core/src/key.`)
    process.exit(1)
  }
let short = 0
for (const folder of folders) {
  const since = Date.now()
  const mutants = await turned(folder)
  const counted = mutants.filter((one) => equal[keyOf(one)] === undefined)
  const unnoticed = counted.filter(({ status }) => status !== 'Killed' && status !== 'Timeout')
  const share = counted.length === 0 ? 100 : (100 * (counted.length - unnoticed.length)) / counted.length
  if (share < goalOf(folder)) short++
  const same = mutants.length - counted.length
  console.log(
    `${folder}: ${counted.length - unnoticed.length} of ${counted.length} noticed, ${share.toFixed(0)} of 100 (goal ${goalOf(folder)})${same > 0 ? `, ${same} change nothing` : ''}; ${((Date.now() - since) / 1000).toFixed(0)} s`,
  )
  for (const one of unnoticed)
    console.log(
      `  ${relative(root, one.fileName)}:${one.location.start.line}  ${textAt(one)}  →  ${one.replacement.split('\n')[0]}   [${keyOf(one)}]`,
    )
}
if (folders.length > 1)
  console.log(`${folders.length - short} of ${folders.length} folders reach their goal (samples of ${SAMPLE}).`)
process.exit(short === 0 ? 0 : 1)
