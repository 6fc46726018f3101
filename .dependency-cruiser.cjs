/**
 * The floors of the core, from the ground up. A folder imports from floors below its own, never from above or beside it, types
 * included: where a type is wanted above and below, it lives below.
 */
const floors = [
  ['units', 'numerics', 'memory'],
  ['fields', 'hydraulics', 'threads'],
  ['drawings', 'fluids', 'harness', 'meshes', 'networks', 'pumps'],
  ['attachments', 'documents', 'ratings'],
  ['fittings'],
  ['parts'],
  ['job'],
  ['engine', 'harness-templates', 'tanks', 'vents'],
  ['run'],
  ['acts', 'hangers', 'heat', 'wiring'],
  ['routes', 'run-files', 'senders'],
  ['gauge'],
  ['reckoning'],
  ['joints', 'laws', 'working'],
  ['cards', 'checks'],
  ['assessment'],
  ['contract', 'demo', 'layouts', 'sizing'],
];
const NO_TEST = '[.]test[.]ts$';
const inCore = (folders) => `^packages/core/src/(${folders.join('|')})/`;
const others = (folder, i) =>
  floors
    .slice(i)
    .flat()
    .filter((other) => other !== folder);
const floorRules = floors.flatMap((floor, i) =>
  floor.map((folder) => ({
    name: `${folder}-imports-from-below`,
    severity: 'error',
    from: { path: inCore([folder]), pathNot: NO_TEST },
    to: { path: inCore(others(folder, i)) },
  })),
);
/** A folder that stands on no floor would be held by no rule. */
const offFloor = {
  name: 'every-folder-stands-on-a-floor',
  severity: 'error',
  from: {},
  to: { path: '^packages/core/src/[^/]+/', pathNot: inCore(floors.flat()) },
};

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
    {
      name: 'cli-not-web',
      severity: 'error',
      from: { path: '^packages/cli' },
      to: { path: '^packages/(web|server/src/(?!printing/|backup/))' },
    }, // what it prints or backs up, the server does likewise
    ...floorRules,
    offFloor,
    {
      name: 'below-http',
      severity: 'error',
      from: { path: '^packages/server/src/(judging|reckoning|printing|threads|services|repositories)/' },
      to: { path: '^packages/server/src/http/' },
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
