import {
  cpSync,
  existsSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
  writeSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { backUpByRule, checkFile, isInUse, letGo, listBackups, makeBackup, restore } from '../../src/db/backups'
import { type Db, openDatabase } from '../../src/db/connection'
import { addPerson, listPeople } from '../../src/db/people'

const AT = '2026-11-24T09:00:00.000Z'
let folder: string
let db: Db
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'coherion-backup-'))
  db = await openDatabase(folder, 'own')
  await addPerson(db, { id: 'a', name: 'Anna' }, AT)
})
afterEach(async () => {
  await db.destroy()
  rmSync(folder, { recursive: true, force: true })
})
const names = async (from: string) => {
  const opened = await openDatabase(from, 'own')
  const all = (await listPeople(opened)).map(p => p.name)
  await opened.destroy()
  return all
}

describe('a backup', () => {
  it('has the newest write, though the server goes on and has not put it into its file yet', async () => {
    await addPerson(db, { id: 'b', name: 'Bruno' }, AT)
    const { file, counts } = await makeBackup(folder, AT, 'hand')
    expect(counts['people']).toBe(2)
    const elsewhere = mkdtempSync(join(tmpdir(), 'coherion-restored-'))
    await restore(elsewhere, file, AT)
    expect(await names(elsewhere)).toEqual(['Anna', 'Bruno'])
    rmSync(elsewhere, { recursive: true })
  })

  it('goes by the rule: every hour of a day, every day of two weeks, every week of two months', () => {
    const now = Date.parse('2026-11-24T12:30:00Z')
    const hours = (n: number) => now - n * 3600_000
    const every = Array.from({ length: 24 * 80 }, (_, i) => hours(i))
    const kept = every.filter(t => !letGo(every).includes(t))
    const back = (days: number) => kept.filter(t => now - t <= days * 24 * 3600_000).length
    expect(back(1)).toBeGreaterThanOrEqual(24)
    expect(back(14)).toBeGreaterThanOrEqual(24 + 13)
    expect(kept.length).toBeLessThan(24 + 16 + 10)
    expect(Math.min(...kept)).toBeLessThan(hours(24 * 48))
    // A clock that was wrong for a while does not cost the newest ones.
    const ahead = [Date.parse('2027-12-24T12:00:00Z'), ...every.slice(0, 3)]
    expect(letGo(ahead)).toEqual([])
  })

  it('that is made by the rule lets go of older ones, and never of one that was made by hand', async () => {
    await makeBackup(folder, AT, 'hand')
    for (let i = 0; i < 9; i++) await backUpByRule(folder, `2026-11-24T09:0${i}:00.000Z`)
    expect(listBackups(folder).map(b => new Date(b.at).getUTCMinutes())).toEqual([8, 7, 6, 5, 4])
    expect(readdirSync(join(folder, 'backups')).some(f => f.startsWith('hand-'))).toBe(true)
  })
})

describe('putting one back', () => {
  it('is refused while somebody works with the data', async () => {
    expect(await isInUse(folder)).toBe(true)
    await db.destroy()
    expect(await isInUse(folder)).toBe(false)
  })

  it('takes the log of what was there aside, so that it is not taken for the new one’s', async () => {
    const { file } = await makeBackup(folder, AT, 'hand')
    await addPerson(db, { id: 'b', name: 'Bruno' }, AT)
    // As after a power cut: the file with a log beside it.
    const cut = mkdtempSync(join(tmpdir(), 'coherion-cut-'))
    cpSync(folder, cut, { recursive: true })
    expect(existsSync(join(cut, 'coherion.db-wal'))).toBe(true)
    const aside = await restore(cut, file, AT)
    expect(await names(cut)).toEqual(['Anna'])
    expect(readdirSync(String(aside)).sort()).toEqual(['coherion.db', 'coherion.db-shm', 'coherion.db-wal'])
    rmSync(cut, { recursive: true })
  })

  it('changes nothing where the backup is not whole', async () => {
    const { file } = await makeBackup(folder, AT, 'hand')
    await db.destroy()
    const broken = join(folder, 'broken.db')
    writeFileSync(broken, readFileSync(file).fill(7, 4096, 12_288))
    await expect(restore(folder, broken, AT)).rejects.toThrow(/damaged|malformed/)
    await expect(checkFile(join(folder, 'none.db'))).rejects.toThrow(/there is no file/)
    expect(await names(folder)).toEqual(['Anna'])
  })
})

describe('at the start', () => {
  it.each([
    ['an emptied file', () => truncateSync(join(folder, 'coherion.db')), /is empty/],
    ['a file that is gone', () => rmSync(join(folder, 'coherion.db')), /is missing, though there are backups/],
    ['what is no database', () => writeFileSync(join(folder, 'coherion.db'), 'x'.repeat(9000)), /is damaged/],
    [
      'damaged pages',
      () => {
        const fd = openSync(join(folder, 'coherion.db'), 'r+')
        writeSync(fd, Buffer.alloc(8192, 0x5a), 0, 8192, 8192)
      },
      /is damaged/,
    ],
  ])('%s stops it with what to do, and never with an empty house', async (_, damage, words) => {
    const { file } = await makeBackup(folder, AT, 'hand')
    await db.destroy()
    damage()
    const before = readdirSync(folder).sort()
    const error: unknown = await openDatabase(folder, 'own').catch((e: unknown) => e)
    expect(String(error)).toMatch(words)
    expect(String(error)).toContain(`npm run restore -- ${file}`)
    expect(
      readdirSync(folder)
        .filter(f => !/-(wal|shm)$/.test(f))
        .sort(),
    ).toEqual(before.filter(f => !/-(wal|shm)$/.test(f)))
    await restore(folder, file, AT)
    expect(await names(folder)).toEqual(['Anna'])
  })
})
