import type { CardView } from '@/server/cards'
import { PlainList } from '@/ui/pieces'
import { KeptLink } from '@/ui/links'
import { Box, Typography } from '@/ui/elements'

/** What is to be set for each lens on this body, and where it is sharpest. */
export const WithLenses = ({ lenses }: { lenses: CardView['lenses'] }) =>
  lenses.length === 0 ? null : (
    <Box component="section" aria-labelledby="with-lenses" sx={{ mt: 5 }}>
      <Typography variant="h2" id="with-lenses">
        With these lenses
      </Typography>
      <PlainList component="ul">
        {lenses.map(l => (
          <Typography component="li" key={l.id} sx={{ py: 0.5 }}>
            <KeptLink to={`/name/lenses/${l.id}`}>{l.name}</KeptLink>: {l.words}
          </Typography>
        ))}
      </PlainList>
    </Box>
  )
