'use client'

import { Box, Button, Typography } from '@mui/material'
import { useSearchParams } from 'next/navigation'
import type { HandoverStep } from '@/core/controls/handover'
import type { HandoverView } from '@/server/controls'
import { linkTo } from '@/ui/address'
import { MenuPath, Page } from '@/ui/pieces'
import { LinkButton } from '@/ui/Shell'

/** A small card: what to change before somebody else takes the camera, and what to change back. */
export const HandoverCard = ({ handover: { body, standard, there, back, lacking } }: { handover: HandoverView }) => {
  const params = useSearchParams()
  return (
    <Page sx={{ maxWidth: 560 }}>
      <Typography color="textSecondary">
        {body.maker} · firmware {body.firmware}
      </Typography>
      <Typography variant="h1">{body.model} for a stranger</Typography>
      <Typography color="textSecondary" sx={{ mt: 0.5 }}>
        From {standard.name}, version {standard.version}: half-press focuses, and the camera looks for itself.
      </Typography>
      {lacking.map(l => (
        <Typography key={l} color="secondary" sx={{ mt: 1 }}>
          This body cannot: {l}
        </Typography>
      ))}
      <Steps title="Before you hand it over" steps={there} none="Nothing: anybody can use it as it is." />
      <Steps title="When it is back" steps={back} none="Nothing." />
      <Box className="no-print" sx={{ display: 'flex', gap: 1, mt: 3 }}>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
        <LinkButton href={linkTo('/set/controls', params, {})}>All control maps</LinkButton>
      </Box>
    </Page>
  )
}

const Steps = ({ title, steps, none }: { title: string; steps: readonly HandoverStep[]; none: string }) => (
  <Box component="section" aria-label={title} sx={{ mt: 3 }}>
    <Typography variant="h2">{title}</Typography>
    {steps.length === 0 && <Typography sx={{ mt: 1 }}>{none}</Typography>}
    <Box component="ol" sx={{ m: 0, mt: 1, pl: 3 }}>
      {steps.map(s => (
        <Box component="li" key={s.setting} sx={{ py: 0.75 }}>
          <Typography sx={{ fontWeight: 650 }}>
            {s.setting}: {s.to}
          </Typography>
          <MenuPath path={s.path} />
        </Box>
      ))}
    </Box>
  </Box>
)
