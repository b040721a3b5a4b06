import type { ReadinessView, UnitReadiness } from '@/server/readiness'
import { Box, Typography } from '@/ui/elements'

const minutesWords = (minutes: number): string =>
  minutes < 90 ? `about ${minutes} minutes` : `about ${Math.round(minutes / 30) / 2} hours`

/** What has to be walked so that all is ready at the end of tomorrow, by who carries it. */
export const Tomorrow = ({ view, units }: { view: ReadinessView; units: readonly UnitReadiness[] }) => {
  const owed = units.filter(u => u.isForTomorrow)
  if (units.length === 0) return null
  const minutes = (of: readonly UnitReadiness[]) => of.reduce((sum, u) => sum + u.minutes, 0)
  const runningOut = owed.filter(u => u.readiness.is === 'ready')
  const names = [...new Set(owed.flatMap(u => u.people.map(p => p.name)))].sort((a, b) => a.localeCompare(b))
  const mine = (name: string) => owed.filter(u => u.people.some(p => p.name === name))
  return (
    <Box
      component="section"
      aria-label="For tomorrow"
      sx={{ mt: 2, pl: 1.5, borderLeft: 3, borderColor: 'own.marigold.main' }}
    >
      <Typography>
        <b>For tomorrow</b>
        {owed.length === 0
          ? ': nothing, all of them stay ready.'
          : `: ${owed.length} ${owed.length === 1 ? 'card' : 'cards'} to walk, ${minutesWords(minutes(owed))} in all.`}
        {runningOut.length > 0 &&
          ` ${runningOut.map(u => u.tag).join(', ')} ${runningOut.length === 1 ? 'is' : 'are'} ready now and ${runningOut.length === 1 ? 'runs' : 'run'} out.`}
      </Typography>
      {owed.length > 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ display: { xs: 'none', sm: 'block' } }}>
          {names
            .map(name => `${name} ${mine(name).length} (${minutes(mine(name))} min)`)
            .concat(
              owed.some(u => u.people.length === 0)
                ? [`without anybody ${owed.filter(u => u.people.length === 0).length}`]
                : [],
            )
            .join(' · ')}
        </Typography>
      )}
      {view.standard.state !== 'approved' && (
        <Typography variant="body2" color="textSecondary">
          This version is not in force.
        </Typography>
      )}
    </Box>
  )
}
