/**
 * The layout, as a table: what each folder may import. Every other arrow is refused.
 *
 *   core      result ← pitch ← chord ← neck ← voicing ← hand ← taste ← shape ← name ← near ← key ← lane ← request ← answer ← map ← time
 *             ← arpeggio ← ear ← progression ← chart ← tune ← path ← practice ← sheet: a folder builds on those before it, on no package, and through their index.ts
 *   formats   core, and the packages that read and write
 *   web       the table below
 */
const CORE = [
  'result',
  'pitch',
  'chord',
  'neck',
  'voicing',
  'hand',
  'taste',
  'shape',
  'name',
  'near',
  'key',
  'lane',
  'request',
  'answer',
  'map',
  'time',
  'arpeggio',
  'ear',
  'progression',
  'chart',
  'tune',
  'path',
  'practice',
  'sheet',
]

/** Each folder of web/src, and the others that it may import; core is open to all of them. */
const WEB = {
  styles: [],
  words: [],
  contracts: ['words'],
  neck: ['styles', 'words', 'contracts'],
  notation: [],
  workers: ['contracts'],
  fonts: [],
  sheet: ['fonts', 'notation'],
  sound: ['contracts', 'workers'],
  ear: ['words', 'sound'],
  state: ['words', 'contracts', 'sound', 'workers'],
  controls: ['words', 'contracts', 'state'],
  shell: ['styles', 'words', 'contracts', 'neck', 'controls', 'sound', 'ear', 'state'],
  views: [
    'styles',
    'words',
    'contracts',
    'neck',
    'notation',
    'sheet',
    'controls',
    'sound',
    'ear',
    'state',
    'workers',
    'shell',
  ],
  data: ['contracts'],
  pages: ['words', 'contracts', 'data'],
}

/** Packages that a layer may use: those of the screen stay out of what is computed, kept and answered. */
const SCREEN = 'react|react-dom|@mantine|@nanostores|@dnd-kit|@tanstack|@tabler|vexflow|tone'
const FORMAT_PACKAGES = ['papaparse', 'fast-xml-parser', 'fast-xml-builder', 'fflate', '@tonejs/midi', 'midifile']

const TESTS = '\\.(test|bench|testkit)\\.tsx?$'
const TESTKITS = '\\.testkit\\.ts$'
const ERROR = { severity: 'error' }

const coreRules = CORE.map((folder, index) => ({
  ...ERROR,
  name: `core-${folder}-builds-on-what-is-before-it`,
  from: { path: `^core/src/${folder}/`, pathNot: TESTS },
  to: { path: '^core/src/', pathNot: `^core/src/(${CORE.slice(0, index + 1).join('|')})/` },
}))

const webRules = Object.entries(WEB).map(([folder, may]) => ({
  ...ERROR,
  name: `web-${folder}-imports-${may.length === 0 ? 'nobody' : may.join('-')}`,
  from: { path: `^web/src/${folder}/`, pathNot: TESTS },
  to: { path: '^web/src/', pathNot: `^web/src/(${[folder, ...may].join('|')})/`, ...typesAside(folder) },
}))

/** The page's data is named once, in state/page.ts; a type costs nothing. */
function typesAside(folder) {
  return folder === 'data' ? { dependencyTypesNot: ['type-only'] } : {}
}

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    ...coreRules,
    ...webRules,
    {
      ...ERROR,
      name: 'every-folder-is-in-the-table',
      comment: 'a new folder gets its place in the tables above',
      from: {
        path: '^(core|web)/src/[^/]+/',
        pathNot: `^core/src/(${CORE.join('|')})/|^web/src/(${Object.keys(WEB).join('|')})/`,
      },
      to: {},
    },
    {
      ...ERROR,
      name: 'core-is-pure',
      from: { path: '^core/src', pathNot: TESTS },
      to: { pathNot: '^core/src' },
    },
    {
      ...ERROR,
      name: 'core-through-the-index',
      comment: "another folder's index.ts is its only door",
      from: { path: '^core/src/([^/]+)/', pathNot: TESTS },
      to: { path: '^core/src/', pathNot: ['^core/src/$1/', '/index\\.ts$'] },
    },
    {
      ...ERROR,
      name: 'from-outside-through-the-index',
      from: { path: '^(web|formats)/' },
      to: { path: '^(core|formats)/src/', pathNot: ['/index\\.ts$', '^formats/src/', TESTKITS] },
    },
    {
      ...ERROR,
      name: 'testkits-are-for-tests',
      from: { pathNot: TESTS },
      to: { path: TESTKITS },
    },
    {
      ...ERROR,
      name: 'formats-use-core-and-their-own-packages',
      from: { path: '^formats/src', pathNot: TESTS },
      to: { pathNot: `^(formats|core)/src|^node_modules/(@types/)?(${FORMAT_PACKAGES.join('|')})/` },
    },
    {
      ...ERROR,
      name: 'views-do-not-know-each-other',
      from: { path: '^web/src/views/([^/]+)/' },
      to: { path: '^web/src/views/', pathNot: '^web/src/views/$1/' },
    },
    {
      ...ERROR,
      name: 'what-is-kept-and-answered-knows-no-screen',
      from: { path: '^web/src/(contracts|data|pages|words|workers)/', pathNot: TESTS },
      to: { path: `^node_modules/(${SCREEN})/` },
    },
    {
      ...ERROR,
      name: 'only-data-knows-sql',
      from: { path: '^web/src/', pathNot: ['^web/src/data/', TESTS] },
      to: { path: '^node_modules/(better-sqlite3|drizzle-orm)/' },
    },
    {
      ...ERROR,
      name: 'the-server-starts-and-fills',
      from: { path: '^web/server/', pathNot: `${TESTS}|^web/server/work\\.ts$` },
      to: {
        path: '^web/src/',
        pathNot: '^web/src/(data|contracts)/|^web/src/pages/api/_border\\.ts$|^web/src/shell/views\\.ts$',
      },
    },
    {
      ...ERROR,
      name: 'a-thread-asks-the-endpoints-that-work-there',
      from: { path: '^web/server/work\\.ts$' },
      to: { path: '^web/src/', pathNot: '^web/src/(pages/api|data)/' },
    },
    {
      ...ERROR,
      name: 'no-circular',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.astro'],
    },
  },
}
