import 'server-only'
import { clockWords, timeWords } from '@/core/audit/clock'
import type { LeftOut } from '@/core/audit/audit'
import { counted, percent } from '@/core/vocabulary/words'
import { type AuditView, readAudit } from './audits'
import { work } from './working'

/** An audit in words, for the screen and for paper. */

const WHY_LEFT_OUT: Readonly<Record<LeftOut['why'], string>> = {
  'no-time': 'without a time',
  'in-the-future': 'from the future by the camera’s clock',
  'before-it-was-here': 'from before this camera was here',
  whose: 'of a camera that nobody told',
  'no-scene': 'outside every scene: what is shown is known, and held against nothing',
}

const tagOf = (view: AuditView, of: string): string =>
  view.names[of]?.tag ?? view.units.find(u => u.id === of)?.tag ?? of

/** What says nothing here, and why, a sentence each. */
export const leftOutWords = (view: AuditView): readonly string[] =>
  view.audit.leftOut.map(
    l => `${tagOf(view, l.of)}: ${counted(l.pictures, 'picture', 'pictures')} ${WHY_LEFT_OUT[l.why]} (${l.example}).`,
  )

/** Everything that was set otherwise, a sentence each. */
export const differenceWords = (view: AuditView): readonly string[] =>
  view.audit.differences.map(d => {
    const unit = view.names[d.unit]
    const setting = unit?.settings[d.setting]
    const option = (id: string) => setting?.options[id] ?? id
    const time = timeWords(d.since, view.plan.minutesEast)
    const end = d.isStill ? 'to the last' : 'put back later'
    return `${unit?.tag ?? d.unit}, ${d.scenes.map(i => view.plan.scenes[i]?.name ?? '').join(', ')}: ${setting?.label ?? d.setting} at ${option(d.seen)}, wanted ${option(d.wanted)}; ${d.pictures} of ${d.of} pictures, since ${time} (${d.sinceFile}), ${end}.`
  })

/** What each camera was used with, a sentence each. */
export const usedWords = (view: AuditView): readonly string[] =>
  view.audit.units.map(u => {
    const some = (all: readonly { readonly label: string; readonly pictures: number }[]) =>
      all
        .slice(0, 3)
        .map(c => `${c.label} (${c.pictures})`)
        .join(', ')
    const parts = [
      some(u.used.focalLengths),
      some(u.used.fNumbers),
      u.used.shaky.of > 0 ? `${percent(u.used.shaky.kept / u.used.shaky.of)} longer than a hand holds still` : '',
      u.followed
        ? `${counted(u.followed.bursts, 'burst', 'bursts')}, the longest ${u.followed.longestFollowSeconds.toFixed(1)} s`
        : '',
      view.plan.clocks[cameraOfUnit(view, u.unit)]
        ? `clock ${clockWords(view.plan.clocks[cameraOfUnit(view, u.unit)] ?? 0)}`
        : '',
    ].filter(Boolean)
    return `${view.names[u.unit]?.tag ?? u.unit}: ${counted(u.pictures, 'picture', 'pictures')}; ${parts.join('; ')}.`
  })

const cameraOfUnit = (view: AuditView, unit: string): string =>
  view.audit.cameras.find(c => c.whose.is === 'unit' && c.whose.unit === unit)?.key ?? ''

/** What was looked at, in a sentence. */
export const aboutWords = ({ audit, plan, standards }: AuditView): string => {
  const { minutesEast } = plan
  const when =
    audit.from && audit.until ? `, ${timeWords(audit.from, minutesEast)} to ${timeWords(audit.until, minutesEast)}` : ''
  const by = [...new Set(standards.map(s => `${s.name}, version ${s.version}`))].join(' and ')
  return `${counted(audit.pictures, 'picture', 'pictures')} of ${counted(audit.cameras.length, 'camera', 'cameras')}${when}, held against ${by}.`
}

/** The report for the debrief. @throws RequestError 404 */
export const auditReport = async (
  id: string,
  paper: 'a4' | 'letter',
): Promise<{ readonly bytes: Uint8Array; readonly name: string }> => {
  const view = await readAudit(id)
  const bytes = await work('auditSheet', {
    paper,
    name: view.plan.name,
    about: aboutWords(view),
    findings: view.findings,
    differences: differenceWords(view),
    used: usedWords(view),
    leftOut: leftOutWords(view),
    printed: new Date().toISOString().slice(0, 10),
  })
  return { bytes, name: `audit-${id}.pdf` }
}
