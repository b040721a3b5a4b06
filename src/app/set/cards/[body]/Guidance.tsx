import type { CardView } from '@/server/cards'
import { TallLink } from '@/ui/links'
import { Box, Typography } from '@/ui/elements'

/** How to shoot, and what to try when it goes wrong, in this body's own words. */
export const Guidance = ({ body, guidance: { advice, rescues } }: { body: string; guidance: CardView['guidance'] }) => (
  <>
    {advice.length > 0 && (
      <Box component="section" aria-labelledby="how-to-shoot" sx={{ mt: 5 }}>
        <Typography variant="h2" id="how-to-shoot">
          How to shoot
        </Typography>
        {advice.map(({ title, text }) => (
          <Box key={title} sx={{ py: 1 }}>
            <Typography variant="strong">{title}</Typography>
            <Typography>{text}</Typography>
          </Box>
        ))}
      </Box>
    )}
    {rescues.length > 0 && (
      <Box component="section" aria-labelledby="when-it-goes-wrong" sx={{ mt: 5 }}>
        <Typography variant="h2" id="when-it-goes-wrong">
          When it goes wrong
        </Typography>
        {rescues.map(({ symptom, asked, remedies }) => (
          <Box key={symptom} sx={{ py: 1 }}>
            <Typography variant="strong">{symptom}</Typography>
            <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
              {remedies.map(({ text, here }) => (
                <li key={text}>
                  <Typography>
                    {text}
                    {here && (
                      <Typography component="span" variant="value">
                        {' '}
                        {here}
                      </Typography>
                    )}
                  </Typography>
                </li>
              ))}
            </Box>
            {asked && (
              <TallLink to="/work/rescues" more={{ body, symptom: asked }}>
                With this camera in hand
              </TallLink>
            )}
          </Box>
        ))}
      </Box>
    )}
  </>
)
