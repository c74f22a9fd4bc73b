// Bases know no area. Areas stand in the order of the work; a later one may use an earlier one, never the reverse. `house` puts the
// slices of the areas before it together: what comes after may use it.
const AREAS = [
  'species',
  'room',
  'stock',
  'spawning',
  'broods',
  'larder',
  'growout',
  'sales',
  'house',
  'transfers',
  'jot',
  'rounds',
];
const BASES = [
  'platform',
  'ui',
  'data',
  'units',
  'numerics',
  'evidence',
  'sky',
  'problems',
  'endpoints',
  'values',
  'time',
  'errors',
  'print',
];
const MAY = {
  core: [],
  contract: ['core'],
  demo: ['contract', 'core'],
  server: ['contract', 'core', 'demo'],
  devices: [],
  web: ['contract', 'core'],
};
const any = (list) => `(${list.join('|')})`;
const rule = (name, from, to) => ({ name, severity: 'error', from, to });
module.exports = {
  forbidden: [
    rule('no-cycles', {}, { circular: true }),
    rule('no-unresolved', {}, { couldNotResolve: true }),
    ...Object.entries(MAY).map(([name, may]) =>
      rule(
        `package-order-${name}`,
        // A test may set up what stands on the other side, such as a device.
        { path: `^packages/${name}/src/`, pathNot: '\\.test\\.tsx?$' },
        { path: '^packages/', pathNot: `^packages/${any([name, ...may])}/` },
      ),
    ),
    ...AREAS.slice(0, -1).map((area, i) =>
      rule(
        `area-order-${area}`,
        { path: `^packages/[^/]+/src/${area}/`, pathNot: '\\.test\\.tsx?$' },
        { path: `^packages/[^/]+/src/${any(AREAS.slice(i + 1))}/` },
      ),
    ),
    rule(
      'through-the-door',
      { path: '^packages/([^/]+)/src/([^/]+)/' },
      {
        path: `^packages/[^/]+/src/${any([...AREAS, 'agenda'])}/(?!(index|houseFixture)\\.tsx?$)`,
        pathNot: '^packages/$1/src/$2/',
      },
    ),
    rule(
      'below-areas',
      { path: `^packages/[^/]+/src/${any(BASES)}/`, pathNot: '\\.test\\.tsx?$' },
      { path: `^packages/[^/]+/src/(${any([...AREAS, 'agenda'])}|pages|app)/` },
    ),
    rule(
      'agenda-knows-no-area',
      { path: '^packages/[^/]+/src/agenda/', pathNot: '\\.test\\.tsx?$' },
      { path: `^packages/[^/]+/src/(${any(AREAS)}|pages|app)/` },
    ),
    rule('pages-stand-above-areas', { path: `^packages/web/src/${any(AREAS)}/` }, { path: '^packages/web/src/(pages|app)/' }),
    rule('nobody-imports-app', { path: `^packages/[^/]+/src/(${any(AREAS)}|pages)/` }, { path: '^packages/[^/]+/src/app/' }),
    rule(
      'sql-only-in-repository',
      { path: '^packages/server/src/', pathNot: '(\\.(model|repository)\\.ts$|/src/platform/|/src/testing/|\\.test\\.ts$)' },
      { path: 'node_modules/sequelize/' },
    ),
    rule('no-tests-shipped', { pathNot: '(\\.(test|spec)\\.tsx?$|/testing/)' }, { path: '(\\.(test|spec)\\.tsx?$|/testing/)' }),
  ],
  options: {
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: 'packages/[^/]+/(vite.config|dist)' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.json'],
    },
  },
};
