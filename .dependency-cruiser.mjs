import { rooms } from './scripts/rooms.mjs'

const own = { pathNot: '\\.test\\.ts$' }
const rule = (name, from, to, comment) => ({ name, severity: 'error', comment, from: { ...own, ...from }, to })

/** One rule for each room of the table in CONTRIBUTING.md: what it may not call. */
const arrows = rooms()
  .filter(({ calls }) => calls)
  .map(({ path, calls }) =>
    rule(
      `${path.replace(/^src\//, '').replace('/', '-')}-calls-what-the-table-says`,
      { path: `^${path}/` },
      { path: `^src/(?!${[path, ...calls].map(p => `${p.replace(/^src\//, '')}/`).join('|')})` },
      `CONTRIBUTING.md lets ${path} call: ${calls.join(', ') || 'nothing'}.`,
    ),
  )

/** What the application router runs on the server; everything else in src/app may reach the browser. */
const SERVER_FILES = '/(page|layout|route|not-found|loading|icon)\\.tsx?$'

export default {
  forbidden: [
    ...arrows,
    rule(
      'core-is-pure',
      { path: '^src/core' },
      {
        path: '^(node_modules/(?!valibot|@valibot|@date-fns|ical\\.js|jsonc-parser|minisearch|papaparse|simple-statistics|suncalc|ts-fsrs)|node:|fs$|path$|http$)',
      },
      'Core imports nothing from outside but small pure libraries.',
    ),
    rule(
      'workers-programs-stay-in-workers',
      { path: '^src/(server|app)' },
      { path: '^src/pool/(?!pool|refusal|documents|requests|asker)', dependencyTypesNot: ['type-only'] },
      'What runs in a worker is asked for by name; its program is no part of the server.',
    ),
    rule(
      'door-hands-on',
      { path: '^src/door' },
      { path: '^src/(?!door|pool/asker|db/tables)' },
      'The door knows who asks and what changed.',
    ),
    rule('no-circles', {}, { circular: true }, 'No file imports itself by way of others.'),
    rule(
      'tests-stay-outside',
      { path: '^src' },
      { path: '(^test/|\\.test\\.ts$)' },
      'Only tests import tests and fixtures.',
    ),
    // Types of the views' data come from the server; they vanish when compiled.
    rule(
      'views-take-types-only',
      { path: '^src/app', pathNot: `${SERVER_FILES}|\\.test\\.ts$` },
      { path: '^src/server', dependencyTypesNot: ['type-only'] },
      'A view must not pull the server into the browser.',
    ),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.json$' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.cjs', '.json'] },
  },
}
