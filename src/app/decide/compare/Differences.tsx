import { dimension } from '@/core/vocabulary/dimensions'
import { gradeOf } from '@/core/vocabulary/grade'
import { toleranceWords, valueWords } from '@/core/vocabulary/words'
import type { EffectiveTarget } from '@/core/standards'
import type { ComparisonView } from '@/server/standards'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { Box, Typography } from '@/ui/elements'

const wanted = (t: EffectiveTarget): string => {
  const d = dimension(t.dimension)
  return `${valueWords(d, t.value)}${t.tolerance === undefined ? '' : ` ${toleranceWords(d, t.tolerance)}`} · ${t.weight}`
}

/** What differs between two versions by what they mean: the upper stroke is the former, the lower the latter. */
export const Differences = ({ comparison: c }: { comparison: ComparisonView }) => {
  if (c.targets.length + c.layers.length === 0)
    return <Typography sx={{ mt: 1 }}>They ask for exactly the same, however it is written.</Typography>
  return (
    <Box>
      {c.layers.map(l => (
        <Typography key={l} sx={{ mt: 0.5 }}>
          {l}
        </Typography>
      ))}
      {c.targets.map(t => (
        <Box
          key={t.dimension}
          sx={{
            display: 'grid',
            gridTemplateColumns: '40px 1fr',
            gap: 1.5,
            py: 1,
            borderBottom: 1,
            borderColor: 'divider',
          }}
        >
          <Box sx={{ pt: 0.75 }}>
            <AlignmentMark grade={t.kind === 'changed' ? gradeOf(t.apart) : 'missing'} distance={t.apart} bare />
          </Box>
          <Box>
            <Typography variant="strong">{dimension(t.dimension).label}</Typography>
            {t.kind === 'added' ? (
              <Typography variant="value">{wanted(t.after)}; nothing was asked before</Typography>
            ) : t.kind === 'removed' ? (
              <Typography variant="value">not asked any more; it was {wanted(t.before)}</Typography>
            ) : (
              <>
                {t.in.some(i => i === 'value' || i === 'weight' || i === 'tolerance') && (
                  <>
                    <Typography variant="value" component="div" color="textSecondary">
                      {wanted(t.before)}
                    </Typography>
                    <Typography variant="value" component="div">
                      {wanted(t.after)}
                    </Typography>
                  </>
                )}
                {t.in.includes('layer') && (
                  <Typography variant="body2" color="textSecondary">
                    now from {t.after.from.layer}, before from {t.before.from.layer}
                  </Typography>
                )}
              </>
            )}
            {t.kind !== 'removed' && (t.kind === 'added' || t.in.includes('reason')) && (
              <Typography variant="body2">{t.after.reason}</Typography>
            )}
          </Box>
        </Box>
      ))}
    </Box>
  )
}
