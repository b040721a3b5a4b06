'use client'

import { Button, Checkbox, NativeSelect } from '@mui/material'
import { styled } from '@mui/material/styles'
import { type KeyboardEvent, useEffect, useRef, useState } from 'react'
import { type Body, COUNTS_WORDS, pagesOf } from '@/core/bodies'
import type { Reading } from '@/core/propose/propose'
import { acceptReview, reviewOf, type ReviewRow } from '@/core/propose/review'
import { counted } from '@/core/vocabulary/words'
import { endsOf, NOTHING_WORDS, optionReading, readingName } from './reading-words'
import type { Editor } from './use-editor'
import { Wrap } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

const Row = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '44px minmax(140px, 1fr) minmax(0, 2fr)',
  gap: theme.spacing(0, 1.5),
  alignItems: 'start',
  padding: theme.spacing(0.75, 1),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  '&[data-focused="true"]': { boxShadow: `inset 3px 0 0 ${theme.vars?.palette.own.marigold.main}` },
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '44px minmax(0, 1fr)', '& > .reading': { gridColumn: 2 } },
}))

type Changed = Readonly<Record<string, { readonly chosen: number; readonly isTicked: boolean }>>

const mostWords = (reading: Reading): string =>
  reading.dimensions.some(id => /hold|shift|transition|switch/.test(id)) ? 'waits or takes longest' : 'is most'

/** Whether a direction still has to be said before it can be taken. */
const isAsked = ({ readings, chosen, isTicked }: ReviewRow) => !isTicked && readings[chosen]?.isEitherWay === true

const CERTAINTY_WORDS = { sure: 'sure', likely: 'likely', unsure: 'unsure: choose' } as const

/** The first page with something undecided, after this one; undefined where none is left. */
const nextPage = (body: Body, after: number): number | undefined => {
  const at = pagesOf(body).findIndex(
    (p, i) => i > after && body.settings.some(s => s.undecided && s.at.tab === p.tab && s.at.page === p.page),
  )
  return at < 0 ? undefined : at
}

/** A page of the menu at a time: all its readings with all their options, taken with one key. */
export const ReviewPart = ({
  editor,
  proposals,
  onClose,
}: {
  editor: Editor
  proposals: Readonly<Record<string, readonly Reading[]>>
  onClose: () => void
}) => {
  const { form, edit } = editor
  const [at, setAt] = useState(() => nextPage(form, -1) ?? 0)
  const [changed, setChanged] = useState<Changed>({})
  const [focused, setFocused] = useState(0)
  const list = useRef<HTMLDivElement>(null)
  const pages = pagesOf(form)
  const page = pages[at]
  const rows = page ? reviewOf(form, page, proposals, changed) : []
  const row = rows[Math.min(focused, rows.length - 1)]
  const ticked = rows.filter(r => r.isTicked).length
  const left = form.settings.filter(s => s.undecided).length

  useEffect(() => {
    list.current?.focus({ preventScroll: true })
  }, [at])

  const change = (r: ReviewRow, chosen: number, isTicked: boolean) =>
    setChanged(c => ({ ...c, [r.setting.id]: { chosen, isTicked } }))
  const accept = () => {
    const taken = acceptReview(form, rows)
    if (ticked)
      edit(`read ${counted(ticked, 'setting', 'settings')} of ${page?.label ?? 'a page'}`, b => acceptReview(b, rows))
    const next = nextPage(taken, at)
    setFocused(0)
    if (next === undefined) onClose()
    else setAt(next)
  }

  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.target instanceof HTMLSelectElement) return
    const done = (work: () => void) => {
      event.preventDefault()
      event.stopPropagation()
      work()
    }
    if (event.key === 'Enter' && !(event.target instanceof HTMLButtonElement)) done(accept)
    else if (event.key === 'Escape') done(onClose)
    else if (event.key === 'ArrowDown') done(() => setFocused(Math.min(rows.length - 1, focused + 1)))
    else if (event.key === 'ArrowUp') done(() => setFocused(Math.max(0, focused - 1)))
    else if (event.key === ' ' && row && event.target === list.current && !isAsked(row))
      done(() => change(row, row.chosen, !row.isTicked))
    else if (/^[1-9]$/.test(event.key) && row?.readings[Number(event.key) - 1])
      done(() => change(row, Number(event.key) - 1, true))
    else if (event.key === '0' && row)
      done(() =>
        change(
          row,
          row.readings.findIndex(r => r.about === 'elsewhere'),
          true,
        ),
      )
    else if (/^[<>]$/.test(event.key) && row) done(() => turn(row, event.key === '>'))
  }
  /** Says which end of a scale is most, where nothing told it. */
  const turn = (r: ReviewRow, isLastMost: boolean) => {
    const rising = r.readings.findIndex(x => x.isEitherWay)
    const first = r.readings[rising]
    const values = first?.means.map(m => Object.values(m)[0])
    const rises = Number(values?.at(-1)) > Number(values?.[0])
    if (rising >= 0) change(r, rises === isLastMost ? rising : rising + 1, true)
  }

  return (
    <Box sx={{ minWidth: 0 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'baseline', mb: 1 }}>
        <Typography variant="h2">{page?.label ?? 'Menu'}</Typography>
        <Typography color="textSecondary" role="status">
          {rows.length ? `${ticked} of ${rows.length} on this page are ticked` : 'everything on this page is decided'};{' '}
          {left} undecided in all
        </Typography>
        <Box sx={{ flex: 1 }} />
        <Button variant="contained" onClick={accept}>
          {ticked ? `Take ${counted(ticked, 'reading', 'readings')} and go on` : 'Leave open and go on'}
        </Button>
        <Button onClick={onClose}>Back to the menu</Button>
      </Box>
      <Box
        ref={list}
        tabIndex={0}
        role="group"
        aria-label={`Readings of ${page?.label ?? 'the page'}`}
        onKeyDown={onKey}
        sx={{ border: 1, borderColor: 'divider', borderRadius: 1, bgcolor: 'background.paper' }}
      >
        {rows.map((r, i) => (
          <ReviewLine
            key={r.setting.id}
            row={r}
            isFocused={r === row}
            isAsking={Object.keys(proposals).length === 0}
            onFocus={() => setFocused(i)}
            onChange={(chosen, isTicked) => change(r, chosen, isTicked)}
            onTurn={isLastMost => turn(r, isLastMost)}
          />
        ))}
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        Enter takes what is ticked. ↑ ↓ go through the rows, space ticks, 1 to 9 choose another reading, 0 says nothing
        to do with focus, &lt; and &gt; say which end of a scale is most.
      </Typography>
    </Box>
  )
}

const ReviewLine = ({
  row,
  isFocused,
  isAsking,
  onFocus,
  onChange,
  onTurn,
}: {
  row: ReviewRow
  isFocused: boolean
  isAsking: boolean
  onFocus: () => void
  onChange: (chosen: number, isTicked: boolean) => void
  onTurn: (isLastMost: boolean) => void
}) => {
  const { setting, readings, chosen, isTicked } = row
  const line = useRef<HTMLDivElement>(null)
  const reading = readings[chosen]
  const [first, last] = endsOf(setting.options)
  useEffect(() => {
    if (isFocused) line.current?.scrollIntoView({ block: 'nearest' })
  }, [isFocused])
  return (
    <Row ref={line} data-focused={isFocused} onClick={onFocus} role="group" aria-label={setting.label}>
      <Checkbox
        checked={isTicked}
        // Which end is most has to be said; a tick alone would guess it.
        disabled={isAsked(row)}
        onChange={e => onChange(chosen, e.target.checked)}
        slotProps={{ input: { 'aria-label': `Take the reading of ${setting.label}` } }}
      />
      <Box sx={{ minWidth: 0, pt: 0.75 }}>
        <Typography variant="strong" sx={{ overflowWrap: 'anywhere' }}>
          {setting.label}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {reading
            ? reading.because[0]
            : isAsking
              ? 'asking …'
              : 'not read yet; a very long menu is read from its beginning'}
        </Typography>
      </Box>
      <Box className="reading" sx={{ minWidth: 0 }}>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'baseline' }}>
          <NativeSelect
            value={chosen}
            inputProps={{ 'aria-label': `What ${setting.label} is about` }}
            onChange={e => onChange(Number(e.target.value), true)}
            sx={{ maxWidth: '100%', fontWeight: 'fontWeightMedium' }}
          >
            {readings.map((r, i) => (
              <option key={`${readingName(r)}-${i}`} value={i}>
                {i + 1} {readingName(r)}
                {r.because[0]?.startsWith('the same, running') ? ', the other way' : ''}
              </option>
            ))}
            {readings.length === 0 && <option value={0}>{NOTHING_WORDS}</option>}
          </NativeSelect>
          <Typography
            variant="body2"
            component="span"
            color={reading?.certainty === 'unsure' ? 'secondary' : 'textSecondary'}
            sx={{ fontWeight: reading?.certainty === 'unsure' ? 650 : 400 }}
          >
            {reading && chosen === 0 ? CERTAINTY_WORDS[reading.certainty] : 'chosen by you'}
            {reading?.isGuess ? ', amounts guessed' : ''}
            {reading?.counts ? `, counts ${COUNTS_WORDS[reading.counts]}` : ''}
          </Typography>
        </Box>
        {reading?.isEitherWay && (
          <Wrap sx={{ alignItems: 'baseline', my: 0.5 }}>
            <Typography variant="body2">Nothing says which way it runs. Which end {mostWords(reading)}?</Typography>
            <Button size="small" variant="outlined" onClick={() => onTurn(false)}>
              &lt; {first}
            </Button>
            <Button size="small" variant="outlined" onClick={() => onTurn(true)}>
              {last} &gt;
            </Button>
          </Wrap>
        )}
        <Typography variant="value" component="p" sx={{ m: 0, overflowWrap: 'anywhere' }}>
          {setting.options
            .map((o, i) => {
              const says = reading && optionReading(reading, i)
              return reading?.dimensions.length ? `${o.label} = ${says || 'open'}` : o.label
            })
            .join('; ')}
        </Typography>
      </Box>
    </Row>
  )
}
