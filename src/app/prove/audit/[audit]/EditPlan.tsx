'use client'

import { Alert, Button, Checkbox, FormControlLabel, TextField } from '@mui/material'
import { useState } from 'react'
import { identified } from '@/core/audit/whose'
import type { AuditView } from '@/server/audits'
import { Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { Cameras } from '../Cameras'
import { planOf, type TypedPlan, typedFrom, wrongIn } from '../plan-form'
import { Scenes, type StandardChoice } from '../Scenes'
import { Box } from '@/ui/elements'

/** Holds the same pictures against other scenes, puts clocks right, tells whose a camera was. */
export const EditPlan = ({
  view,
  standards,
  onDone,
}: {
  view: AuditView
  standards: readonly StandardChoice[]
  onDone: () => void
}) => {
  const { send, isBusy, problem } = useSend()
  const [typed, setTyped] = useState<TypedPlan>(() => typedFrom(view.plan))
  const set = (next: Partial<TypedPlan>) => setTyped({ ...typed, ...next })
  const wrong = wrongIn(typed)
  const owned = view.units.map(u => ({ ...u, since: '', entered: '' }))
  const save = async () => {
    if (wrong.length > 0) return
    const plan = planOf(typed, view.audit.from)
    const sent = await send('PUT', `/api/v1/audits/${view.id}/plan`, { plan, revision: view.revision })
    if (sent.ok) onDone()
  }
  return (
    <Box sx={{ borderLeft: 3, borderColor: 'own.line', pl: 2, mb: 3 }}>
      <TextField
        fullWidth
        size="small"
        label="The job"
        value={typed.name}
        onChange={e => set({ name: e.target.value })}
        sx={{ maxWidth: 'var(--narrow)', mt: 1 }}
      />
      <Cameras
        cameras={identified(view.audit.cameras, owned, typed.whose)}
        units={view.units}
        typed={typed}
        clockPictures={camera => view.examples[camera] ?? []}
        onTyped={set}
      />
      <FormControlLabel
        sx={{ mt: 1 }}
        control={
          <Checkbox checked={typed.isOnlySinceEntered} onChange={e => set({ isOnlySinceEntered: e.target.checked })} />
        }
        label="Leave out pictures from before a camera was entered in the kit"
      />
      <Scenes scenes={typed.scenes} standards={standards} onScenes={scenes => set({ scenes })} />
      {wrong.length > 0 && (
        <Alert severity="warning" sx={{ mt: 2, maxWidth: 'var(--line)' }}>
          {wrong.join(' ')}
        </Alert>
      )}
      <Trouble words={problem} sx={{ mt: 2 }} />
      <Wrap sx={{ mt: 2 }}>
        <Button variant="contained" disabled={isBusy || wrong.length > 0} onClick={() => void save()}>
          Hold them against this
        </Button>
        <Button onClick={onDone}>Leave it as it was</Button>
      </Wrap>
    </Box>
  )
}
