import { LinkButton } from '@/ui/links'
import { Page } from '@/ui/pieces'
import { Typography } from '@/ui/elements'

/** Practice is with a body in hand. */
export const NoBodyYet = () => (
  <Page>
    <Typography variant="h1">No body to practise with yet</Typography>
    <Typography sx={{ my: 2 }}>
      Write down the first body and take a standard; its keys and menus are practised then.
    </Typography>
    <LinkButton to="/name/bodies/new" variant="contained">
      Add a body
    </LinkButton>
  </Page>
)
