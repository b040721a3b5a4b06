import { Alert, Button } from '@mui/material'
import type { LensTestView } from '@/server/lens-tests'
import { KeepOrThrow } from '@/ui/KeepOrThrow'
import { LinkButton } from '@/ui/links'
import { Page } from '@/ui/pieces'
import { When } from '@/ui/When'
import { ApertureResult } from './ApertureResult'
import { FocusFound } from './FocusFound'
import { Typography } from '@/ui/elements'

/** What a test of a lens comes to, and keeping it. */
export const LensTestResult = ({ view }: { view: LensTestView }) => {
  const { test, lens, body, focus, sharpness } = view
  const address = `/api/v1/lens-tests/${view.id}`
  return (
    <Page>
      <Typography color="textSecondary">
        {lens.name} on {body.name} · firmware {test.firmware}
        {test.unit && ` · ${test.unit}`}
        {test.focalMm && ` · ${test.focalMm} mm`} · {test.on}
      </Typography>
      {focus && <FocusFound focus={focus} adjustment={view.adjustment} test={test} />}
      {sharpness && <ApertureResult sharpness={sharpness} />}
      {view.keptAt && (
        <Alert severity="success" sx={{ mt: 2, maxWidth: 'var(--line)' }}>
          Kept on {lens.model} since <When at={view.keptAt} />: {view.writes}.
        </Alert>
      )}
      <KeepOrThrow
        address={address}
        isKept={Boolean(view.keptAt)}
        keep={view.writes ? { label: `Keep on ${lens.model}: ${view.writes}`, revision: lens.revision } : undefined}
        back="/prove/bench"
      >
        <LinkButton to={`/name/lenses/${lens.id}`}>The lens</LinkButton>
        {focus && <LinkButton to="/prove/bench/focus">Another test</LinkButton>}
        <Button component="a" href={address} download={`lens-test-${view.id}.json`}>
          As a file
        </Button>
      </KeepOrThrow>
    </Page>
  )
}
