'use client'

import {
  Alert,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  LinearProgress,
  MenuItem,
  TextField,
} from '@mui/material'
import { useEffect, useRef, useState } from 'react'
import { PAPERS } from './PrintButton'
import { Box, Typography } from './elements'

/** A card that can be printed: of a unit, or of a body that the team has no unit of. */
export interface PrintableCard {
  readonly body: string
  readonly unit: string | null
  readonly name: string
  readonly model: string
  /** Whether it is ticked at first. */
  readonly isOwed: boolean
}

type Made =
  | { readonly kind: 'made'; readonly done: number; readonly of: number; readonly name: string }
  | { readonly kind: 'pdf'; readonly bytes: string; readonly name: string }
  | { readonly kind: 'failed'; readonly detail: string }

const keyOf = (c: PrintableCard): string => c.unit ?? c.body

/** Reads lines of JSON as they come. */
const readLines = async function* (response: Response): AsyncGenerator<Made> {
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (let chunk = await reader?.read(); chunk && !chunk.done; chunk = await reader?.read()) {
    const lines = (rest + chunk.value).split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines) yield JSON.parse(line) as Made
  }
}

const blobOf = (base64: string): Blob =>
  new Blob([Uint8Array.from(atob(base64), c => c.charCodeAt(0))], { type: 'application/pdf' })

/** The address of a PDF of cards. */
export const pdfAddress = (
  standard: string,
  forWhom: string,
  cards: readonly Pick<PrintableCard, 'body' | 'unit'>[],
  paper: string,
  as: 'pdf' | 'progress' = 'pdf',
): string => {
  const units = cards.flatMap(c => c.unit ?? [])
  const bodies = cards.flatMap(c => (c.unit === null ? [c.body] : []))
  const query = new URLSearchParams({ standard, paper, as })
  if (forWhom) query.set('for', forWhom)
  if (units.length) query.set('units', units.join(','))
  if (bodies.length) query.set('bodies', bodies.join(','))
  return `/api/v1/cards/pdf?${query}`
}

/** Prints the cards of several units into one PDF, and says how far it is. */
export const PrintCards = ({
  standard,
  forWhom,
  cards,
}: {
  /** As a reference says it. */
  standard: string
  forWhom: string
  cards: readonly PrintableCard[]
}) => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)} disabled={cards.length === 0}>
        Print cards
      </Button>
      {open && <PrintDialog standard={standard} forWhom={forWhom} cards={cards} onClose={() => setOpen(false)} />}
    </>
  )
}

type Stage =
  | { readonly is: 'choosing'; readonly problem: string }
  | { readonly is: 'making'; readonly done: number; readonly of: number; readonly name: string }
  | { readonly is: 'made'; readonly address: string; readonly name: string }

const PrintDialog = ({
  standard,
  forWhom,
  cards,
  onClose,
}: {
  standard: string
  forWhom: string
  cards: readonly PrintableCard[]
  onClose: () => void
}) => {
  const owed = cards.filter(c => c.isOwed)
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set((owed.length ? owed : cards).map(keyOf)))
  const [paper, setPaper] = useState<string>(PAPERS[0].id)
  const [stage, setStage] = useState<Stage>({ is: 'choosing', problem: '' })
  const cancel = useRef(new AbortController())
  useEffect(() => {
    const controller = cancel
    return () => controller.current.abort()
  }, [])
  const all = cards.filter(c => chosen.has(keyOf(c)))

  const make = async () => {
    cancel.current = new AbortController()
    setStage({ is: 'making', done: 0, of: all.length, name: '' })
    try {
      const address = pdfAddress(standard, forWhom, all, paper, 'progress')
      const response = await fetch(address, { signal: cancel.current.signal })
      if (!response.ok) throw new Error(((await response.json()) as { detail?: string }).detail ?? 'It was refused.')
      for await (const made of readLines(response)) {
        if (made.kind === 'failed') throw new Error(made.detail)
        if (made.kind === 'made') setStage({ is: 'making', done: made.done, of: made.of, name: made.name })
        if (made.kind === 'pdf')
          setStage({ is: 'made', address: URL.createObjectURL(blobOf(made.bytes)), name: made.name })
      }
    } catch (error) {
      const isCancelled = cancel.current.signal.aborted
      const problem =
        error instanceof TypeError || !(error instanceof Error)
          ? 'The server does not answer; try again.'
          : error.message
      setStage({ is: 'choosing', problem: isCancelled ? '' : problem })
    }
  }
  const toggle = (key: string) => {
    const next = new Set(chosen)
    if (!next.delete(key)) next.add(key)
    setChosen(next)
    setStage({ is: 'choosing', problem: '' })
  }

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="print-cards">
      <DialogTitle id="print-cards">Print cards into one PDF</DialogTitle>
      <DialogContent>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', pt: 1 }}>
          <TextField
            select
            size="small"
            label="Paper"
            value={paper}
            onChange={e => {
              setPaper(e.target.value)
              setStage({ is: 'choosing', problem: '' })
            }}
            sx={{ minWidth: 'var(--field)' }}
          >
            {PAPERS.map(p => (
              <MenuItem key={p.id} value={p.id}>
                {p.label}
              </MenuItem>
            ))}
          </TextField>
          <Button size="small" onClick={() => setChosen(new Set(cards.map(keyOf)))}>
            All {cards.length}
          </Button>
          {owed.length > 0 && owed.length < cards.length && (
            <Button size="small" onClick={() => setChosen(new Set(owed.map(keyOf)))}>
              Only the {owed.length} with something to do
            </Button>
          )}
        </Box>
        <Box
          role="group"
          aria-label="Which cards"
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' },
            mt: 1.5,
            maxHeight: '46vh',
            overflow: 'auto',
          }}
        >
          {cards.map(c => (
            <FormControlLabel
              key={keyOf(c)}
              sx={{ minHeight: 'var(--touch)', mr: 0 }}
              control={<Checkbox checked={chosen.has(keyOf(c))} onChange={() => toggle(keyOf(c))} />}
              label={
                <>
                  <Typography component="span" variant="value" sx={{ fontWeight: 'fontWeightMedium' }}>
                    {c.name}
                  </Typography>{' '}
                  <Typography component="span" color="textSecondary">
                    {c.model}
                  </Typography>
                </>
              }
            />
          ))}
        </Box>
        <Box aria-live="polite" sx={{ mt: 1.5, minHeight: 'var(--button)' }}>
          {stage.is === 'making' && (
            <>
              <Typography variant="body2">
                {stage.done} of {stage.of} made{stage.name && `, last ${stage.name}`}
              </Typography>
              <LinearProgress variant="determinate" value={(100 * stage.done) / stage.of} aria-label="Cards made" />
            </>
          )}
          {stage.is === 'made' && (
            <Typography>
              {all.length} {all.length === 1 ? 'card is' : 'cards are'} ready to print.
            </Typography>
          )}
          {stage.is === 'choosing' && stage.problem && <Alert severity="warning">{stage.problem}</Alert>}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button
          onClick={() => {
            if (stage.is === 'making') cancel.current.abort()
            else onClose()
          }}
        >
          {stage.is === 'making' ? 'Cancel' : 'Close'}
        </Button>
        {stage.is === 'made' ? (
          <Button variant="contained" component="a" href={stage.address} target="_blank" rel="noopener">
            Open {stage.name}
          </Button>
        ) : (
          <Button variant="contained" disabled={all.length === 0 || stage.is === 'making'} onClick={() => void make()}>
            Make a PDF of {all.length}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  )
}
