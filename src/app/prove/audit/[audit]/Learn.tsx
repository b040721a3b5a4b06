'use client'

import { Alert, Button } from '@mui/material'
import { useState } from 'react'
import type { AuditView } from '@/server/audits'
import { KeptLink } from '@/ui/links'
import { PlainList, Section } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { When } from '@/ui/When'
import { Typography } from '@/ui/elements'

/** What would be known otherwise of the cameras, and a way to have it known. */
export const Learn = ({ view }: { view: AuditView }) => {
  const { send, isBusy, problem } = useSend()
  const [isDone, setDone] = useState(false)
  const units = [...new Set(view.learned.map(l => l.unit))]
  const take = async () => {
    const sent = await send('POST', `/api/v1/audits/${view.id}/lives`, { takenOver: true })
    if (sent.ok) setDone(true)
  }
  if (!view.audit.units.some(u => u.sights.length > 0)) return null
  return (
    <Section title="What is known of the cameras">
      {view.learned.length === 0 ? (
        <Typography sx={{ maxWidth: 'var(--line)' }}>
          {view.takenOverAt ? (
            <>
              What these pictures show was written into the lives of their cameras on <When at={view.takenOverAt} />.
            </>
          ) : (
            'What these pictures show is known already, or something newer is.'
          )}
        </Typography>
      ) : (
        <>
          <Typography sx={{ maxWidth: 'var(--line)' }}>
            The last pictures show something else than is known of these cameras. Written into its life, each at the
            time of its picture, Readiness goes by it; what is known from later stays as it is.
          </Typography>
          <PlainList component="ul" sx={{ my: 1.5, maxWidth: 'var(--line)' }}>
            {units.map(unit => {
              const names = view.names[unit]
              const mine = view.learned.filter(l => l.unit === unit)
              return (
                <Typography
                  component="li"
                  key={unit}
                  sx={{ py: 0.75, borderBottom: 1, borderColor: 'divider', overflowWrap: 'anywhere' }}
                >
                  <KeptLink to={`/keep/kit/${unit}`}>{names?.tag ?? unit}</KeptLink>:{' '}
                  {mine
                    .map(l => {
                      const setting = names?.settings[l.setting]
                      const option = (id: string) => setting?.options[id] ?? id
                      const was = l.from === undefined ? 'not known until now' : `known as ${option(l.from)}`
                      return `${setting?.label ?? l.setting} at ${option(l.to)} (${was})`
                    })
                    .join('; ')}
                </Typography>
              )
            })}
          </PlainList>
          <Button variant="contained" disabled={isBusy} onClick={() => void take()}>
            Write it into {units.length === 1 ? 'its life' : `the lives of ${units.length} cameras`}
          </Button>
        </>
      )}
      <Trouble words={problem} sx={{ mt: 1 }} />
      {isDone && (
        <Alert severity="success" sx={{ mt: 1, maxWidth: 'var(--line)' }}>
          Written. <KeptLink to="/keep/readiness">Readiness</KeptLink> goes by it; in the life of each camera it can be
          taken back.
        </Alert>
      )}
    </Section>
  )
}
