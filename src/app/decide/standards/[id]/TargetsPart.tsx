'use client'

import { Autocomplete, Drawer, TextField, useMediaQuery } from '@mui/material'
import { styled, useTheme } from '@mui/material/styles'
import { type KeyboardEvent, useCallback, useMemo, useRef } from 'react'
import { type Context, type EffectiveTarget, type Layer, layered, type Standard } from '@/core/standards'
import { dimension, DIMENSIONS, GROUPS } from '@/core/vocabulary/dimensions'
import { toleranceWords, valueWords } from '@/core/vocabulary/words'
import { useAddress } from '@/ui/address'
import type { Draft } from '@/ui/draft/draft'
import { Eyebrow } from '@/ui/pieces'
import { WeightBadge } from '../../concordance/WeightBadge'
import { CalculationsSection } from './CalculationsSection'
import { PinsSection } from './PinsSection'
import type { Comments } from './use-comments'
import { later } from '@/ui/later'
import { Box, Typography } from '@/ui/elements'

const TargetPanel = later(() => import('./TargetPanel').then(m => m.TargetPanel))

const RowButton = styled('button')(({ theme }) => ({
  all: 'unset',
  boxSizing: 'border-box',
  cursor: 'pointer',
  width: '100%',
  display: 'grid',
  gridTemplateColumns: 'minmax(120px, 1fr) minmax(120px, 1.3fr) 64px minmax(90px, 0.8fr)',
  gap: theme.spacing(1.5),
  alignItems: 'baseline',
  minHeight: 'var(--touch)',
  padding: theme.spacing(1, 1),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  '&:hover': { background: theme.vars?.palette.own.marigold.wash },
  '&[aria-current="true"]': {
    background: theme.vars?.palette.own.marigold.wash,
    boxShadow: `inset 3px 0 0 ${theme.vars?.palette.own.marigold.main}`,
  },
  '&:focus-visible': { outline: `3px solid ${theme.vars?.palette.own.marigold.main}`, outlineOffset: -3 },
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '1fr auto', rowGap: 0 },
}))

/** Whom the layer is for, so that what is seen is what counts there. */
const contextOf = (layer: Layer): Context =>
  Object.fromEntries(Object.entries(layer.applies ?? {}).map(([scope, names]) => [scope, names.slice(0, 1)]))

const wantedWords = (t: EffectiveTarget): string => {
  const d = dimension(t.dimension)
  return valueWords(d, t.value) + (t.tolerance === undefined ? '' : ` ${toleranceWords(d, t.tolerance)}`)
}

/** Everything a standard asks for, in its groups: what this layer says stands out, the rest is from below. */
export const TargetsPart = ({
  standard,
  layer,
  edit,
  bodies,
  comments,
}: {
  standard: Standard
  layer: Layer
  edit: Draft<Standard>['edit'] | undefined
  bodies: string
  comments: Comments
}) => {
  const { params, set } = useAddress()
  const list = useRef<HTMLDivElement>(null)
  const isNarrow = useMediaQuery(useTheme().breakpoints.down('lg'))
  const context = useMemo(() => contextOf(layer), [layer])
  const { targets, withheld } = useMemo(() => layered(standard, context), [standard, context])
  const asked = params.get('target')
  const selected = DIMENSIONS.find(d => d.id === asked)?.id
  const select = useCallback((id: string | undefined) => set({ target: id }), [set])
  const own = new Set(layer.targets.map(t => t.dimension))
  const waiting = new Set(withheld.map(w => w.target.dimension))
  const open = (id: string) => comments.all.filter(c => c.dimension === id && !c.settled_at).length

  const onKey = (event: KeyboardEvent) => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
    if (!step) return
    const rows = [...(list.current?.querySelectorAll<HTMLElement>('[data-row]') ?? [])]
    const at = rows.findIndex(r => r === document.activeElement)
    if (at < 0) return
    event.preventDefault()
    rows[at + step]?.focus()
  }

  const panel = selected && (
    <TargetPanel
      key={`${layer.id} ${selected}`}
      standard={standard}
      layer={layer}
      context={context}
      dimensionId={selected}
      edit={edit}
      bodies={bodies}
      comments={comments}
      onClose={() => select(undefined)}
    />
  )

  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: selected ? '1fr var(--side)' : '1fr' }, gap: 3 }}>
      <Box ref={list} onKeyDown={onKey}>
        {targets.length === 0 && (
          <Typography sx={{ py: 2 }}>
            Nothing is asked for yet. Answer the guide’s questions, or add a target below.
          </Typography>
        )}
        {GROUPS.map(g => {
          const here = targets.filter(t => dimension(t.dimension).group === g.id)
          const left = DIMENSIONS.filter(d => d.group === g.id && !here.some(t => t.dimension === d.id))
          if (!here.length && !edit) return null
          return (
            <Box component="section" key={g.id} sx={{ mb: 2 }}>
              <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, minHeight: 'var(--touch)' }}>
                <Box sx={{ flex: 1 }}>
                  <Eyebrow component="h2">{g.label}</Eyebrow>
                </Box>
                {edit && left.length > 0 && (
                  <Autocomplete
                    size="small"
                    options={left}
                    getOptionLabel={d => d.label}
                    value={null}
                    blurOnSelect
                    clearOnBlur
                    onChange={(_, d) => select(d?.id)}
                    sx={{ width: 'var(--field)' }}
                    renderInput={p => (
                      <TextField
                        {...p}
                        variant="standard"
                        placeholder="Ask for more"
                        aria-label={`Ask for more: ${g.label}`}
                      />
                    )}
                  />
                )}
              </Box>
              {here.map(t => (
                <RowButton
                  key={t.dimension}
                  data-row
                  aria-current={t.dimension === selected}
                  onClick={() => select(t.dimension === selected ? undefined : t.dimension)}
                >
                  <Typography component="span" sx={{ fontWeight: own.has(t.dimension) ? 700 : 400 }}>
                    {dimension(t.dimension).label}
                    {open(t.dimension) > 0 && (
                      <Typography component="span" variant="body2" color="secondary">
                        {' '}
                        · {open(t.dimension)} to talk over
                      </Typography>
                    )}
                  </Typography>
                  <Typography variant="value" color={own.has(t.dimension) ? 'textPrimary' : 'textSecondary'}>
                    {wantedWords(t)}
                  </Typography>
                  <WeightBadge weight={t.weight} />
                  <Typography
                    component="span"
                    variant="body2"
                    color={waiting.has(t.dimension) ? 'error' : 'textSecondary'}
                  >
                    {waiting.has(t.dimension) ? `${t.from.layer}: a must that stands` : t.from.layer}
                  </Typography>
                </RowButton>
              ))}
            </Box>
          )
        })}
        <CalculationsSection standard={standard} layer={layer} edit={edit} />
        <PinsSection standard={standard} layer={layer} edit={edit} />
      </Box>
      {panel && !isNarrow && panel}
      {panel && isNarrow && (
        <Drawer
          anchor="bottom"
          open
          onClose={() => select(undefined)}
          slotProps={{ paper: { sx: { maxHeight: '88dvh', p: 2 }, 'aria-label': 'Target' } }}
        >
          {panel}
        </Drawer>
      )}
    </Box>
  )
}
