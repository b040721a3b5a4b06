import { type Audit, type AuditAsked, type AuditedUnit, auditOf } from '@/core/audit/audit'
import { type Finding, findingsOf } from '@/core/audit/findings'
import { cameraOf, type Picture } from '@/core/audit/picture'
import { type AuditPlan, parseAudit } from '@/core/audit/plan'
import { type Camera, camerasIn, type Owned } from '@/core/audit/whose'
import { timeWords } from '@/core/audit/clock'
import type { Body } from '@/core/bodies'
import { documentOf, type Shared } from './documents'
import { Refusal } from './refusal'
import { json, type Sent } from './sent'

/** Audits: thousands of pictures' metadata, read and gone through away from the thread that answers. */

export interface ReadAudit {
  readonly plan: AuditPlan
  /** As JSON text, to be kept as it is. */
  readonly pictures: string
  readonly summary: {
    readonly pictures: number
    readonly cameras: readonly Camera[]
    readonly from: string | undefined
    readonly until: string | undefined
  }
}

/** What was sent as an audit. @throws Refusal where it is none */
export const auditSent = (sent: Sent): ReadAudit => {
  const parsed = parseAudit(json(sent), sent.file)
  if (!parsed.ok) throw new Refusal('invalid', 'The content cannot be used', parsed.problems)
  const { plan, pictures } = parsed.value
  const times = pictures.flatMap(p => p.at ?? []).sort()
  return {
    plan,
    pictures: JSON.stringify(pictures),
    summary: { pictures: pictures.length, cameras: camerasIn(pictures), from: times[0], until: times.at(-1) },
  }
}

export interface AuditInput extends Omit<AuditAsked, 'pictures' | 'units'> {
  readonly pictures: string
  readonly units: readonly (Owned & { readonly form: Shared<Body> })[]
  readonly minutesEast: number
}

/** So many pictures of a camera, from its first and its last, are offered as pictures of the clock page. */
const MOST_EXAMPLES = 24

/** By camera: its first and last pictures that say a time. */
const examplesIn = (pictures: readonly Picture[]): Readonly<Record<string, readonly Example[]>> => {
  const byCamera = new Map<string, Example[]>()
  for (const picture of pictures) {
    if (picture.at === undefined) continue
    const key = cameraOf(picture)
    const list = byCamera.get(key) ?? []
    byCamera.set(key, list)
    list.push({ file: picture.file, at: picture.at })
  }
  return Object.fromEntries(
    [...byCamera].map(([key, all]) => {
      const sorted = all.sort((a, b) => (a.at < b.at ? -1 : 1))
      const half = MOST_EXAMPLES / 2
      return [key, sorted.length > MOST_EXAMPLES ? [...sorted.slice(0, half), ...sorted.slice(-half)] : sorted]
    }),
  )
}

export interface Example {
  readonly file: string
  readonly at: string
}

/** An audit with its findings. */
export const audited = ({
  pictures,
  units: asked,
  minutesEast,
  ...rest
}: AuditInput): {
  readonly audit: Audit
  readonly findings: readonly Finding[]
  readonly examples: Readonly<Record<string, readonly Example[]>>
} => {
  const all = JSON.parse(pictures) as readonly Picture[]
  const units = asked.map((u): AuditedUnit => ({ ...u, form: documentOf(u.form) }))
  const audit = auditOf({ ...rest, units, pictures: all })
  const settingOf = (unit: string, id: string) => units.find(u => u.id === unit)?.form.settings.find(s => s.id === id)
  const findings = findingsOf(audit, {
    unit: id => units.find(u => u.id === id)?.tag ?? id,
    setting: (unit, id) => settingOf(unit, id)?.label ?? id,
    option: (unit, id, option) => settingOf(unit, id)?.options.find(o => o.id === option)?.label ?? option,
    scene: i => rest.scenes[i]?.name ?? '',
    time: at => timeWords(at, minutesEast),
  })
  return { audit, findings, examples: examplesIn(all) }
}
