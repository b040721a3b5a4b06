'use client'

import type { TrialHeading } from '@/server/trials'
import { KeptLink } from '@/ui/links'
import { Eyebrow } from '@/ui/pieces'
import { useFetched } from '@/ui/use-fetched'
import { When } from '@/ui/When'
import { Box, Typography } from '@/ui/elements'

/** What the house's own trials say of a target, whatever common practice is. */
export const OwnTrials = ({ dimensionId }: { dimensionId: string }) => {
  const { value } = useFetched<{ readonly trials: readonly TrialHeading[] }>({ address: '/api/v1/trials' })
  const own = value?.trials.filter(t => t.about === dimensionId && t.counted > 0) ?? []
  if (own.length === 0) return null
  return (
    <Box component="section" aria-label="Your own trials">
      <Eyebrow component="h3">Your own trials</Eyebrow>
      {own.map(t => (
        <Box key={t.id} sx={{ mt: 0.5 }}>
          <KeptLink to={`/prove/trials/${t.id}`}>{t.name}</KeptLink>
          <Typography variant="body2">
            {t.says} {t.counted < t.planned && `(${t.counted} of ${t.planned} passes so far.) `}
            <When at={t.at} />
          </Typography>
        </Box>
      ))}
    </Box>
  )
}
