'use client'

import { Alert, Button, TextField, ToggleButton, ToggleButtonGroup } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useState } from 'react'
import { isOverdue, type Model } from '@/core/kit/units'
import { folded } from '@/core/language/language'
import type { BackupView } from '@/server/backups'
import type { Carrier } from '@/server/carriers'
import type { UnitView } from '@/server/kit'
import { Empty, Page, Wrap } from '@/ui/pieces'
import { PutAway, type PutAwayThing } from '@/ui/PutAway'
import { Backups } from './Backups'
import { Carriers } from './Carriers'
import { type Done, UnitDialog } from './UnitDialog'
import { UnitImport } from './UnitImport'
import { KeptLink } from '@/ui/links'
import { Box, Typography } from '@/ui/elements'
import { type Column, ListHead, ListTable } from '@/ui/ListTable'

const Units = styled(ListTable)(({ theme }) => ({
  '& tbody tr:hover': { background: theme.vars?.palette.own.marigold.wash },
  [theme.breakpoints.down('md')]: {
    '&, & tbody': { display: 'block' },
    '& thead': { display: 'none' },
    '& tr': { display: 'grid', height: 'auto', paddingBlock: theme.spacing(1.25) },
    '& td': { padding: theme.spacing(0.25, 1) },
    // The word of the button stands where the others begin.
    '& td:last-of-type': { marginLeft: theme.spacing(-2.5) },
  },
}))

const KINDS = [
  { id: 'both', label: 'All' },
  { id: 'body', label: 'Bodies' },
  { id: 'lens', label: 'Lenses' },
] as const

const COLUMNS: readonly Column[] = [
  { heading: 'Tag', width: 112 },
  { heading: 'Model' },
  { heading: 'Serial', width: 126 },
  { heading: 'Firmware', width: 100 },
  { heading: 'Owner' },
  { heading: 'Notes' },
  { heading: 'Edit', width: 80, isHeadingHidden: true },
]

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
          sx={{ width: 'var(--field-long)', maxWidth: '100%' }}
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
        <Empty>
          {models.length === 0
            ? 'No unit yet, and no body or lens that one could be of: those come first, in Name.'
            : 'No unit yet. Add one, or take them from a spreadsheet with the columns Tag, Kind, Model, Serial, Firmware, Owner, Hired until and Notes.'}
        </Empty>
      )}
      {units.length > 0 && shown.length === 0 && (
        <Typography>
          {filter
            ? `Nothing in the kit matches “${filter}”.`
            : `There are no ${kind === 'lens' ? 'lenses' : 'bodies'} in the kit.`}
        </Typography>
      )}
      {shown.length > 0 && (
        <Units aria-label="Units">
          <ListHead columns={COLUMNS} />
          <tbody>
            {shown.map(u => (
              <tr key={u.id}>
                <Typography component="td" variant="value" sx={{ fontWeight: 'fontWeightMedium' }}>
                  {u.tag}
                </Typography>
                <Typography component="td">
                  <KeptLink
                    to={`/name/${u.kind === 'body' ? 'bodies' : 'lenses'}/${u.model}`}
                    style={{ color: 'inherit' }}
                  >
                    {u.modelName}
                  </KeptLink>
                </Typography>
                <Typography component="td" variant="value">
                  {u.serial}
                </Typography>
                <Typography component="td" variant="value">
                  {u.firmware || <span aria-label="none">–</span>}
                </Typography>
                <Typography component="td" variant="body2" color={isOverdue(u, today) ? 'error' : 'textPrimary'}>
                  {u.owner}
                  {u.hiredUntil && (
                    <>
                      <br />
                      {isOverdue(u, today) ? `was due back ${u.hiredUntil}` : `hired until ${u.hiredUntil}`}
                    </>
                  )}
                </Typography>
                <Typography component="td" variant="body2" color="textSecondary">
                  {handedOver.includes(u.id) && (
                    <KeptLink to={`/set/controls/${u.model}`} style={{ color: 'inherit' }}>
                      <strong>Handed over: to be set back.</strong>{' '}
                    </KeptLink>
                  )}
                  {u.notes}
                </Typography>
                <td>
                  <Button size="small" onClick={() => setEditing(u)} aria-label={`Edit ${u.tag}`}>
                    Edit
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </Units>
      )}
      <PutAway things={putAway} at={['PATCH', '/api/v1/units/{id}']} />
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
