'use client'

import { Button } from '@mui/material'
import { styled } from '@mui/material/styles'
import { usePathname, useRouter, useSearchParams } from 'next/navigation'
import { startTransition, useOptimistic, useState } from 'react'
import { type Context, contextFrom, contextText, refFrom, type Scope, SCOPES } from '@/core/standards/context'
import { goAhead, linkTo } from '../address'
import { later } from '../later'
import { usePeople } from '../people'
import type { BodyChoice, StandardChoice } from './choices'
import { Box, Typography } from '../elements'

const StandardMenu = later(() => import('./InHandMenus').then(m => m.StandardMenu))
const ForWhomMenu = later(() => import('./InHandMenus').then(m => m.ForWhomMenu))
const BodiesMenu = later(() => import('./InHandMenus').then(m => m.BodiesMenu))

const Chooser = styled(Button)(({ theme }) => ({
  color: theme.vars?.palette.text.primary,
  minHeight: 'var(--touch)',
  paddingInline: theme.spacing(1),
  '&::after': { content: '"▾"', marginLeft: theme.spacing(0.75), color: theme.vars?.palette.text.secondary },
}))

/** More names than this are counted instead of listed. */
const MOST_NAMES = 2

/** Whom and what the standard is read for; only shown where some layer is for somebody. */
const ForWhom = ({
  scopes,
  text,
  onChange,
}: {
  scopes: Context
  text: string
  onChange: (text: string | undefined) => void
}) => {
  const { people } = usePeople()
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const chosen = contextFrom(text)
  const labelOf = (scope: Scope, id: string) => (scope === 'people' ? (people.find(p => p.id === id)?.name ?? id) : id)
  const all = SCOPES.flatMap(scope => (scopes[scope] ?? []).map(id => ({ scope, id })))
  const isOn = ({ scope, id }: { scope: Scope; id: string }) => chosen[scope]?.includes(id) ?? false
  const label =
    all
      .filter(isOn)
      .map(c => labelOf(c.scope, c.id))
      .join(', ') || 'everybody'
  const toggle = (scope: Scope, id: string) => {
    const names = chosen[scope] ?? []
    const next = names.includes(id) ? names.filter(n => n !== id) : [...names, id]
    onChange(contextText({ ...chosen, [scope]: next }) || undefined)
  }
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography color="textSecondary" variant="body2">
          For
        </Typography>
        <Chooser aria-haspopup="menu" aria-label={`For: ${label}`} onClick={e => setAnchor(e.currentTarget)}>
          {label}
        </Chooser>
      </Box>
      {anchor && (
        <ForWhomMenu
          anchor={anchor}
          onClose={() => setAnchor(null)}
          choices={all.map(c => ({ ...c, label: labelOf(c.scope, c.id), isOn: isOn(c) }))}
          onToggle={toggle}
          onEverybody={text ? () => onChange(undefined) : undefined}
        />
      )}
    </>
  )
}

/** The page of a standard, in the version that is named. */
const standardPage = (reference: string, params: URLSearchParams): string => {
  const { id, version } = refFrom(reference)
  const more: Record<string, string> = version === undefined ? {} : { version: String(version) }
  return linkTo(`/decide/standards/${id}`, params, { ...more, standard: reference })
}

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
  const address = useSearchParams().toString()
  const [query, showQuery] = useOptimistic(address)
  const params = new URLSearchParams(query)
  const [standardAnchor, setStandardAnchor] = useState<HTMLElement | null>(null)
  const [bodiesAnchor, setBodiesAnchor] = useState<HTMLElement | null>(null)

  // On the page of a standard that one is in hand, in the version that is looked at.
  const page = /^\/decide\/standards\/([^/]+)$/.exec(pathname)?.[1]
  const shown = Number(params.get('version')) || undefined
  const named = page ? { id: page, version: shown } : refFrom(params.get('standard') ?? '')
  const standard = standards.find(s => s.id === named.id) ?? standards.find(s => s.isUsual)
  const asked = standard?.id === named.id ? named.version : undefined
  // The version that counts goes without saying.
  const version = asked === standard?.version ? undefined : asked
  const standardLabel = `${standard?.name ?? 'none'}${version === undefined ? '' : `, version ${version}`}`
  const askedBodies = params.get('bodies')?.split(',') ?? []
  const chosen = bodies.filter(b => askedBodies.includes(b.id))
  const inHand = chosen.length ? chosen : bodies

  const change = (name: string, value: string | undefined) => {
    const next = new URLSearchParams(params)
    if (value === undefined) next.delete(name)
    else next.set(name, value)
    goAhead(address, next.toString())
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
        <Typography color="textSecondary" variant="body2">
          Standard
        </Typography>
        <Chooser
          aria-haspopup="menu"
          aria-label={`Standard in hand: ${standardLabel}`}
          onClick={e => setStandardAnchor(e.currentTarget)}
        >
          {standardLabel}
        </Chooser>
      </Box>
      {standardAnchor && (
        <StandardMenu
          anchor={standardAnchor}
          onClose={() => setStandardAnchor(null)}
          standards={standards}
          isChosen={ref => refFrom(ref).id === standard?.id && refFrom(ref).version === version}
          onChoose={ref => {
            setStandardAnchor(null)
            if (page) router.push(standardPage(ref, params))
            else change('standard', ref)
          }}
        />
      )}
      {standard && Object.keys(standard.scopes).length > 0 && (
        <ForWhom scopes={standard.scopes} text={params.get('for') ?? ''} onChange={text => change('for', text)} />
      )}
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography color="textSecondary" variant="body2">
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
      {bodiesAnchor && (
        <BodiesMenu
          anchor={bodiesAnchor}
          onClose={() => setBodiesAnchor(null)}
          bodies={bodies}
          inHand={inHand}
          onToggle={toggleBody}
          onAll={() => change('bodies', undefined)}
        />
      )}
    </>
  )
}
