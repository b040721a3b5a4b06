'use client'

import { Button } from '@mui/material'
import { useState } from 'react'
import type { StandardHeading } from '@/server/catalogue'
import { Empty, Page, PlainList, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { STATE_WORDS, VersionMark } from '@/ui/versions'
import { NewStandard } from './NewStandard'
import { StandardImport } from './StandardImport'
import { KeptLink } from '@/ui/links'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

type Listed = StandardHeading & {
  readonly about: string
  readonly layers: readonly { readonly name: string; readonly isOwn: boolean; readonly for: boolean }[]
}

/** Every standard of the house, what it stands on, and the version that counts. */
export const StandardList = ({ standards }: { standards: readonly Listed[] }) => {
  const [isNew, setNew] = useState(false)
  const { send, problem } = useSend()
  const makeUsual = (id: string) =>
    send('PUT', `/api/v1/standards/${id}/usual`, { seen: standards.find(s => s.isUsual)?.id ?? null })
  return (
    <Page>
      <Wrap sx={{ alignItems: 'center' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Standards
        </Typography>
        <StandardImport />
        <Button variant="contained" onClick={() => setNew(true)}>
          New standard
        </Button>
      </Wrap>
      <Typography color="textSecondary" sx={{ mt: 0.5, mb: 2 }}>
        What focus should do for a kind of work, said once. Each stands on the one below it and states only what it
        changes.
      </Typography>
      <Trouble words={problem} />
      {standards.length === 0 && (
        <Empty>No standard yet. Begin one and answer the guide’s questions, or take one from a file.</Empty>
      )}
      <PlainList component="ul">
        {standards.map(s => (
          <Box
            component="li"
            key={s.id}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', md: '1fr var(--side-narrow) var(--field)' },
              gap: { xs: 0.5, md: 3 },
              py: 1.5,
              borderTop: 1,
              borderColor: 'divider',
            }}
          >
            <div>
              <Typography
                variant="h3"
                component={KeptLink}
                to={`/decide/standards/${s.id}`}
                sx={{ color: 'text.primary', display: 'inline-block', py: 0.5 }}
              >
                {s.name}
              </Typography>
              <Typography color="textSecondary">{s.about}</Typography>
            </div>
            <Typography variant="body2" component="div" sx={{ pt: { md: 0.75 } }}>
              {s.layers.map((l, i) => (
                <Box component="span" key={l.name} sx={{ fontWeight: l.isOwn ? 650 : 400 }}>
                  {i > 0 && <span aria-hidden> › </span>}
                  {l.name}
                </Box>
              ))}
            </Typography>
            <Box sx={{ pt: { md: 0.75 } }}>
              <VersionMark version={s.version} state={s.state} />
              {s.isUsual ? (
                <Typography variant="body2" color="textSecondary">
                  the usual one: in hand where nobody chose another
                </Typography>
              ) : (
                <Button
                  size="small"
                  sx={{ ml: -0.75 }}
                  aria-label={`Make ${s.name} the usual one`}
                  onClick={() => void makeUsual(s.id)}
                >
                  Make it the usual one
                </Button>
              )}
              {s.open && (
                <Typography variant="body2">
                  <KeptLink
                    to={`/decide/standards/${s.id}`}
                    more={{ version: String(s.open.version) }}
                    style={{ color: 'inherit' }}
                  >
                    version {s.open.version} is {STATE_WORDS[s.open.state]}
                  </KeptLink>
                </Typography>
              )}
            </Box>
          </Box>
        ))}
      </PlainList>
      {isNew && <NewStandard standards={standards} onClose={() => setNew(false)} />}
    </Page>
  )
}
