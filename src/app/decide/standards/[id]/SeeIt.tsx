'use client'

import { Typography } from '@mui/material'
import { refText, type Standard } from '@/core/standards'
import { KeptLink } from '@/ui/links'

/** Scenes in which a target shows what it does, and the settings that are turned around it. */
const SEEN: Readonly<Record<string, { readonly passage: string; readonly across: string; readonly down: string }>> = {
  'track.hold': { passage: 'clown-in-crowd', across: 'hold', down: 'response' },
  'track.response': { passage: 'silks-drop', across: 'response', down: 'hold' },
  'area.pattern': { passage: 'rope-walker', across: 'area', down: 'hold' },
  'area.size': { passage: 'rope-walker', across: 'area', down: 'hold' },
  'subject.class': { passage: 'curtain-call', across: 'area', down: 'hold' },
  'trigger.start': { passage: 'club-passing', across: 'hold', down: 'response' },
  'trigger.shutter': { passage: 'club-passing', across: 'hold', down: 'response' },
  'release.next': { passage: 'tumbling-pass', across: 'response', down: 'area' },
}

/** Leads from a target to a passage in which it can be seen. */
export const SeeIt = ({ dimensionId, standard }: { dimensionId: string; standard: Standard }) => {
  const more = SEEN[dimensionId]
  return (
    more && (
      <Typography variant="body2">
        <KeptLink
          to="/practise/rehearsal"
          more={{ ...more, standard: refText({ id: standard.id, version: standard.version }) }}
        >
          See it in a rehearsal
        </KeptLink>
      </Typography>
    )
  )
}
