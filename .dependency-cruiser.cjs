// The boundaries of docs/architecture.md, as rules that fail the build.
const rule = (name, from, to) => ({ name, severity: 'error', from, to });
/** Pure, well-kept packages the core may use; each one a decision. */
const CORE_PACKAGES =
  'node_modules/(culori|jstat|simple-statistics|ml-levenberg-marquardt|ml-matrix|temporal-polyfill|tinyqueue|ts-fsrs)';
/** The layers of src/web, the uppermost first. */
const WEB_LAYERS = ['shell', 'features', 'entities', 'platform', 'ui'];
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
      'web-feature-alone',
      { path: '^src/web/features/([^/]+)/' },
      { path: '^src/web/features/', pathNot: '^src/web/features/$1/' },
    ),
    // Imports in src/web go down: shell, features, entities, platform, ui.
    ...WEB_LAYERS.flatMap((layer, i) =>
      WEB_LAYERS.slice(0, i).map((above) =>
        rule(
          `web-${layer}-not-${above}`,
          { path: `^src/web/${layer}/` },
          { path: `^src/web/${above}/` },
        ),
      ),
    ),
    rule(
      'web-shell-knows-features-by-index',
      { path: '^src/web/shell/' },
      { path: '^src/web/features/', pathNot: '^src/web/features/[^/]+/index[.]tsx?$' },
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
    tsConfig: { fileName: 'tsconfig.base.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default', 'types'],
    },
  },
};
