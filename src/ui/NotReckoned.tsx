import { Alert } from '@mui/material'
import type { SxProps } from '@mui/material'
import type { Theme } from '@mui/material/styles'

/** Bodies that cannot be reckoned, beside those that can; what hinders it is in their profile. */
export const NotReckoned = ({
  failed,
  sx = { mx: 2.5, mb: 1 },
}: {
  failed: readonly { readonly body: string; readonly why: string }[]
  sx?: SxProps<Theme>
}) =>
  failed.map(f => (
    <Alert key={f.body} severity="error" sx={sx}>
      {f.body} cannot be reckoned: {f.why.replace(/\.$/, '')}. Simplify the rules in its profile, or leave it out of the
      bodies in hand.
    </Alert>
  ))
