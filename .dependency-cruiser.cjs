/** Dependencies point one way: app → features → (forms, frame) → (ui, store) → core; see docs/architecture.md. */
const rule = (name, comment, from, to) => ({ name, comment, severity: 'error', from, to });

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    rule(
      'no-circles',
      'Two modules that need each other are one, or want a third.',
      {},
      { circular: true },
    ),
    rule(
      'core-is-pure',
      'The core knows no interface, no storage and no platform.',
      { path: '^src/core' },
      {
        path: '^src/(?!core|testing)|^(server|cli)/|node_modules/(react|react-native|expo|@reduxjs|redux|@react-native)',
      },
    ),
    rule(
      'storage-below-store',
      'Storage knows records and nothing above.',
      { path: '^src/storage' },
      { path: '^src/(?!storage|core|testing)' },
    ),
    rule(
      'store-below-screens',
      'The store knows storage, workers and the core.',
      { path: '^src/store' },
      { path: '^src/(?!store|storage|workers|core|testing)' },
    ),
    rule(
      'ui-knows-no-store',
      'Controls and drawings are given what they show.',
      { path: '^src/ui' },
      { path: '^src/(?!ui|core|testing)' },
    ),
    rule(
      'forms-and-frame-below-features',
      'What frames a screen and what carries a form know no feature.',
      { path: '^src/(forms|frame)' },
      { path: '^src/(features|app)' },
    ),
    rule(
      'features-are-apart',
      'A feature never imports another: what two share moves down; forms and photos are fetched from their one piece.',
      { path: '^src/features/([^/]+)/' },
      { path: '^src/features/', pathNot: '^src/features/($1/|formScreens|photos/index)' },
    ),
    rule(
      'nobody-imports-routes',
      'Routes name screens; nothing names routes.',
      { pathNot: '^src/app' },
      { path: '^src/app' },
    ),
    rule(
      'outside-uses-core',
      'The command line and the server know the core alone.',
      { path: '^(cli|server)/' },
      { path: '^src/(?!core|testing)' },
    ),
    rule(
      'no-testing-in-product',
      'Test helpers stay with tests.',
      { path: '^(src|cli|server)', pathNot: '\\.test\\.tsx?$|^src/testing' },
      { path: '^src/testing' },
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '\\.expo|dist' },
  },
};
