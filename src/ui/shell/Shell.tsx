'use client'

import { ButtonBase } from '@mui/material'
import { styled } from '@mui/material/styles'
import { usePathname } from 'next/navigation'
import { type ReactNode, useCallback, useState } from 'react'
import { BodiesProvider } from '../bodies'
import type { BodyChoice, StandardChoice } from './choices'
import { GlobalKeys } from './GlobalKeys'
import { PeopleProvider, type Person } from '../people'
import { PersonMenu } from './PersonMenu'
import { PhoneMenu } from './PhoneMenu'
import { ThemeSwitch } from './ThemeSwitch'
import { Sender } from './Sender'
import { STAGES } from './stages'
import { ViewBar } from './ViewBar'
import { KeptLink } from '../links'
import { later } from '../later'
import { Box, Typography } from '../elements'

const PhraseDialog = later(() => import('../PhraseSearch').then(m => m.PhraseDialog))

const Ribbon = styled('header')(({ theme }) => ({
  display: 'flex',
  alignItems: 'center',
  gap: theme.spacing(2),
  minHeight: 'var(--ribbon)',
  padding: theme.spacing(0, 2.5),
  background: theme.vars?.palette.own.ribbon.main,
  color: theme.vars?.palette.own.ribbon.text,
  [theme.breakpoints.down('sm')]: { padding: theme.spacing(0, 1), gap: theme.spacing(0, 0.5) },
}))

const StageLink = styled(KeptLink)(({ theme }) => ({
  display: 'inline-flex',
  alignItems: 'center',
  minHeight: 'var(--touch)',
  padding: theme.spacing(0, 1.75),
  borderRadius: theme.shape.borderRadius,
  color: theme.vars?.palette.own.ribbon.quiet,
  textDecoration: 'none',
  fontWeight: theme.typography.fontWeightMedium,
  '&:hover': { color: theme.vars?.palette.own.ribbon.text },
  '&[aria-current]': { background: theme.vars?.palette.own.marigold.main, color: theme.vars?.palette.own.marigold.ink },
}))

const SearchButton = styled(ButtonBase)(({ theme }) => ({
  display: 'flex',
  alignItems: 'center',
  gap: theme.spacing(3),
  minHeight: 'var(--button)',
  padding: theme.spacing(0, 1.25),
  borderRadius: theme.shape.borderRadius,
  border: `1px solid ${theme.vars?.palette.own.ribbon.quiet}`,
  color: theme.vars?.palette.own.ribbon.quiet,
  font: 'inherit',
  '&:hover': { color: theme.vars?.palette.own.ribbon.text },
  '& kbd': { ...theme.typography.value },
  [theme.breakpoints.down('md')]: {
    minWidth: 44,
    minHeight: 'var(--touch)',
    justifyContent: 'center',
    '& span, & kbd': { display: 'none' },
  },
}))

const SkipLink = styled('a')(({ theme }) => ({
  position: 'absolute',
  left: -9999,
  '&:focus': {
    left: theme.spacing(1),
    top: theme.spacing(1),
    zIndex: theme.zIndex.tooltip,
    padding: theme.spacing(1, 2),
    background: theme.vars?.palette.own.marigold.main,
    color: theme.vars?.palette.own.marigold.ink,
  },
}))

const Home = styled(KeptLink)({
  display: 'flex',
  alignItems: 'center',
  gap: 10,
  color: 'inherit',
  textDecoration: 'none',
  minHeight: 'var(--touch)',
})

const Logo = () => (
  <svg width="30" height="18" viewBox="0 0 30 18" aria-hidden>
    <line
      x1="3"
      x2="19"
      y1="5"
      y2="5"
      stroke="var(--mui-palette-own-marigold-main)"
      strokeWidth="4"
      strokeLinecap="round"
    />
    <line x1="9" x2="25" y1="13" y2="13" stroke="currentColor" strokeWidth="4" strokeLinecap="round" />
  </svg>
)

/** For narrow screens, where nobody has a key to press. */
const SearchSign = () => (
  <Box component="svg" width="20" height="20" viewBox="0 0 20 20" aria-hidden sx={{ display: { md: 'none' } }}>
    <circle cx="8.5" cy="8.5" r="5.5" fill="none" stroke="currentColor" strokeWidth="2" />
    <path d="M13 13l5 5" stroke="currentColor" strokeWidth="2" strokeLinecap="round" />
  </Box>
)

/** The frame of every view: the ribbon of stages, what is in hand, and the view itself. */
export const Shell = ({
  standards,
  bodies,
  people,
  children,
}: {
  standards: readonly StandardChoice[]
  bodies: readonly BodyChoice[]
  people: readonly Person[]
  children: ReactNode
}) => {
  const pathname = usePathname()
  const [searching, setSearching] = useState(false)
  const openPhrases = useCallback(() => setSearching(true), [])
  const stage = STAGES.find(s => s.views.some(v => pathname.startsWith(v.path)))
  return (
    <PeopleProvider people={people}>
      <BodiesProvider bodies={bodies}>
        <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: '100dvh' }}>
          <SkipLink href="#view">Skip to the view</SkipLink>
          <Ribbon className="no-print">
            <Home to="/" aria-label="Coherion">
              <Logo />
              <Typography variant="h2" component="span" sx={{ display: { xs: 'none', sm: 'inline' } }}>
                Coherion
              </Typography>
            </Home>
            <Box component="nav" aria-label="Stages" sx={{ display: { xs: 'none', sm: 'flex' }, gap: 0.5, flex: 1 }}>
              {STAGES.map(s => (
                <StageLink key={s.key} to={s.views[0]?.path ?? '/'} aria-current={s === stage ? 'page' : undefined}>
                  {s.label}
                </StageLink>
              ))}
            </Box>
            <PhoneMenu stage={stage} standards={standards} bodies={bodies} />
            <SearchButton onClick={openPhrases} aria-label="Translate a term" aria-keyshortcuts="/">
              <span>Translate a term</span>
              <kbd>/</kbd>
              <SearchSign />
            </SearchButton>
            <PersonMenu />
            <Box sx={{ display: { xs: 'none', sm: 'block' } }}>
              <ThemeSwitch />
            </Box>
          </Ribbon>
          {stage && <ViewBar stage={stage} standards={standards} bodies={bodies} />}
          <Box component="main" id="view" tabIndex={-1} sx={{ flex: 1, minWidth: 0, outline: 'none' }}>
            {children}
          </Box>
          <Sender />
          <GlobalKeys pathname={pathname} onSearch={openPhrases} />
          {searching && <PhraseDialog open onClose={() => setSearching(false)} />}
        </Box>
      </BodiesProvider>
    </PeopleProvider>
  )
}
