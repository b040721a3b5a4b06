'use client'

import { Dialog, TextField } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useRouter, useSearchParams } from 'next/navigation'
import { type KeyboardEvent, useState } from 'react'
import type { ConceptMatch, Match } from '@/core/phrasebook/search'
import { counted } from '@/core/vocabulary/plain-words'
import { ViewLink } from './links'
import { linkTo } from './address'
import { useBodies } from './bodies'
import { usePhraseSearch } from './phrases'
import { WorkerTrouble } from './worker'
import { Box, Typography } from './elements'

const Result = styled(ViewLink)(({ theme }) => ({
  display: 'block',
  padding: theme.spacing(1.25, 1.5),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  color: 'inherit',
  textDecoration: 'none',
  '&:hover, &[aria-selected="true"]': { background: theme.vars?.palette.own.marigold.wash },
}))

const Words = styled('span')(({ theme }) => ({
  display: 'flex',
  flexWrap: 'wrap',
  columnGap: theme.spacing(2),
  '& b': { ...theme.typography.value, fontWeight: theme.typography.fontWeightMedium },
}))

/** More bodies than this are counted instead of listed. */
const MOST_NAMES = 3

const MatchWords = ({ match }: { match: Match }) => {
  const bodies = useBodies()
  const names = match.bodies.map(id => bodies.get(id)?.model ?? id)
  const where =
    names.length === 0
      ? 'neutral term'
      : names.length > MOST_NAMES
        ? `${names.slice(0, MOST_NAMES).join(', ')} and ${names.length - MOST_NAMES} more`
        : names.join(', ')
  return (
    <span>
      <b>{match.label}</b>{' '}
      <Typography variant="body2" component="span" color="textSecondary">
        {where}
      </Typography>
    </span>
  )
}

const hrefOf = (concept: ConceptMatch, params: URLSearchParams) =>
  linkTo(concept.concept ? `/name/phrasebook/${concept.concept}` : '/name/phrasebook', params)

const LIST = 'phrases-found'
const optionId = (i: number): string => `${LIST}-${i}`

/** A field that finds the concept behind any word, and what it found while somebody types. */
export const PhraseSearch = ({
  initial = '',
  autoFocus = false,
  onQuery,
  onOpen,
}: {
  initial?: string
  autoFocus?: boolean
  onQuery?: (query: string) => void
  onOpen?: () => void
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const [query, setQuery] = useState(initial)
  const [current, setCurrent] = useState(0)
  const { concepts, query: answered, trouble, retry } = usePhraseSearch(query)
  const shown = concepts.filter(c => c.concept !== '' || c.matches.length > 0)
  const isAnswered = query.trim() !== '' && answered === query && !trouble

  const open = (concept: ConceptMatch) => {
    onOpen?.()
    router.push(hrefOf(concept, params))
  }
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown') setCurrent(c => Math.min(shown.length - 1, c + 1))
    else if (event.key === 'ArrowUp') setCurrent(c => Math.max(0, c - 1))
    else if (event.key === 'Enter') {
      const concept = shown[current]
      if (concept) open(concept)
    } else return
    event.preventDefault()
  }

  return (
    <Box>
      <TextField
        fullWidth
        autoFocus={autoFocus}
        label="Any word, even half remembered"
        value={query}
        onChange={e => {
          setQuery(e.target.value)
          setCurrent(0)
          onQuery?.(e.target.value)
        }}
        onKeyDown={onKey}
        slotProps={{
          htmlInput: {
            role: 'combobox',
            autoComplete: 'off',
            spellCheck: false,
            'aria-autocomplete': 'list',
            'aria-expanded': shown.length > 0,
            'aria-controls': LIST,
            'aria-activedescendant': shown[current] ? optionId(current) : undefined,
          },
        }}
      />
      <Box role="status" sx={{ mt: 1 }}>
        <WorkerTrouble trouble={trouble} retry={retry} />
        {isAnswered && shown.length === 0 && (
          <Typography sx={{ py: 1 }}>
            Nothing here is called “{query}”, nor anything like it. Try another word for what it does.
          </Typography>
        )}
        {isAnswered && shown.length > 0 && (
          <span className="visually-hidden">
            {counted(shown.length, 'concept', 'concepts')} found; {shown[current]?.label}
          </span>
        )}
      </Box>
      <Box id={LIST} role="listbox" aria-label="What was found">
        {shown.map((c, i) => (
          <Result
            key={c.concept}
            id={optionId(i)}
            role="option"
            tabIndex={-1}
            aria-selected={i === current}
            href={hrefOf(c, params)}
            onClick={() => onOpen?.()}
          >
            <Typography variant="strong" component="span">
              {c.label}
            </Typography>{' '}
            <Typography component="span" variant="body2" color="textSecondary">
              {c.about}
            </Typography>
            <Words>
              {c.matches.map(m => (
                <MatchWords key={`${m.kind}-${m.label}-${m.bodies.join()}`} match={m} />
              ))}
            </Words>
          </Result>
        ))}
      </Box>
    </Box>
  )
}

/** The phrasebook from anywhere: opens at `/`. */
export const PhraseDialog = ({ open, onClose }: { open: boolean; onClose: () => void }) => (
  <Dialog
    open={open}
    onClose={onClose}
    fullWidth
    maxWidth="md"
    sx={{ '& .MuiDialog-container': { alignItems: 'flex-start' } }}
    slotProps={{ paper: { 'aria-label': 'Translate a term', sx: { p: 2, minHeight: 120 } } }}
  >
    <PhraseSearch autoFocus onOpen={onClose} />
  </Dialog>
)
