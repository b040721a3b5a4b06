import type { UnitAudit } from '@/core/audit/audit'
import type { AuditView } from '@/server/audits'
import { Eyebrow, PlainList, Section } from '@/ui/pieces'
import { ToThumbLoad } from './ToThumbLoad'
import { Box, Typography } from '@/ui/elements'

/** Settings that were at more than one option, with the shares of each. */
const sharesOf = (u: UnitAudit, view: AuditView): readonly string[] =>
  u.shares.flatMap(({ setting, options }) => {
    const all = Object.entries(options).sort(([, a], [, b]) => b - a)
    const sum = all.reduce((n, [, count]) => n + count, 0)
    const names = view.names[u.unit]?.settings[setting]
    if (all.length < 2) return []
    const shares = all.map(([id, n]) => `${names?.options[id] ?? id} ${Math.round((100 * n) / sum)} %`)
    return [`${names?.label ?? setting}: ${shares.join(', ')}`]
  })

const keptWords = (u: UnitAudit, view: AuditView): readonly string[] =>
  u.kept.map(({ setting, options }) => {
    const names = view.names[u.unit]?.settings[setting]
    const each = options.map(
      o =>
        `${names?.options[o.option] ?? o.option} ${o.share.kept} of ${o.share.of} (${Math.round(100 * o.interval.low)} to ${Math.round(100 * o.interval.high)} of 100)`,
    )
    return `${names?.label ?? setting}: ${each.join(', ')}`
  })

/** What was used in fact: lenses, apertures, times, options, and how long focus followed. */
export const UsedSection = ({ view, words }: { view: AuditView; words: readonly string[] }) => {
  const rated = view.audit.units.filter(u => u.kept.length > 0)
  const followed = view.audit.units.filter(u => u.followed)
  return (
    <>
      <Section title="What was used">
        <PlainList component="ul" sx={{ maxWidth: 'var(--wide)' }}>
          {view.audit.units.map((u, i) => (
            <Box component="li" key={u.unit} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
              <Typography sx={{ overflowWrap: 'anywhere' }}>{words[i]}</Typography>
              {sharesOf(u, view).map(s => (
                <Typography key={s} variant="body2">
                  {s}
                </Typography>
              ))}
              {u.older > 0 && (
                <Typography variant="body2" color="textSecondary">
                  {u.older} are from before it was entered in the kit. If it was not yours then, leave them out under
                  “Scenes, clocks, cameras”.
                </Typography>
              )}
            </Box>
          ))}
        </PlainList>
      </Section>
      {rated.length > 0 && (
        <Section title="What was kept">
          <Typography variant="body2" sx={{ mb: 1, maxWidth: 'var(--line)' }}>
            Pictures with stars, or judged sharp in a trial where they were judged, by what was set; with the interval
            in which the share lies 95 times of 100 (Wilson). This was no trial: whoever set it chose when, in which
            light and of whom.
          </Typography>
          {rated.map(u => (
            <Box key={u.unit} sx={{ mb: 1.5 }}>
              <Eyebrow>
                {view.names[u.unit]?.tag}, {u.keptAs === 'judged' ? 'judged' : 'by stars'}
              </Eyebrow>
              {keptWords(u, view).map(w => (
                <Typography key={w}>{w}</Typography>
              ))}
            </Box>
          ))}
        </Section>
      )}
      {followed.length > 0 && <ToThumbLoad view={view} />}
    </>
  )
}
