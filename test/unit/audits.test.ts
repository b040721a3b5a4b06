import { describe, expect, it } from 'vitest'
import type { AuditPlan } from '../../src/core/audit/plan'
import { demoAudit, demoShootings, festivalStart } from '../../src/demo/audit'
import { auditReport, differenceWords, leftOutWords } from '../../src/server/audit-words'
import {
  listAudits,
  readAudit,
  removeAudit,
  saveAudit,
  saveAuditPlan,
  takeOver,
  writeSession,
} from '../../src/server/audits'
import { tellSetting, undoHappened } from '../../src/server/card-actions'
import { readStandard } from '../../src/server/catalogue'
import { readLife } from '../../src/server/life'
import { readReadiness } from '../../src/server/readiness'
import { by } from '../fixtures/by'
import { useDemoFolder } from '../fixtures/demo-folder'
import { pdfTexts } from '../fixtures/pdf'

/** Audits as the server keeps them, and what becomes of what pictures show. */

useDemoFolder()

const festival = async (): Promise<string> => String((await listAudits())[0]?.id)
const readinessOf = async (unit: string) =>
  (await readReadiness('ring-action', {}, undefined)).units.find(u => u.unit === unit)?.readiness
const settingOf = async (unit: string, setting: string) =>
  (await readLife(unit, 'ring-action')).settings.find(s => s.id === setting)

const picture = (file: string, at: string, grip: number, more: object = {}) => ({
  file,
  at,
  make: 'Aurelle',
  model: 'Sorrel',
  serial: 'AS-40532',
  fields: { 'MakerUnknown:Unknown_0x0024': String(grip) },
  ...more,
})
const PLAN: AuditPlan = {
  name: 'Rehearsal',
  scenes: [{ name: 'All of it', standard: 'ring-action', for: '' }],
  clocks: {},
  whose: {},
  minutesEast: 60,
}
const hoursAgo = (hours: number) => new Date(Date.now() - hours * 3_600_000).toISOString()
const save = async (pictures: readonly object[], plan: Partial<AuditPlan> = {}): Promise<string> =>
  String((await saveAudit({ ...PLAN, ...plan, pictures }, by('imelda-frost'))).id)

describe('the audit of the festival', () => {
  it('says what drifted and since when, on the screen and on paper', async () => {
    const view = await readAudit(await festival())
    expect(view.findings[0]?.title).toBe('TSP-S2 drifted: Grip says Grip 2 of 7, not Grip 5 of 7')
    expect(differenceWords(view)[0]).toMatch(
      /^TSP-S2, Club passing, Curtain call: Grip at Grip 2 of 7, wanted Grip 5 of 7/,
    )
    expect(view.standards.every(s => !s.isLater)).toBe(true)
    for (const paper of ['a4', 'letter'] as const) {
      const text = (await pdfTexts((await auditReport(await festival(), paper)).bytes)).join('')
      for (const f of view.findings) expect(text).toContain(f.change.slice(0, 40))
      expect(text).toContain('S2_0091.JPG')
      expect(text).toContain('400 pictures of 3 cameras')
    }
  })

  it('makes a unit that was ready one that differs, as soon as it is taken over, and no sooner', async () => {
    const id = await festival()
    expect(await readinessOf('tsp-s2')).toMatchObject({ is: 'ready' })
    expect((await readAudit(id)).learned.map(l => [l.unit, l.to])).toEqual([
      ['tsp-s2', 'grip-2-of-7'],
      ['tsp-t2', 'all-studs'],
    ])
    const { written } = await takeOver(id, by('imelda-frost'))
    expect(written).toBeGreaterThanOrEqual(3)
    expect(await readinessOf('tsp-s2')).toMatchObject({ is: 'differs', steps: 1 })
    expect(await settingOf('tsp-s2', 'grip')).toMatchObject({ how: 'picture' })
    // Twice is once, and there is nothing more to learn.
    expect(await takeOver(id, by('imelda-frost'))).toEqual({ written: 0 })
    expect((await readAudit(id)).learned).toEqual([])
    expect((await listAudits())[0]?.isTakenOver).toBe(true)
    // It can be taken back where it stands.
    const { events } = await readLife('tsp-s2', 'ring-action')
    const event = events.find(e => e.words.includes('seen in a picture'))
    await undoHappened('tsp-s2', Number(event?.id), true, by('imelda-frost'))
    expect(await readinessOf('tsp-s2')).toMatchObject({ is: 'ready' })
  })

  it('replaces the shares of thumb load that were typed in, in the session of whoever carries the camera', async () => {
    const id = await festival()
    const view = await readAudit(id)
    const followed = view.audit.units.find(u => u.unit === 'tsp-s2')?.followed
    const { standard, version, person } = await writeSession(
      id,
      { standard: 'ring-action', unit: 'tsp-s2' },
      by('imelda-frost'),
    )
    expect(person).toBe('Perpetua Nye')
    const { document, state } = await readStandard(`${standard}@${version}`)
    expect(state).toBe('draft')
    const session = document.controls?.sessions.find(s => s.person === 'perpetua-nye')?.session
    expect(session).toMatchObject({
      followingShare: followed?.followingShare,
      shootingShare: followed?.shootingShare,
      longestFollowSeconds: Math.round(followed?.longestFollowSeconds ?? 0),
    })
    await expect(
      writeSession(id, { standard: 'ring-action', unit: 'tsp-l1' }, by('imelda-frost')),
    ).rejects.toMatchObject({ status: 422, title: 'No burst' })
  })
})

describe('what pictures show', () => {
  it('never stands against what is known from later', async () => {
    const id = await save([picture('a.jpg', hoursAgo(2), 5), picture('b.jpg', hoursAgo(1), 2)])
    await tellSetting('tsp-s2', { standard: 'ring-action', setting: 'grip', option: 'grip-5-of-7' }, by('perpetua-nye'))
    expect((await readAudit(id)).learned.filter(l => l.setting === 'grip')).toEqual([])
    await takeOver(id, by('imelda-frost'))
    expect(await settingOf('tsp-s2', 'grip')).toMatchObject({ how: 'person' })
  })

  it('is held against the version that was in force then, and says where there was none', async () => {
    const long = new Date(Date.now() - 60 * 24 * 3_600_000).toISOString()
    const [now, then] = await Promise.all(
      [hoursAgo(1), long].map(async at => readAudit(await save([picture('a.jpg', at, 5)]))),
    )
    expect(now?.standards).toMatchObject([{ id: 'ring-action', isLater: false }])
    expect(then?.standards).toMatchObject([{ id: 'ring-action', isLater: true }])
  })

  it('of a camera that nobody knows is left out until somebody says whose it was', async () => {
    const id = await save([picture('a.jpg', hoursAgo(1), 2, { serial: 'BORROWED' })])
    const before = await readAudit(id)
    expect(before.audit.units).toEqual([])
    expect(leftOutWords(before)[0]).toContain('1 picture of a camera that nobody told (a.jpg)')
    const key = before.audit.cameras[0]?.key ?? ''
    await saveAuditPlan(id, { plan: { ...PLAN, whose: { [key]: 'tsp-s1' } }, revision: 1 }, by('imelda-frost'))
    expect((await readAudit(id)).audit.units).toMatchObject([{ unit: 'tsp-s1', pictures: 1 }])
    // Somebody else was quicker.
    await expect(saveAuditPlan(id, { plan: PLAN, revision: 1 }, by('tobiah-lark'))).rejects.toMatchObject({
      status: 409,
    })
  })
})

describe('what comes in as an audit', () => {
  it('is refused where it is none, with its place', async () => {
    const refused = (document: object) => saveAudit(document, by('imelda-frost'))
    const whole = { ...PLAN, pictures: [picture('a.jpg', hoursAgo(1), 5)] }
    await expect(refused({})).rejects.toMatchObject({ status: 422 })
    await expect(refused({ ...whole, pictures: [] })).rejects.toMatchObject({ status: 422 })
    await expect(refused({ ...whole, pictures: [{ ...whole.pictures[0], at: 'noon' }] })).rejects.toMatchObject({
      status: 422,
      problems: [expect.objectContaining({ path: 'pictures.0.at' })],
    })
    await expect(refused({ ...whole, scenes: [{ name: 'x', standard: 'nobody' }] })).rejects.toMatchObject({
      status: 422,
      title: 'No such standard',
    })
    await expect(readAudit('999')).rejects.toMatchObject({ status: 404 })
    await expect(readAudit('1 or 1=1')).rejects.toMatchObject({ status: 404 })
  })

  it('may be as large as an audit gets, and is gone when it is thrown away', async () => {
    const { standard, shootings } = demoShootings()
    const now = new Date().toISOString()
    const { plan, pictures } = demoAudit(shootings, standard, now)
    const many = Array.from({ length: 50 }, (_, i) => pictures.map(p => ({ ...p, file: `${i}_${p.file}` }))).flat()
    expect(many).toHaveLength(20_000)
    const { id } = await saveAudit({ ...plan, pictures: many }, by('imelda-frost'))
    const { audit } = await readAudit(String(id))
    expect(audit.differences.find(d => d.isStill)).toMatchObject({ unit: 'tsp-s2', pictures: 3500 })
    expect(Date.parse(audit.from ?? '')).toBeGreaterThanOrEqual(festivalStart(now))
    await removeAudit(String(id), by('imelda-frost'))
    await expect(readAudit(String(id))).rejects.toMatchObject({ status: 404 })
  })
})
