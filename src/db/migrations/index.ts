import type { Knex } from 'knex'
import * as first from './001-first'
import * as name from './002-name'
import * as decide from './003-decide'
import * as set from './004-set'
import * as keep from './005-keep'
import * as offline from './006-offline'
import * as response from './007-response'
import * as order from './008-order'
import * as runs from './009-runs'
import * as lensTests from './010-lens-tests'
import * as trials from './011-trials'
import * as audits from './012-audits'
import * as practise from './013-practise'
import * as work from './014-work'

interface Migration {
  readonly name: string
  readonly up: (knex: Knex) => Promise<void>
}

/** Forward only, in this order; never edit one that has been released. */
const MIGRATIONS: readonly Migration[] = [
  { name: '001-first', up: first.up },
  { name: '002-name', up: name.up },
  { name: '003-decide', up: decide.up },
  { name: '004-set', up: set.up },
  { name: '005-keep', up: keep.up },
  { name: '006-offline', up: offline.up },
  { name: '007-response', up: response.up },
  { name: '008-order', up: order.up },
  { name: '009-runs', up: runs.up },
  { name: '010-lens-tests', up: lensTests.up },
  { name: '011-trials', up: trials.up },
  { name: '012-audits', up: audits.up },
  { name: '013-practise', up: practise.up },
  { name: '014-work', up: work.up },
]

export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...MIGRATIONS]),
  getMigrationName: m => m.name,
  getMigration: m => Promise.resolve({ up: m.up, down: () => Promise.reject(new Error('migrations only go forward')) }),
}
