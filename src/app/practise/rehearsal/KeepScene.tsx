'use client'

import { Button, TextField } from '@mui/material'
import { useState } from 'react'
import type { Passage } from '@/core/rehearsal/scene'
import type { HouseScene } from '@/server/scenes'
import { Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'

/** Keeps a scene for the house: under a name of its own, or in place of the one that it was changed from. */
export const KeepScene = ({
  typed,
  isUsable,
  stored,
  onKept,
}: {
  typed: Passage
  isUsable: boolean
  /** The scene of the house that it is, where it is one. */
  stored: HouseScene | undefined
  /** With the scene that is looked at next. */
  onKept: (id: string | undefined) => void
}) => {
  const [name, setName] = useState('')
  const { send, problem, isBusy } = useSend()
  const keepNew = async () => {
    const sent = await send<{ id: string }>('POST', '/api/v1/scenes', { document: { ...typed, name: name.trim() } })
    if (!sent.ok) return
    setName('')
    onKept(sent.value.id)
  }
  const save = async () => {
    if (!stored) return
    const address = `/api/v1/scenes/${stored.passage.id}`
    const sent = await send('PUT', address, { document: typed, revision: stored.revision })
    if (sent.ok) onKept(stored.passage.id)
  }
  const throwAway = async () => {
    if (!stored) return
    const sent = await send('PATCH', `/api/v1/scenes/${stored.passage.id}`, { thrownAway: true })
    if (sent.ok) onKept(undefined)
  }
  return (
    <>
      <Wrap sx={{ mt: 2, alignItems: 'center' }}>
        <TextField size="small" label="Name of a new scene" value={name} onChange={e => setName(e.target.value)} />
        <Button variant="outlined" disabled={!name.trim() || !isUsable || isBusy} onClick={() => void keepNew()}>
          Keep it for the house
        </Button>
        {stored && (
          <>
            <Button variant="outlined" disabled={!isUsable || isBusy} onClick={() => void save()}>
              Change “{stored.passage.name}” for everybody
            </Button>
            <Button color="inherit" disabled={isBusy} onClick={() => void throwAway()}>
              Throw it away
            </Button>
          </>
        )}
      </Wrap>
      <Trouble words={problem} sx={{ mt: 1 }} />
    </>
  )
}
