/* The layer rule, as an allow-list: imports point one way. */
const allow = (layer, ...to) => ({ from: { path: `^src/${layer}/` }, to: { path: to.map((one) => `^src/${one}/`) } });
const packages = (layer, pattern) => ({ from: { path: `^src/${layer}/` }, to: { path: pattern } });
const FROM_NPM = 'node_modules/';

const config = {
  allowedSeverity: 'error',
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'old-files-stand-on-nothing-of-today',
      comment:
        'What brings old files to the form of a version is written out: a start value or a word that changes tomorrow changes no old file.',
      severity: 'error',
      from: { path: '^src/core/(file/(upgradeJob|begunBy\\d+)|log/upgradeReading)\\.ts$' },
      to: { pathNot: '^src/core/(file/(shapeVersion|begunBy\\d+)|log/upgradeReading)\\.ts$', dependencyTypesNot: ['type-only'] },
    },
  ],
  allowed: [
    allow('core', 'core'),
    allow('drawing', 'drawing', 'core'),
    allow('db', 'db', 'core'),
    allow('workers', 'workers', 'core'),
    allow('server', 'server', 'db', 'drawing', 'core'),
    allow('ui', 'ui', 'drawing', 'core'),
    // Screens know the server's answers as types; they call it through its actions alone.
    allow('features', 'features', 'ui', 'drawing', 'workers', 'core'),
    { from: { path: '^src/features/' }, to: { path: '^src/server/actions\\.ts$' } },
    { from: { path: '^src/features/' }, to: { path: '^src/(server|db)/', dependencyTypes: ['type-only'] } },
    allow('app', 'app', 'features', 'ui', 'server', 'core'),
    { from: { path: '^src/app/' }, to: { path: '^src/db/', dependencyTypes: ['type-only'] } },
    { from: { path: '^src/(instrumentation|proxy)\\.ts$' }, to: { path: '^src/server/' } },
    { from: { path: '^src/instrumentation-client\\.ts$' }, to: { path: '^src/ui/' } },
    ...['drawing', 'workers', 'db', 'server', 'ui', 'features', 'app'].map((layer) => packages(layer, FROM_NPM)),
    { from: { path: '^src/[^/]+\\.ts$' }, to: { path: FROM_NPM } },
    { from: { path: '^src/(db|server|app)/' }, to: { dependencyTypes: ['core'] } },
    // Tests grow large workshops with a script.
    { from: { path: '^scripts/' }, to: {} },
    // Tests of the core may use the test runner, a schema reader and the files they check.
    { from: { path: '\\.test\\.ts$' }, to: {} },
  ],
  options: {
    tsPreCompilationDeps: 'specify',
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.css$' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
};

export default config;
