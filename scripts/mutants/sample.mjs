/** Which mutants are tried: the same ones at every run, whichever lines stand around them. */
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { relative } from 'node:path'
import { declareFactoryPlugin, PluginKind } from '@stryker-mutator/api/plugin'
import { root } from '../places.mjs'

export const SAMPLE = 60
const SEED = 'nestling-1'

const original = (fileName) => fileName.replace(/^.*?\.cache\/mutants\/sandbox-[^/]+\//, `${root}/`)

/**
 * By what it turns, not by its line: it stays the same mutant when something is written above it.
 * @param first The number of the first line and column: 0 for the checker, 1 in what is told at the end.
 */
export function keyOf({ fileName, location, mutatorName, replacement }, first = 1) {
  const file = original(fileName)
  const [start, end] = [location.start, location.end].map(({ line, column }) => ({
    line: line - first,
    column: column - first,
  }))
  const lines = readFileSync(file, 'utf8').split('\n')
  const at = [
    relative(root, file),
    mutatorName,
    lines[start.line]?.trim(),
    start.column,
    end.line - start.line,
    replacement,
  ]
  return createHash('sha256')
    .update(`${SEED} ${at.join(' | ')}`)
    .digest('hex')
    .slice(0, 10)
}

export const sampled = (mutants, first = 1) =>
  mutants
    .filter(({ status }) => status !== 'Ignored')
    .map((mutant) => ({ mutant, key: keyOf(mutant, first) }))
    .sort((a, b) => (a.key < b.key ? -1 : 1))
    .slice(0, SAMPLE)
    .map(({ mutant }) => mutant)

/** Lets the sample through; the others are told as if they did not compile. */
function sampleChecker() {
  return {
    init: async () => undefined,
    group: async (mutants) => [mutants.map(({ id }) => id)],
    check: async (mutants) => {
      const taken = new Set(sampled(mutants, 0).map(({ id }) => id))
      return Object.fromEntries(
        mutants.map(({ id }) => [
          id,
          taken.has(id) ? { status: 'passed' } : { status: 'compileError', reason: 'not of the sample' },
        ]),
      )
    },
  }
}

export const strykerPlugins = [declareFactoryPlugin(PluginKind.Checker, 'sample', sampleChecker)]
