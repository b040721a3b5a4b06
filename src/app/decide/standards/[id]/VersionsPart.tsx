'use client'

import { Alert, Button, LinearProgress, TextField } from '@mui/material'
import { useState } from 'react'
import { refText } from '@/core/standards'
import type { StandardHeading } from '@/server/catalogue'
import type { EffectView } from '@/server/standard-effect'
import type { ComparisonView, StandardView as View, VersionState } from '@/server/standards'
import { Choice } from '@/ui/Choice'
import { KeptLink, LinkButton } from '@/ui/links'
import { STATE_WORDS } from '@/ui/versions'
import { When } from '@/ui/When'
import { Differences } from '../../compare/Differences'
import { WhatItWillDo } from './WhatItWillDo'
import { useSend } from '@/ui/use-send'
import { useFetched } from '@/ui/use-fetched'
import { PlainList, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { Box, Typography } from '@/ui/elements'

/** The versions of a standard: what differs between two, what approving one will do, and the approval itself. */
export const VersionsPart = ({
  view,
  standards,
  mending,
  revision,
  isSaved,
}: {
  view: View
  standards: readonly StandardHeading[]
  /** What has to be mended before an approval. */
  mending: readonly string[]
  revision: number
  isSaved: boolean
}) => {
  const { version } = view.document
  const inForce = view.versions.find(v => v.state === 'approved')
  const previous =
    inForce?.version === version ? view.versions.find(v => v.version < version)?.version : inForce?.version
  const [against, setAgainst] = useState(previous === undefined ? '' : refText({ id: view.id, version: previous }))
  const here = refText({ id: view.id, version })
  const others = [
    ...view.versions
      .filter(v => v.version !== version)
      .map(v => ({
        ref: refText({ id: view.id, version: v.version }),
        label: `version ${v.version}, ${STATE_WORDS[v.state]}`,
      })),
    ...standards.filter(s => s.id !== view.id).map(s => ({ ref: s.id, label: s.name })),
  ]
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' }, gap: 5 }}>
      <Box>
        <Moves view={view} mending={mending} revision={revision} isSaved={isSaved} />
        <Typography variant="h2" sx={{ mt: 4 }}>
          Versions
        </Typography>
        <VersionList view={view} />
      </Box>
      <Box>
        <Typography variant="h2">What differs</Typography>
        <Choice
          label="Compared with"
          value={against}
          onChange={setAgainst}
          sx={{ my: 1.5, minWidth: 'var(--field)' }}
          options={others.map(o => ({ id: o.ref, name: o.label }))}
        />
        {against && <Compared before={against} after={here} revision={revision} />}
      </Box>
    </Box>
  )
}

const Compared = ({ before, after, revision }: { before: string; after: string; revision: number }) => {
  const query = new URLSearchParams({ before, after }).toString()
  const { value, problem } = useFetched<ComparisonView>({ address: `/api/v1/comparisons?${query}`, at: revision })
  if (problem) return <Alert severity="error">{problem}</Alert>
  return value ? <Differences comparison={value} /> : <LinearProgress aria-label="Comparing" />
}

const VersionList = ({ view }: { view: View }) => {
  return (
    <PlainList component="ul">
      {view.versions.map(v => (
        <Box component="li" key={v.version} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
          <Typography>
            <KeptLink
              to={`/decide/standards/${view.id}`}
              more={{ version: String(v.version), part: 'versions' }}
              aria-current={v.version === view.document.version ? 'true' : undefined}
              style={{ color: 'inherit', fontWeight: v.version === view.document.version ? 700 : 400 }}
            >
              Version {v.version}
            </KeptLink>
            , {STATE_WORDS[v.state]}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            <When at={v.at} />
            {v.approver && ` · ${v.approver}`}
            {v.why && ` · ${v.why}`}
          </Typography>
        </Box>
      ))}
    </PlainList>
  )
}

/** Sends a version on its way, after saying what that will do. */
const Moves = ({
  view,
  mending,
  revision,
  isSaved,
}: {
  view: View
  mending: readonly string[]
  revision: number
  isSaved: boolean
}) => {
  const [why, setWhy] = useState('')
  const { send, problem } = useSend()
  const { version } = view.document
  const address = `/api/v1/standards/${view.id}/versions/${version}`
  const move = async (state: VersionState) => {
    await send('POST', `${address}/state`, { state, why, revision })
  }
  if (view.state === 'retired')
    return <Typography>Version {version} is retired. It stays as it was, for whoever looks back.</Typography>
  if (view.state === 'approved')
    return (
      <Box>
        <Typography variant="h2">Version {version} counts</Typography>
        <Typography sx={{ mt: 1 }}>
          It never changes. Begin a new draft to change something; approving that one retires this one.
        </Typography>
        <Wrap sx={{ mt: 1 }}>
          <LinkButton to="/keep/readiness" more={{ standard: view.id }}>
            Which units owe a card
          </LinkButton>
          <Button variant="outlined" onClick={() => void move('retired')}>
            Retire version {version}
          </Button>
        </Wrap>
        <Trouble words={problem} />
      </Box>
    )
  const canApprove = mending.length === 0 && isSaved
  return (
    <Box>
      <Typography variant="h2">What approving version {version} will do</Typography>
      {mending.length > 0 && (
        <Alert severity="warning" sx={{ mt: 1 }}>
          Before that:
          <ul style={{ margin: 0, paddingLeft: 18 }}>
            {mending.map(m => (
              <li key={m}>{m}</li>
            ))}
          </ul>
        </Alert>
      )}
      <Effect address={`${address}/effect`} revision={revision} />
      <TextField
        fullWidth
        label="Why is it approved?"
        value={why}
        onChange={e => setWhy(e.target.value)}
        sx={{ mt: 2 }}
        slotProps={{ htmlInput: { maxLength: 400 } }}
      />
      <Wrap sx={{ mt: 1.5 }}>
        <Button variant="contained" disabled={!canApprove || !why.trim()} onClick={() => void move('approved')}>
          Approve version {version}
        </Button>
        {view.state === 'draft' ? (
          <Button variant="outlined" disabled={!canApprove} onClick={() => void move('in-review')}>
            Send for review
          </Button>
        ) : (
          <Button variant="outlined" onClick={() => void move('draft')}>
            Send back to draft
          </Button>
        )}
        <Button onClick={() => void move('retired')}>Give version {version} up</Button>
      </Wrap>
      <Trouble words={problem} sx={{ mt: 1 }} />
    </Box>
  )
}

const Effect = ({ address, revision }: { address: string; revision: number }) => {
  const { value, problem } = useFetched<EffectView>({ address, at: revision })
  if (problem) return <Alert severity="error">{problem}</Alert>
  return value ? (
    <WhatItWillDo effect={value} />
  ) : (
    <LinearProgress aria-label="Reckoning what it will do" sx={{ my: 2 }} />
  )
}
