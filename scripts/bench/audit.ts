import sharp from 'sharp'
import { auditOf } from '../../src/core/audit/audit'
import { bodyAt, factoryState } from '../../src/core/bodies'
import { askedOf, resolve } from '../../src/core/resolve'
import { demoAudit, demoShootings } from '../../src/demo/audit'
import { allFields, ordinaryPicture } from '../../src/workers/metadata'
import { openNotesReader } from '../../src/workers/notes'
import { withExif } from '../../test/fixtures/made/exif'
import { AUDIT_SERIES } from '../../test/fixtures/made/plans'
import { figure } from './record'

const since = (began: number): number => performance.now() - began

/** Pictures as large as cameras make them: their pixels are noise, and nobody looks at them. */
const made = async (count: number): Promise<readonly File[]> => {
  const [width, height] = [1800, 1200]
  const noise = Buffer.from(Uint8Array.from({ length: width * height * 3 }, (_, i) => (i * 2654435761) >>> 24))
  const jpeg = await sharp(noise, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 90 })
    .toBuffer()
  return Array.from({ length: count }, (_, i) => {
    const written = AUDIT_SERIES[i % AUDIT_SERIES.length]?.written
    if (!written) throw new Error('no made picture')
    return new File([withExif(jpeg, written) as BlobPart], `P_${i}.JPG`, { type: 'image/jpeg' })
  })
}

/** What an audit takes: metadata of thousands of files, makers' own fields, and going through them. */
export const benchAudit = async (): Promise<void> => {
  console.log('Audit')
  const files = await made(1000)
  let began = performance.now()
  for (let i = 0; i < files.length; i += 40) await Promise.all(files.slice(i, i + 40).map(f => ordinaryPicture(f)))
  const ordinary = since(began)
  console.log(
    `  standard fields of 1,000 files of ${((files[0]?.size ?? 0) / 1e6).toFixed(1)} MB: ${figure('audit-ordinary', ordinary, 5000)}, ${(1e6 / ordinary).toFixed(0)} a second`,
  )
  const reader = await openNotesReader()
  await Promise.all(files.slice(0, 1).map(f => allFields(f, reader)))
  began = performance.now()
  for (const file of files.slice(0, 60)) await allFields(file, reader)
  const notes = since(began)
  console.log(
    `  makers’ own fields of 60 files: ${figure('audit-notes', notes, 10_000)}, ${(60_000 / notes).toFixed(1)} a second`,
  )
  const now = new Date().toISOString()
  const { standard, shootings } = demoShootings()
  const { plan, pictures } = demoAudit(shootings, standard, now)
  const many = Array.from({ length: 50 }, () => pictures).flat()
  const units = shootings.map(s => {
    const form = bodyAt(s.body, s.firmware)
    const found = resolve(form, standard, { firmware: s.firmware, known: factoryState(form) })
    const wanted = Object.fromEntries(askedOf(form, found).map(id => [id, found.state[id] ?? '']))
    const owned = { id: s.tag, tag: s.tag, serial: s.serial, maker: form.maker, model: form.model }
    return { ...owned, since: '', entered: '', form, wanted }
  })
  const scenes = plan.scenes.map(s => ({ ...s, wanted: Object.fromEntries(units.map(u => [u.id, u.wanted])) }))
  began = performance.now()
  auditOf({ pictures: many, units, scenes, clocks: plan.clocks, whose: {}, now })
  console.log(`  an audit of ${many.length} pictures: ${figure('audit-20000', since(began), 2000)}`)
}
