'use client'

import { Alert, Button } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import type { LensTestView } from '@/server/lens-tests'
import { linkTo } from '@/ui/address'
import { LinkButton } from '@/ui/links'
import { Page, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { When } from '@/ui/When'
import { ApertureResult } from './ApertureResult'
import { FocusFound } from './FocusFound'
import { Typography } from '@/ui/elements'

/** What a test of a lens comes to, and keeping it. */
export const LensTestResult = ({ view }: { view: LensTestView }) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const { test, lens, body, focus, sharpness } = view
  const throwAway = async () => {
    const sent = await send('PATCH', `/api/v1/lens-tests/${view.id}`, { thrownAway: true })
    if (sent.ok) router.push(linkTo('/prove/bench', params))
  }
  const keep = () => send('PUT', `/api/v1/lens-tests/${view.id}/kept`, { revision: lens.revision })
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
      <Trouble words={problem} sx={{ mt: 2 }} />
      <Wrap sx={{ mt: 3 }}>
        {!view.keptAt && view.writes && (
          <Button variant="contained" disabled={isBusy} onClick={() => void keep()}>
            Keep on {lens.model}: {view.writes}
          </Button>
        )}
        <LinkButton to={`/name/lenses/${lens.id}`}>The lens</LinkButton>
        {focus && <LinkButton to="/prove/bench/focus">Another test</LinkButton>}
        {!view.keptAt && (
          <Button disabled={isBusy} onClick={() => void throwAway()}>
            Throw it away
          </Button>
        )}
        <Button component="a" href={`/api/v1/lens-tests/${view.id}`} download={`lens-test-${view.id}.json`}>
          As a file
        </Button>
      </Wrap>
    </Page>
  )
}
