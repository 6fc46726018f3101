/** Who may import whom: core knows nobody, server and web know core, nobody reaches round the browser. */
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '[.]test[.]ts$' },
      to: { pathNot: '^packages/core/src|node_modules/(zod|earcut|@noble/hashes)' }, // checks shapes; cuts polygons into triangles; names contents by their digest
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^packages/server' },
      to: { path: '^packages/(web|cli)' },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^packages/web' },
      to: { path: '^packages/(server|cli)' },
    },
    { name: 'cli-not-web', severity: 'error', from: { path: '^packages/cli' }, to: { path: '^packages/(web|server)' } },
    {
      name: 'units-and-numerics-at-the-bottom',
      severity: 'error',
      from: { path: '^packages/core/src/(units|numerics)/', pathNot: '[.]test[.]ts$' },
      to: { path: '^packages/core/src/(?!units|numerics|result)' },
    },
    {
      name: 'physics-knows-no-job',
      severity: 'error',
      from: { path: '^packages/core/src/(fluids|hydraulics)/', pathNot: '[.]test[.]ts$' },
      to: { path: '^packages/core/src/(job|run|checks|cards|demo)/' },
    },
    {
      name: 'only-repositories-know-knex',
      severity: 'error',
      from: { path: '^packages/server/src', pathNot: '^packages/server/src/(repositories|database)' },
      to: { path: 'node_modules/(knex|pg)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
