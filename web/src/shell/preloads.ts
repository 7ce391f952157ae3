/**
 * A page names its scripts and all that they import in its head: they are fetched and compiled while the page is still being
 * read, instead of one after another once it is there. What a first use imports is never among them (`astro.config.ts`).
 */
import { readFileSync } from 'node:fs'

type Imports = Readonly<Record<string, readonly string[]>>

let built: Imports | undefined
/** Written by the build, told by the server; none while Nestling is worked on. */
function builtImports(): Imports {
  built ??= readBuilt(process.env['NESTLING_IMPORTS'])
  return built
}

function readBuilt(file: string | undefined): Imports {
  if (file === undefined) return {}
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Imports
  } catch {
    // Without it pages come alive later, no more.
    return {}
  }
}

/** @param html A whole page; one without scripts of its own is left as it is. */
export function withPreloads(html: string, imports: Imports = builtImports()): string {
  const own = [...html.matchAll(/ (?:component|renderer)-url="([^"]+)"/g)].flatMap(([, script]) => script ?? [])
  const named = new Set(
    own.filter((script) => script in imports).flatMap((script) => [script, ...(imports[script] ?? [])]),
  )
  const links = [...named].map((script) => `<link rel="modulepreload" href="${script}">`).join('')
  return links === '' ? html : html.replace('</head>', () => `${links}</head>`)
}
