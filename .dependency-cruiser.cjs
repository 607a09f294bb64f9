// The boundaries of docs/architecture.md, as rules that fail the build.
const rule = (name, from, to) => ({ name, severity: 'error', from, to });
/** Pure, well-kept packages the core may use; each one a decision. */
const CORE_PACKAGES =
  'node_modules/(culori|jstat|simple-statistics|ml-levenberg-marquardt|ml-matrix)';
module.exports = {
  forbidden: [
    rule(
      'core-is-pure',
      { path: '^src/core', pathNot: '[.]test[.]ts$' },
      { pathNot: `^src/core|${CORE_PACKAGES}` },
    ),
    rule(
      'contracts-see-core-and-zod',
      { path: '^src/contracts', pathNot: '[.]test[.]ts$' },
      { pathNot: '^src/(core|contracts)|node_modules/zod' },
    ),
    rule(
      'web-not-server',
      { path: '^src/web' },
      { path: '^src/server|node_modules/(express|drizzle-orm|mysql2)' },
    ),
    rule(
      'server-not-web',
      { path: '^src/server' },
      { path: '^src/web|node_modules/(react|@reduxjs)' },
    ),
    rule(
      'feature-by-index',
      { path: '^src/(web|server)/features/([^/]+)/' },
      { path: '^src/$1/features/([^/]+)/', pathNot: '^src/$1/features/($2/|[^/]+/index[.]tsx?$)' },
    ),
    rule(
      'core-by-index',
      { path: '^src/(web|server|contracts)' },
      { path: '^src/core/[^/]+/', pathNot: '^src/core/[^/]+/index[.]ts$' },
    ),
    rule('no-cycles', {}, { circular: true }),
    rule('resolvable', {}, { couldNotResolve: true }),
    rule(
      'declared-deps-only',
      { path: '^src' },
      { dependencyTypes: ['npm-no-pkg', 'npm-unknown'] },
    ),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default', 'types'],
    },
  },
};
