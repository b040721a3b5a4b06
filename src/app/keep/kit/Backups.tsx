import { Alert } from '@mui/material'
import type { BackupView } from '@/server/backups'
import { When } from '@/ui/When'
import { Box, Typography } from '@/ui/elements'

/** When all of this was last copied to a safe place. */
export const Backups = ({ last, bytes, kept, trouble }: BackupView) => (
  <Box component="section" aria-labelledby="backups" sx={{ mt: 5 }}>
    <Typography variant="h2" id="backups">
      Backups
    </Typography>
    {trouble !== undefined && (
      <Alert severity="error" sx={{ mt: 1 }}>
        The last attempt failed: {trouble}
      </Alert>
    )}
    <Typography sx={{ mt: 0.5, maxWidth: 'var(--line)' }}>
      {last === undefined ? (
        'None yet. The first is made a moment after the server starts, then one every hour.'
      ) : (
        <>
          The last good one is of <When at={last} />, opened and counted, {Math.max(1, Math.round(bytes / 1024))} kB.{' '}
          {kept} {kept === 1 ? 'is' : 'are'} kept on the machine that serves this: copy them to another one.
        </>
      )}
    </Typography>
  </Box>
)
