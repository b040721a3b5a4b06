import { plain } from '@/core/optics/words'
import type { AlikeView } from '@/server/bench'
import { Box, Typography } from '@/ui/elements'
import { TakesDrawing } from '@/ui/TakesDrawing'

/** One time on every body, at the step that it uses under the standard in hand. */
export const AlikePart = ({ alike: a }: { alike: AlikeView }) => (
  <Box sx={{ mb: 3, maxWidth: 'var(--wide)' }}>
    <Typography variant="h3">
      {a.label}, wanted {a.wanted}
    </Typography>
    <Typography sx={{ mb: 1 }}>
      {a.times.length < 2
        ? 'Fewer than two of them have anything to set it with.'
        : `Alike within a factor of ${plain(a.factor)}. ${a.outside.length === 0 ? 'None is outside what the standard allows.' : `Outside: ${a.outside.join(', ')}.`}`}{' '}
      {a.declared.length > 0 && `Only declared, nobody has measured it: ${a.declared.join(', ')}.`}
      {a.without.length > 0 && ` Nothing to set it with: ${a.without.join(', ')}.`}
    </Typography>
    {a.times.length > 0 && (
      <TakesDrawing
        steps={a.times.map(t => ({
          id: t.body,
          label: `${t.body}: ${t.option}`,
          seconds: t.seconds,
          band: t.band ?? [t.seconds, t.seconds],
          declared: t.band ? undefined : t.seconds,
          takes: [],
        }))}
      />
    )}
  </Box>
)
