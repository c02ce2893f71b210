/**
 * How rooms may import each other (docs/architecture.md). What imports types alone ties nothing together when the program
 * runs and is left out.
 *
 * @type {import('dependency-cruiser').IConfiguration}
 */
export default {
  forbidden: [
    {
      name: 'no-circles',
      comment: 'Files that import each other in a ring cannot be read one after another.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'no-folder-circles',
      comment: 'Neither can rooms.',
      severity: 'error',
      scope: 'folder',
      from: { path: '^server' },
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: ['node_modules', '/dist/', '\\.test\\.tsx?$', 'server/testing'] },
    tsPreCompilationDeps: false,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
};
