import { Page } from '@/ui/pieces'
import { LinkButton } from '@/ui/links'
import { Box, Typography } from '@/ui/elements'

export const NothingHere = () => (
  <Page>
    <Typography variant="h1">There is nothing at this address</Typography>
    <Typography sx={{ my: 2 }}>The body or unit may be gone, or the link may be cut off.</Typography>
    <Box sx={{ display: 'flex', gap: 1 }}>
      <LinkButton isAfresh to="/name/bodies">
        See all bodies
      </LinkButton>
      <LinkButton isAfresh to="/">
        Go to the first view
      </LinkButton>
    </Box>
  </Page>
)
