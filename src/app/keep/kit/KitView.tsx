'use client'

import { Alert, Button, TextField, ToggleButton, ToggleButtonGroup } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useState } from 'react'
import { isOverdue, type Model } from '@/core/kit/units'
import { folded } from '@/core/language/language'
import type { BackupView } from '@/server/backups'
import type { Carrier } from '@/server/carriers'
import type { UnitView } from '@/server/kit'
import { Page, Wrap } from '@/ui/pieces'
import { PutAway, type PutAwayThing } from '@/ui/PutAway'
import { Backups } from './Backups'
import { Carriers } from './Carriers'
import { type Done, UnitDialog } from './UnitDialog'
import { UnitImport } from './UnitImport'
import { KeptLink } from '@/ui/links'
import { Box, Typography } from '@/ui/elements'

const Row = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '96px minmax(180px, 1.2fr) 110px 84px minmax(140px, 1fr) minmax(140px, 1.2fr) 64px',
  gap: theme.spacing(0.5, 2),
  alignItems: 'center',
  minHeight: 'var(--touch)',
  padding: theme.spacing(0.5, 1),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  '&[role="row"]:hover': { background: theme.vars?.palette.own.marigold.wash },
  [theme.breakpoints.down('md')]: { gridTemplateColumns: '1fr', paddingBlock: theme.spacing(1.25) },
}))

const KINDS = [
  { id: 'both', label: 'All' },
  { id: 'body', label: 'Bodies' },
  { id: 'lens', label: 'Lenses' },
] as const

const HEADINGS = ['Tag', 'Model', 'Serial', 'Firmware', 'Owner', 'Notes', '']

/** Every body and lens the team owns or hires. */
export const KitView = ({
  units,
  models,
  carriers,
  handedOver,
  putAway,
  backups,
  today,
}: {
  units: readonly UnitView[]
  models: readonly Model[]
  carriers: readonly Carrier[]
  /** Ids of the units that are set for a stranger just now. */
  handedOver: readonly string[]
  putAway: readonly PutAwayThing[]
  backups: BackupView
  today: string
}) => {
  const [filter, setFilter] = useState('')
  const [kind, setKind] = useState<UnitView['kind'] | 'both'>('both')
  const [editing, setEditing] = useState<UnitView | 'new'>()
  const [done, setDone] = useState<Done>()
  const undo = async () => {
    await done?.undo()
    setDone(undefined)
  }
  const words = folded(filter).split(/\s+/).filter(Boolean)
  const shown = units.filter(u => {
    if (kind !== 'both' && u.kind !== kind) return false
    const text = folded([u.tag, u.modelName, u.serial, u.firmware, u.owner, u.notes].join(' '))
    return words.every(w => text.includes(w))
  })
  return (
    <Page>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', justifyContent: 'space-between', gap: 2, mb: 2 }}>
        <Typography variant="h1">Kit</Typography>
        <Wrap sx={{ alignItems: 'flex-start' }}>
          <Button href="/api/v1/units?as=csv">Save as CSV</Button>
          <Button href="/api/v1/units?as=xlsx">Save as XLSX</Button>
          <Button variant="contained" disabled={models.length === 0} onClick={() => setEditing('new')}>
            Add a unit
          </Button>
        </Wrap>
      </Box>
      <UnitImport />
      {done && (
        <Alert
          severity="success"
          sx={{ mt: 1 }}
          action={
            <Button color="inherit" onClick={() => void undo()}>
              Undo
            </Button>
          }
        >
          {done.words}
        </Alert>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', my: 2 }}>
        <TextField
          label="Find a tag, a model, a serial, an owner"
          value={filter}
          onChange={e => setFilter(e.target.value)}
          sx={{ width: 420, maxWidth: '100%' }}
        />
        <ToggleButtonGroup
          exclusive
          size="small"
          value={kind}
          onChange={(_, next: typeof kind | null) => next && setKind(next)}
          aria-label="Kind"
        >
          {KINDS.map(k => (
            <ToggleButton key={k.id} value={k.id} sx={{ minHeight: 'var(--touch)', px: 2 }}>
              {k.label}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Typography color="textSecondary">
          {shown.length === units.length ? `${units.length} units` : `${shown.length} of ${units.length} units`}
        </Typography>
      </Box>
      {units.length === 0 && (
        <Typography>
          No unit yet. Add one, or take them from a spreadsheet with the columns Tag, Kind, Model, Serial, Firmware,
          Owner, Hired until and Notes.
        </Typography>
      )}
      {units.length > 0 && shown.length === 0 && (
        <Typography>
          {filter
            ? `Nothing in the kit matches “${filter}”.`
            : `There are no ${kind === 'lens' ? 'lenses' : 'bodies'} in the kit.`}
        </Typography>
      )}
      {shown.length > 0 && (
        <Box role="table" aria-label="Units">
          <Row role="row" sx={{ display: { xs: 'none', md: 'grid' } }}>
            {HEADINGS.map(h => (
              <Typography key={h} role="columnheader" variant="body2" color="textSecondary">
                {h || <span className="visually-hidden">Edit</span>}
              </Typography>
            ))}
          </Row>
          {shown.map(u => (
            <Row key={u.id} role="row">
              <Typography role="cell" variant="value" sx={{ fontWeight: 700 }}>
                {u.tag}
              </Typography>
              <Typography role="cell">
                <KeptLink
                  to={`/name/${u.kind === 'body' ? 'bodies' : 'lenses'}/${u.model}`}
                  style={{ color: 'inherit' }}
                >
                  {u.modelName}
                </KeptLink>
              </Typography>
              <Typography role="cell" variant="value">
                {u.serial}
              </Typography>
              <Typography role="cell" variant="value">
                {u.firmware || <span aria-label="none">–</span>}
              </Typography>
              <Typography role="cell" variant="body2" color={isOverdue(u, today) ? 'error' : 'textPrimary'}>
                {u.owner}
                {u.hiredUntil && (
                  <>
                    <br />
                    {isOverdue(u, today) ? `was due back ${u.hiredUntil}` : `hired until ${u.hiredUntil}`}
                  </>
                )}
              </Typography>
              <Typography role="cell" variant="body2" color="textSecondary">
                {handedOver.includes(u.id) && (
                  <KeptLink to={`/set/controls/${u.model}`} style={{ color: 'inherit', fontWeight: 700 }}>
                    Handed over: to be set back.{' '}
                  </KeptLink>
                )}
                {u.notes}
              </Typography>
              <Box role="cell">
                <Button size="small" onClick={() => setEditing(u)} aria-label={`Edit ${u.tag}`}>
                  Edit
                </Button>
              </Box>
            </Row>
          ))}
        </Box>
      )}
      <PutAway things={putAway} addressOf={id => ['PATCH', `/api/v1/units/${id}`]} />
      <Carriers carriers={carriers} units={units} />
      <Backups {...backups} />
      {editing && (
        <UnitDialog
          unit={editing === 'new' ? undefined : editing}
          models={models}
          onClose={() => setEditing(undefined)}
          onDone={setDone}
        />
      )}
    </Page>
  )
}
