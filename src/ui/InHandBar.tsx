'use client'

import { Box, Button, Checkbox, Divider, ListItemText, Menu, MenuItem, Typography } from '@mui/material'
import { styled } from '@mui/material/styles'
import { usePathname, useRouter, useSearchParams } from 'next/navigation'
import { startTransition, useOptimistic, useState } from 'react'

export interface StandardChoice {
  readonly id: string
  readonly name: string
  readonly version: number
}

export interface BodyChoice {
  readonly id: string
  readonly maker: string
  readonly model: string
}

const Chooser = styled(Button)(({ theme }) => ({
  color: theme.vars?.palette.text.primary,
  minHeight: 44,
  paddingInline: theme.spacing(1),
  '&::after': { content: '"▾"', marginLeft: theme.spacing(0.75), color: theme.vars?.palette.text.secondary },
}))

/** More names than this are counted instead of listed. */
const MOST_NAMES = 2

/** The standard and the bodies in hand: chosen once, kept in the address, the same in every view. */
export const InHand = ({
  standards,
  bodies,
}: {
  standards: readonly StandardChoice[]
  bodies: readonly BodyChoice[]
}) => {
  const pathname = usePathname()
  const router = useRouter()
  // What was just chosen counts at once, before the server has answered; two quick choices both hold.
  const [query, showQuery] = useOptimistic(useSearchParams().toString())
  const params = new URLSearchParams(query)
  const [standardAnchor, setStandardAnchor] = useState<HTMLElement | null>(null)
  const [bodiesAnchor, setBodiesAnchor] = useState<HTMLElement | null>(null)

  const standard =
    standards.find(s => s.id === params.get('standard')) ?? standards.find(s => s.id === 'ring-action') ?? standards[0]
  const asked = params.get('bodies')?.split(',') ?? []
  const named = bodies.filter(b => asked.includes(b.id))
  const inHand = named.length ? named : bodies

  const change = (name: string, value: string | undefined) => {
    const next = new URLSearchParams(params)
    if (value === undefined) next.delete(name)
    else next.set(name, value)
    startTransition(() => {
      showQuery(next.toString())
      router.replace(next.size ? `${pathname}?${next.toString()}` : pathname, { scroll: false })
    })
  }
  const toggleBody = (id: string) => {
    const ids = new Set(inHand.map(b => b.id))
    if (ids.has(id)) ids.delete(id)
    else ids.add(id)
    const next = bodies.filter(b => ids.has(b.id)).map(b => b.id)
    change('bodies', next.length === 0 || next.length === bodies.length ? undefined : next.join(','))
  }
  const bodiesLabel =
    inHand.length === bodies.length
      ? `all ${bodies.length} bodies`
      : inHand.length <= MOST_NAMES
        ? inHand.map(b => b.model).join(', ')
        : `${inHand.length} of ${bodies.length} bodies`

  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography color="textSecondary" variant="body2" sx={{ display: { xs: 'none', sm: 'inline' } }}>
          Standard
        </Typography>
        <Chooser
          aria-haspopup="menu"
          aria-label={`Standard in hand: ${standard?.name ?? 'none'}`}
          onClick={e => setStandardAnchor(e.currentTarget)}
        >
          {standard?.name}
        </Chooser>
      </Box>
      <Menu anchorEl={standardAnchor} open={standardAnchor !== null} onClose={() => setStandardAnchor(null)}>
        {standards.map(s => (
          <MenuItem
            key={s.id}
            selected={s.id === standard?.id}
            onClick={() => {
              setStandardAnchor(null)
              change('standard', s.id)
            }}
          >
            <ListItemText primary={s.name} secondary={`version ${s.version}`} />
          </MenuItem>
        ))}
      </Menu>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography color="textSecondary" variant="body2" sx={{ display: { xs: 'none', sm: 'inline' } }}>
          Bodies
        </Typography>
        <Chooser
          aria-haspopup="menu"
          aria-label={`Bodies in hand: ${bodiesLabel}`}
          onClick={e => setBodiesAnchor(e.currentTarget)}
        >
          {bodiesLabel}
        </Chooser>
      </Box>
      <Menu anchorEl={bodiesAnchor} open={bodiesAnchor !== null} onClose={() => setBodiesAnchor(null)}>
        <MenuItem onClick={() => change('bodies', undefined)} disabled={inHand.length === bodies.length}>
          All bodies
        </MenuItem>
        <Divider />
        {bodies.map(b => (
          <MenuItem
            key={b.id}
            role="menuitemcheckbox"
            aria-checked={inHand.includes(b)}
            onClick={() => toggleBody(b.id)}
          >
            <Checkbox edge="start" size="small" checked={inHand.includes(b)} tabIndex={-1} disableRipple inert />
            <ListItemText primary={b.model} secondary={b.maker} />
          </MenuItem>
        ))}
      </Menu>
    </>
  )
}
