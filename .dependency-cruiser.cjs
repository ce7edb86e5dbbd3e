// core <- workers <- store <- ui <- features <- app; each may import anything to its left.
const order = ['core', 'workers', 'store', 'ui', 'features', 'app'];
const leftOf = (layer) => order.slice(0, order.indexOf(layer) + 1);

const layerRules = order.slice(0, -1).map((layer) => ({
  name: `${layer}-imports-left-only`,
  severity: 'error',
  from: { path: `^src/${layer}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: `^src/(${leftOf(layer).join('|')})/` },
}));

// Within the core, too: each folder may import its own files, any folder to its left, and the files beside the folders.
const coreOrder = [
  'maths',
  'signal',
  'colour',
  'day',
  'noise',
  'frame',
  'transfer',
  'scene',
  'profile',
  'correction',
  'advice',
  'lut',
  'exposure',
  'lens',
  'formats',
  'grade',
  'scopes',
  'sensor',
  'kernels',
  'match',
  'verdict',
  'clips',
  'room',
  'cameraTest',
  'inCamera',
  'practice',
];
const isTest = '\\.test\\.tsx?$|/fixtures/';
const coreRules = coreOrder.map((folder, at) => ({
  name: `core-${folder}-imports-left-only`,
  severity: 'error',
  from: { path: `^src/core/${folder}/`, pathNot: isTest },
  to: { path: '^src/core/[^/]+/', pathNot: `^src/core/(${coreOrder.slice(0, at + 1).join('|')})/` },
}));

module.exports = {
  forbidden: [
    ...layerRules,
    ...coreRules,
    {
      name: 'core-folders-have-a-place-in-the-order',
      severity: 'error',
      from: {},
      to: { path: '^src/core/[^/]+/', pathNot: `^src/core/(${coreOrder.join('|')}|fixtures)/` },
    },
    {
      name: 'fixtures-are-for-tests',
      severity: 'error',
      from: { path: '^src/', pathNot: isTest },
      to: { path: '/fixtures/' },
    },
    {
      name: 'the-renderer-is-not-the-app',
      severity: 'error',
      from: { path: '^src/' },
      to: { path: '^scenes/' },
    },
    {
      name: 'server-imports-core-only',
      severity: 'error',
      from: { path: '^src/server/' },
      to: { path: '^src/', pathNot: '^src/(server|core)/' },
    },
    {
      name: 'features-never-each-other',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/', pathNot: '^src/features/$1/' },
    },
    {
      name: 'core-has-no-interface-code',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: 'node_modules/(react|react-dom|next|dexie|zustand|bootstrap|react-bootstrap)/' },
    },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
