// core <- workers <- store <- ui <- features <- app; each may import anything to its left.
const order = ['core', 'workers', 'store', 'ui', 'features', 'app'];
const leftOf = (layer) => order.slice(0, order.indexOf(layer) + 1);

const layerRules = order.slice(0, -1).map((layer) => ({
  name: `${layer}-imports-left-only`,
  severity: 'error',
  from: { path: `^src/${layer}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: `^src/(${leftOf(layer).join('|')})/` },
}));

module.exports = {
  forbidden: [
    ...layerRules,
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
