/* The stages of src/ in their order: a stage imports only stages before it, and through its index.ts. */
const stages = [
  'screen',
  'document',
  'theme',
  'picture',
  'text',
  'skeleton',
  'dress',
  'layout',
  'inside',
  'view',
  'pack',
  'live',
  'scene',
  'guides',
  'input',
  'edit',
  'why',
  'checks',
  'verdict',
  'proof',
  'mend',
  'compare',
  'paint',
  'report',
  'workbench',
];
const hosts = ['browser', 'dom', 'pixi', 'jest', 'node', 'vite', 'cli'];
const all = [...stages, ...hosts];
const alternatives = (names) => `^src/(${names.join('|')})/`;

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    ...all.slice(0, -1).map((stage, at) => ({
      name: `${stage}-comes-before`,
      comment: 'One direction: a stage imports only stages before it.',
      severity: 'error',
      from: { path: `^src/${stage}/` },
      to: { path: alternatives(all.slice(at + 1)) },
    })),
    {
      name: 'one-door',
      comment: 'Another stage is entered through its index.ts; hosts may name a file to load it later.',
      severity: 'error',
      from: { path: '^src/([^/]+)/', pathNot: alternatives(hosts) },
      to: { path: alternatives(stages), pathNot: ['/index\\.ts$', '^src/$1/'] },
    },
    {
      name: 'no-node-in-the-core',
      severity: 'error',
      from: { path: alternatives([...stages, 'jest']) },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'no-host-packages-in-the-core',
      severity: 'error',
      from: { path: alternatives(stages) },
      to: { path: 'node_modules/(@napi-rs/canvas|commander|picocolors|playwright-core)' },
    },
    { name: 'no-orphans', severity: 'error', from: { orphan: true, pathNot: ['\\.d\\.ts$'] }, to: {} },
    { name: 'resolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
