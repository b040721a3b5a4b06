'use client'

import { Box, Button, Divider, MenuItem, MenuList, Popover, TextField, Typography } from '@mui/material'
import { useRouter } from 'next/navigation'
import { type FormEvent, useState } from 'react'
import { choosePerson, type Person, usePeople } from './people'
import { sendJson } from './send'

const initials = (name: string): string =>
  name
    .split(/\s+/)
    .map(part => part[0] ?? '')
    .slice(0, 2)
    .join('')

/** Who signs the ticks on this device. */
export const PersonMenu = () => {
  const router = useRouter()
  const { people, person } = usePeople()
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
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
    setName('')
    setProblem('')
    setAnchor(null)
    router.refresh()
  }

  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="dialog"
        aria-label={person ? `Signing as ${person.name}` : 'Who are you?'}
        onClick={e => setAnchor(e.currentTarget)}
        sx={{ minWidth: 44, minHeight: 44 }}
      >
        <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
          {person?.name ?? 'Who are you?'}
        </Box>
        <Box component="span" sx={{ display: { md: 'none' } }}>
          {person ? initials(person.name) : 'You?'}
        </Box>
      </Button>
      <Popover
        anchorEl={anchor}
        open={anchor !== null}
        onClose={() => setAnchor(null)}
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
                  setAnchor(null)
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
    </>
  )
}
