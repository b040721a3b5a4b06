import { Page, Wrap } from '@/ui/pieces'
import { LinkButton } from '@/ui/links'
import { Typography } from '@/ui/elements'

/** Where a code or a link leads to a card that is not there any more. */
export const NoSuchCard = () => (
  <Page>
    <Typography variant="h1">This card is not there any more</Typography>
    <Typography sx={{ my: 2, maxWidth: 'var(--line)' }}>
      The unit, the body or the standard that this code was printed for is gone, or has another name. What was ticked
      before is kept with the unit. Choose the card again, and print a new code.
    </Typography>
    <Wrap>
      <LinkButton isAfresh to="/set/cards" variant="contained">
        Choose a card
      </LinkButton>
      <LinkButton isAfresh to="/keep/readiness">
        See which units are ready
      </LinkButton>
    </Wrap>
  </Page>
)
