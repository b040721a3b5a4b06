import { LinkButton } from '@/ui/links'
import { Empty, Page } from '@/ui/pieces'
import { Typography } from '@/ui/elements'

/** What there is to do where there is no job yet. */
export const NoJobYet = () => (
  <Page>
    <Typography variant="h1">Now and next</Typography>
    <Empty>There is no job yet. Plan one, and this page says what comes next.</Empty>
    <LinkButton variant="contained" to="/work/jobs">
      Plan a job
    </LinkButton>
  </Page>
)
