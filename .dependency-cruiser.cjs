/** The arrows between the rooms: app -> server -> db, core; app -> ui -> core; workers -> core. */
const arrow = (name, from, notTo, comment) => ({
  name,
  severity: 'error',
  comment,
  from: { path: from, pathNot: '\\.test\\.ts$' },
  to: { path: notTo },
})

module.exports = {
  forbidden: [
    arrow('core-stands-alone', '^src/core', '^src/(?!core)', 'Core knows nothing of the other rooms.'),
    arrow(
      'core-is-pure',
      '^src/core',
      '^(node_modules/(?!valibot|@valibot|jsonc-parser|minisearch|papaparse)|node:|fs$|path$|http$)',
      'Core imports nothing from outside but small pure libraries.',
    ),
    arrow('db-knows-core-only', '^src/db', '^src/(?!core|db)', 'The database room calls core at most.'),
    arrow(
      'server-calls-pool-db-and-core',
      '^src/server',
      '^src/(?!server|pool|db|core)',
      'The server room calls the pool, db and core.',
    ),
    arrow('pool-works-for-others', '^src/pool', '^src/(?!pool|db|core)', 'The pool runs core, and backups of db.'),
    {
      name: 'workers-programs-stay-in-workers',
      severity: 'error',
      comment: 'What runs in a worker is asked for by name; its program is no part of the server.',
      from: { path: '^src/(server|app)', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^src/pool/(?!pool|refusal|documents|requests|asker)',
        dependencyTypesNot: ['type-only'],
      },
    },
    arrow('door-is-in-front', '^src/(?!door)', '^src/door', 'Nothing inside knows the door.'),
    arrow(
      'door-hands-on',
      '^src/door',
      '^src/(?!door|pool/asker|db/tables)',
      'The door knows who asks and what changed.',
    ),
    arrow(
      'ui-has-no-data-access',
      '^src/ui',
      '^src/(?!ui|core|offline|workers)',
      'The interface pieces know core, its workers, and what waits on the device at most.',
    ),
    arrow(
      'offline-knows-core-only',
      '^src/offline',
      '^src/(?!core|offline)',
      'What waits on a device knows core at most.',
    ),
    arrow('demo-is-data', '^src/demo', '^src/(?!demo|db|core)', 'The demo is data and its seeding.'),
    arrow(
      'app-does-not-reach-past-the-server',
      '^src/app',
      '^src/(db|demo)',
      'Routes and views go through the server room.',
    ),
    {
      name: 'core-rooms-in-one-direction',
      severity: 'error',
      comment: 'vocabulary and formats below bodies and standards below resolve.',
      from: { path: '^src/core/vocabulary', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/(bodies|standards|resolve|steps|cautions)' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'No file imports itself by way of others.',
      from: {},
      to: { circular: true },
    },
    {
      name: 'tests-stay-outside',
      severity: 'error',
      comment: 'Only tests import tests and fixtures.',
      from: { path: '^src', pathNot: '\\.test\\.ts$' },
      to: { path: '(^test/|\\.test\\.ts$)' },
    },
    // Types of the views' data come from the server; they vanish when compiled.
    {
      name: 'client-views-take-types-only',
      severity: 'error',
      comment: 'A client view must not pull the server into the browser.',
      from: { path: '^src/app/.+(View|Page|List|Tree|Matrix|Summary|Explanation|arrange|Notices|use-card)\\.tsx?$' },
      to: { path: '^src/server', dependencyTypesNot: ['type-only'] },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.json$' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.cjs', '.json'] },
  },
}
