/** Imports go only downward; see docs/architecture.md. */
const mayUse = {
  theory: [],
  signal: ['theory'],
  measure: ['signal', 'theory', 'exercise'],
  exercise: ['theory'],
  families: ['exercise', 'theory'],
  evened: ['measure', 'exercise', 'theory', 'signal'],
  judge: ['measure', 'families', 'exercise', 'theory', 'signal'],
  history: ['judge', 'measure', 'families', 'exercise', 'theory'],
  map: ['history', 'judge', 'measure', 'families', 'exercise', 'theory'],
  experiments: ['history', 'measure', 'families', 'exercise', 'theory'],
  lesson: ['map', 'history', 'judge', 'measure', 'families', 'exercise', 'theory'],
  simulate: ['exercise', 'theory', 'signal'],
  take: ['judge', 'measure', 'families', 'exercise', 'theory', 'signal', 'simulate'],
  formats: [
    'take',
    'history',
    'map',
    'lesson',
    'families',
    'exercise',
    'theory',
    'signal',
    'measure',
    'judge',
    'simulate',
  ],
};
const layers = Object.entries(mayUse).map(([layer, below]) => ({
  name: `core-${layer}`,
  severity: 'error',
  from: { path: `^core/${layer}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^core/', pathNot: `^core/(${[layer, ...below].join('|')})/` },
}));

/** The rooms of the page, lowest first: each may use those before it, but for what is said. */
const webRooms = ['base', 'input', 'db', 'store', 'practice', 'text', 'ui', 'ribbon', 'shared', 'features'];
/** Sound knows nothing of what is stored, and what is stored nothing of sound; controls know nothing of takes. */
const besides = { db: ['input'], ui: ['practice', 'db', 'input'] };
const rooms = webRooms.map((room, level) => ({
  name: `web-${room}`,
  severity: 'error',
  from: { path: `^web/src/${room}/`, pathNot: '\\.test\\.tsx?$' },
  to: {
    path: '^web/src/',
    pathNot: `^web/src/(${webRooms.filter((below, at) => at <= level && !besides[room]?.includes(below)).join('|')})/`,
  },
}));

module.exports = {
  forbidden: [
    ...layers,
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-alone',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(web|server|scripts|bench|tests)/' },
    },
    {
      name: 'core-without-io',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'features-apart',
      severity: 'error',
      from: { path: '^web/src/features/([^/]+)/' },
      to: { path: '^web/src/features/([^/]+)/', pathNot: '^web/src/features/$1/' },
    },
    ...rooms,
    { name: 'server-alone', severity: 'error', from: { path: '^server/' }, to: { path: '^(core|web)/' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.mjs'],
    },
  },
};
