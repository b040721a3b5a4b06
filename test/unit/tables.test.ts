import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { openDatabase } from '../../src/db/connection'
import { addPerson, listPeople } from '../../src/db/people'
import { areCurrent, keysRead, keysWritten, type Reads, watchReads } from '../../src/db/tables'

it('a statement reads tables, or the part of one that it keeps to', () => {
  expect(keysRead('select * from `bodies` left join `people` on 1', [])).toEqual(['bodies', 'people'])
  const ofUnit = 'select * from `unit_events` left join `people` on 1 where `undone_at` is null and `unit_id` in (?, ?)'
  expect(keysRead(ofUnit, ['a', 'b'])).toEqual([
    'unit_events.unit_id=a',
    'unit_events.unit_id=b',
    'unit_events.unit_id=*',
    'people',
  ])
  // Beside another table a column without its table's name may be the other one's.
  expect(keysRead('select * from `unit_events` inner join `units` on 1 where `kind` = ?', ['x'])).toContain(
    'unit_events',
  )
  expect(
    keysRead('select 1 from `unit_events` inner join `units` on 1 where `unit_events`.`kind` = ? limit ?', [
      'signed',
      9,
    ]),
  ).toEqual(['unit_events.kind=signed', 'unit_events.kind=*', 'units'])
  expect(keysRead('select * from `ticks` where `card_id` = ? or 1', ['a'])).toEqual(['ticks'])
})

it('a write is to a table, to the parts it names, and to any part where it does not say', () => {
  expect(keysWritten('select * from `bodies`', [])).toEqual([])
  const insert = 'insert into `unit_events` (`at`, `kind`, `unit_id`) values (?, ?, ?)'
  expect(keysWritten(insert, ['now', 'set', 'a'])).toEqual([
    'unit_events',
    'unit_events.unit_id=a',
    'unit_events.kind=set',
  ])
  expect(keysWritten('update `unit_events` set `undone_at` = ? where `id` = ?', ['now', 1])).toEqual([
    'unit_events',
    'unit_events.unit_id=*',
    'unit_events.kind=*',
  ])
  expect(keysWritten('delete from `ticks` where `card_id` = ? and `step` = ?', ['a', 's'])).toEqual([
    'ticks',
    'ticks.card_id=a',
  ])
})

it('what was read stays right until it is written to, and not by a write that changed nothing', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'coherion-tables-'))
  const db = await openDatabase(folder, 'own')
  const reads: Reads = new Map()
  await watchReads(reads, () => listPeople(db))
  expect([...reads.keys()]).toEqual(['*others', 'people'])
  await db('people').where({ id: 'nobody' }).update({ name: 'x' })
  expect(areCurrent(reads)).toBe(true)
  await addPerson(db, { id: 'a', name: 'Anna' }, '2026-01-01')
  expect(areCurrent(reads)).toBe(false)
  // What another process writes is noticed as well.
  const again: Reads = new Map()
  await watchReads(again, () => listPeople(db))
  expect(areCurrent(again)).toBe(true)
  const script = `require('better-sqlite3')(process.argv[1]).exec("update people set name = 'Anne'")`
  execFileSync(process.execPath, ['-e', script, join(folder, 'coherion.db')])
  expect(areCurrent(again)).toBe(false)
  await db.destroy()
  rmSync(folder, { recursive: true })
})
