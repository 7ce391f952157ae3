/**
 * Imports run one way. Inside core the folders build on one another in this order; a folder imports only those
 * before it. In web: pages → views → shell → state → ear → sound → workers → contracts → core; views and shell draw with
 * neck and notation, which are given what they draw; endpoints → data.
 */
const CORE_ORDER = ['result', 'pitch', 'chord', 'neck', 'voicing', 'hand', 'name', 'key', 'arpeggio', 'ear', 'build']

const coreRules = CORE_ORDER.map((folder, index) => ({
  name: `core-${folder}-builds-on-what-is-before-it`,
  severity: 'error',
  from: { path: `^core/src/${folder}/`, pathNot: '\\.(test|bench|testkit)\\.ts$' },
  to: { path: '^core/src/', pathNot: `^core/src/(${CORE_ORDER.slice(0, index + 1).join('|')})/` },
}))

const SHARED = ['shell', 'neck', 'notation', 'sound', 'ear', 'state', 'workers', 'contracts']

/** Folders of web, and what none of their files imports. */
const webRules = [
  ['views-do-not-touch-data', ['views', ...SHARED], ['data', 'pages']],
  ['shared-parts-do-not-know-views', [...SHARED, 'data'], ['views']],
  // What is drawn is given.
  ['pictures-know-no-state', ['neck', 'notation'], ['shell', 'sound', 'ear', 'state', 'workers']],
  ['sound-knows-no-screen', ['sound', 'ear'], ['shell', 'neck', 'notation', 'state']],
  ['state-knows-no-screen', ['state', 'workers'], ['shell', 'neck', 'notation']],
].map(([name, from, to]) => ({
  name,
  severity: 'error',
  from: { path: `^web/src/(${from.join('|')})/` },
  to: { path: `^web/src/(${to.join('|')})/` },
}))

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    ...coreRules,
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.(test|bench|testkit)\\.ts$' },
      to: { pathNot: '^core/src' },
    },
    {
      name: 'core-through-the-index',
      comment: "another folder's index.ts is its only door",
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '\\.(test|bench|testkit)\\.ts$' },
      to: { path: '^core/src/', pathNot: ['^core/src/$1/', '/index\\.ts$'] },
    },
    {
      name: 'views-do-not-know-each-other',
      severity: 'error',
      from: { path: '^web/src/views/([^/]+)/' },
      to: { path: '^web/src/views/', pathNot: '^web/src/views/$1/' },
    },
    ...webRules,
    {
      name: 'contracts-know-core-only',
      severity: 'error',
      from: { path: '^web/src/contracts/' },
      to: { path: '^web/src/', pathNot: '^web/src/contracts/' },
    },
    {
      name: 'data-knows-no-screen',
      severity: 'error',
      from: { path: '^web/src/data/' },
      // The page's data is named once, in state/page.ts; a type costs nothing.
      to: {
        path: '^(web/src/(views|shell|neck|notation|sound|ear|state|workers)/|node_modules/(react|@mantine))',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'core-through-its-exports',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^core/src/', pathNot: '/index\\.ts$' },
    },
    {
      name: 'no-circular',
      severity: 'error',
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
