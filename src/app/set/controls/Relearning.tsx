import type { FleetMap } from '@/core/controls/fleet'
import { dimension } from '@/core/vocabulary/dimensions'
import type { Shooter } from '@/server/controls'
import { Box, Typography } from '@/ui/elements'

/** What each person has to learn anew against today, on the bodies they carry. */
export const Relearning = ({ shown, shooters }: { shown: FleetMap; shooters: readonly Shooter[] }) => {
  const people = shooters.flatMap(({ name, bodies }) => {
    const own = shown.bodies.filter(m => bodies.includes(m.body.id))
    if (own.length === 0) return []
    const label = (m: FleetMap['bodies'][number], id: string | undefined) =>
      m.body.controls.find(c => c.id === id)?.label ?? id ?? ''
    const moved = own.flatMap(m =>
      m.placed
        .filter(p => p.movedFrom)
        .map(
          p =>
            `${dimension(p.function).label} on ${m.body.model}, ${label(m, p.movedFrom)} → ${label(m, p.carry?.control)}`,
        ),
    )
    return [{ name, models: own.map(m => m.body.model), moved }]
  })
  const without = shooters.filter(s => s.bodies.length === 0).map(s => s.name)
  if (shooters.length === 0) return null
  return (
    <Box
      component="section"
      aria-label="Who has to relearn"
      sx={{ mt: 4, borderTop: 1, borderColor: 'divider', pt: 2 }}
    >
      <Typography variant="h2">Who has to relearn</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        Against the version in force, on the bodies each person carries.
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {people.map(p => (
          <Box component="li" key={p.name} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
            <Typography variant="strong">
              {p.name}{' '}
              <Typography component="span" variant="body2" color="textSecondary">
                {p.models.join(', ')}
              </Typography>
            </Typography>
            <Typography variant="body2">{p.moved.length ? p.moved.join('; ') : 'nothing'}</Typography>
          </Box>
        ))}
      </Box>
      {without.length > 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          Nobody has said what {without.join(', ')} {without.length === 1 ? 'carries' : 'carry'}: say so in Keep, Kit.
        </Typography>
      )}
    </Box>
  )
}
