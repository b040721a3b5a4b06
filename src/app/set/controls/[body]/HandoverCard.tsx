'use client'

import { Button } from '@mui/material'
import type { HandoverStep } from '@/core/handover/handover'
import type { HandoverView } from '@/server/controls'
import { MenuPath, Page } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { PrintButton } from '@/ui/PrintButton'
import { LinkButton } from '@/ui/links'
import { When } from '@/ui/When'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

/** A small card: what to change before somebody else takes the camera, and what to change back. */
export const HandoverCard = ({
  handover: { body, standard, units, there, back, lacking },
}: {
  handover: HandoverView
}) => {
  return (
    <Page sx={{ maxWidth: 'var(--narrow)' }}>
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
      {units.length > 0 && (
        <Box component="section" aria-label="Units" className="no-print" sx={{ mt: 3 }}>
          <Typography variant="h2">Which one is away?</Typography>
          {units.map(u => (
            <Unit key={u.id} unit={u} />
          ))}
        </Box>
      )}
      <Box className="no-print" sx={{ display: 'flex', gap: 1, mt: 3 }}>
        <PrintButton contained />
        <LinkButton to="/set/controls">All control maps</LinkButton>
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
          <Typography variant="strong">
            {s.setting}: {s.to}
          </Typography>
          <MenuPath path={s.path} />
        </Box>
      ))}
    </Box>
  </Box>
)

/** Marked when it is handed over, so that nobody forgets to set it back. */
const Unit = ({ unit }: { unit: HandoverView['units'][number] }) => {
  const { send, problem } = useSend()
  const mark = (handedOver: boolean) => send('PUT', `/api/v1/units/${unit.id}/handover`, { handedOver })
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 2, minHeight: 'var(--row)' }}>
      <Typography variant="value" sx={{ fontWeight: 'fontWeightMedium' }}>
        {unit.tag}
      </Typography>
      <Typography variant="body2" sx={{ flex: 1 }}>
        {unit.handedOver && (
          <>
            handed over <When at={unit.handedOver.at} />
            {unit.handedOver.by && `, ${unit.handedOver.by}`}
          </>
        )}
      </Typography>
      <Button
        variant={unit.handedOver ? 'contained' : 'outlined'}
        aria-label={`${unit.tag} ${unit.handedOver ? 'is back' : 'is handed over'}`}
        onClick={() => void mark(!unit.handedOver)}
      >
        {unit.handedOver ? 'Set back' : 'Handed over'}
      </Button>
      <Trouble words={problem} />
    </Box>
  )
}
