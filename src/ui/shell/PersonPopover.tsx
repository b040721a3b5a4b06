'use client'

import { Button, Divider, MenuItem, MenuList, Popover, TextField } from '@mui/material'
import { useRouter } from 'next/navigation'
import { type FormEvent, useState } from 'react'
import { choosePerson, type Person, usePeople } from '../people'
import { sendJson } from '../send'
import { Box, Typography } from '../elements'

/** Chooses who signs on this device, or adds somebody. */
export const PersonPopover = ({ anchor, onClose }: { anchor: HTMLElement; onClose: () => void }) => {
  const router = useRouter()
  const { people, person } = usePeople()
  const [name, setName] = useState('')
  const [problem, setProblem] = useState('')

  const add = async (event: FormEvent) => {
    event.preventDefault()
    const added = await sendJson<Person>('POST', '/api/v1/people', { name })
    if (!added.ok) {
      setProblem(added.detail)
      return
    }
    choosePerson(added.value)
    onClose()
    router.refresh()
  }

  return (
    <Popover
      anchorEl={anchor}
      open
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
      transformOrigin={{ vertical: 'top', horizontal: 'right' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': 'Who signs' } }}
    >
      {people.length > 0 && (
        <MenuList aria-label="People" autoFocus>
          {people.map(p => (
            <MenuItem
              key={p.id}
              selected={p.id === person?.id}
              onClick={() => {
                choosePerson(p)
                onClose()
              }}
            >
              {p.name}
            </MenuItem>
          ))}
        </MenuList>
      )}
      {people.length > 0 && <Divider />}
      <Box component="form" onSubmit={add} sx={{ display: 'flex', gap: 1, px: 2, py: 1, alignItems: 'flex-start' }}>
        <TextField
          size="small"
          label="Your name"
          value={name}
          onChange={e => setName(e.target.value)}
          error={problem !== ''}
          helperText={problem}
        />
        <Button type="submit" variant="outlined" disabled={!name.trim()}>
          Add
        </Button>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ px: 2, pb: 1 }}>
        Ticks are signed with this name.
      </Typography>
    </Popover>
  )
}
