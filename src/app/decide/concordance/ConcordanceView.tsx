'use client'

import { Button, FormControlLabel, LinearProgress, Switch, useMediaQuery } from '@mui/material'
import { useTheme } from '@mui/material/styles'
import { useCallback, useMemo } from 'react'
import type { Concordance } from '@/core/resolve/concordance'
import { GROUPS, type GroupId } from '@/core/vocabulary/dimensions'
import { useAddress } from '@/ui/address'
import { SidePanel } from '@/ui/SidePanel'
import { NotReckoned } from '@/ui/NotReckoned'
import { WorkerTrouble } from '@/ui/worker'
import { arrange } from './arrange'
import { Explanation } from './Explanation'
import { LevelPanel } from './LevelPanel'
import { LevelSlider } from './LevelSlider'
import { type CellRef, Matrix } from './Matrix'
import { FigureExplanation, type FigureId, FIGURES, Figures } from './Summary'
import { TargetList } from './TargetList'
import { useLevelled } from './use-levelled'
import { Box, Typography } from '@/ui/elements'

const cellFrom = (text: string | null): CellRef | undefined => {
  const [body, dimension] = text?.split(':') ?? []
  return body && dimension ? { body, dimension } : undefined
}

const SmallSwitch = ({
  label,
  checked,
  onChange,
}: {
  label: string
  checked: boolean
  onChange: (on: boolean) => void
}) => (
  <FormControlLabel
    control={<Switch size="small" checked={checked} onChange={e => onChange(e.target.checked)} />}
    label={<Typography variant="body2">{label}</Typography>}
    sx={{ minHeight: 'var(--touch)', mr: 0 }}
  />
)

/** Where the stored table is to be had for a spreadsheet. */
const tableAddress = (standard: string, params: URLSearchParams): string => {
  const query = new URLSearchParams({ standard, as: 'csv' })
  for (const name of ['bodies', 'for']) {
    const value = params.get(name)
    if (value) query.set(name, value)
  }
  return `/api/v1/concordance?${query.toString()}`
}

/** The central view: every target of the standard in hand on every body in hand. All of its state is in the address. */
export const ConcordanceView = ({
  text,
  standardText,
  reference,
  state,
  drafted,
}: {
  text: string
  standardText: string
  /** The standard in hand, as the address names it. */
  reference: string
  /** How far its version has come. */
  state: string
  /** The version that is being worked on, where it is another one. */
  drafted?: number
}) => {
  const stored = useMemo(() => JSON.parse(text) as Concordance, [text])
  const { params, set } = useAddress()
  const figure = FIGURES.find(f => f === params.get('figure'))
  const asked = params.get('level')
  const lambdaHundredths = asked === null ? stored.standard.lambdaHundredths : Number(asked) || 0
  const { concordance, level, view, isBusy, trouble, retry } = useLevelled(stored, standardText, {
    lambdaHundredths,
    bodies: params.get('bodies') ?? '',
    forWhom: params.get('for') ?? '',
    isLookedAt: figure === 'alike',
  })
  const theme = useTheme()
  const isPhone = useMediaQuery(theme.breakpoints.down('sm'))
  // Where the panel rises over the view it would take the slider away from under the finger.
  const isNarrow = useMediaQuery(theme.breakpoints.down('md'))
  const move = useCallback(
    (lambda: number) =>
      set({
        level: lambda === stored.standard.lambdaHundredths ? undefined : String(lambda),
        cell: undefined,
        ...(isNarrow ? {} : { figure: 'alike' }),
      }),
    [set, stored.standard.lambdaHundredths, isNarrow],
  )
  const onlyDiffering = params.get('differs') === '1'
  const byAgreement = params.get('sort') === 'agreement'
  const foldedText = params.get('folded') ?? ''
  const folded = useMemo(
    () => new Set(GROUPS.map(g => g.id).filter(id => foldedText.split(',').includes(id))),
    [foldedText],
  )
  const arranged = useMemo(
    () => arrange(concordance, { onlyDiffering, byAgreement, folded: isPhone ? new Set() : folded }),
    [concordance, onlyDiffering, byAgreement, folded, isPhone],
  )
  const cell = cellFrom(params.get('cell'))
  const known =
    cell &&
    concordance.columns.some(c => c.id === cell.body) &&
    concordance.rows.some(r => r.dimension === cell.dimension)
      ? cell
      : undefined

  const selectCell = useCallback((c: CellRef) => set({ cell: `${c.body}:${c.dimension}`, figure: undefined }), [set])
  const selectFigure = useCallback((id: FigureId) => set({ figure: id, cell: undefined }), [set])
  const close = useCallback(() => set({ cell: undefined, figure: undefined }), [set])
  const fold = useCallback(
    (id: GroupId) => {
      const next = new Set(folded)
      if (!next.delete(id)) next.add(id)
      set({ folded: next.size ? [...next].join(',') : undefined })
    },
    [folded, set],
  )

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: { sm: 'calc(100dvh - var(--head))' } }}>
      <Box sx={{ px: { xs: 2, sm: 2.5 }, pt: 1 }}>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, alignItems: 'center' }}>
          <Typography variant="h1">{concordance.standard.name}</Typography>
          <Typography variant="value" color="textSecondary" sx={{ flex: 1 }}>
            version {concordance.standard.version}
          </Typography>
          <SmallSwitch
            label="Only what differs"
            checked={onlyDiffering}
            onChange={on => set({ differs: on ? '1' : undefined })}
          />
          <SmallSwitch
            label="Best bodies first"
            checked={byAgreement}
            onChange={on => set({ sort: on ? 'agreement' : undefined })}
          />
          <LevelSlider lambdaHundredths={lambdaHundredths} onMove={move} />
        </Box>
        <Box sx={{ display: 'flex', alignItems: 'center' }}>
          <Box sx={{ flex: 1, minWidth: 0 }}>
            <Figures concordance={concordance} onSelect={selectFigure} />
          </Box>
          <Button
            size="small"
            component="a"
            href={tableAddress(reference, params)}
            sx={{ display: { xs: 'none', md: 'inline-flex' } }}
          >
            As a table (CSV)
          </Button>
        </Box>
        <Box sx={{ height: 4 }}>{isBusy && <LinearProgress aria-label="Levelling" />}</Box>
        {isNarrow && asked !== null && (
          <Button variant="outlined" sx={{ mb: 1 }} onClick={() => selectFigure('alike')}>
            What levelling does, and keep it
          </Button>
        )}
        <WorkerTrouble trouble={trouble} retry={retry} />
      </Box>
      <NotReckoned failed={concordance.failed} />
      {arranged.lines.length === 0 && (
        <Typography sx={{ px: 2.5, py: 4 }}>
          Nothing differs: every body in hand does exactly what this standard asks.
        </Typography>
      )}
      <Box sx={{ display: 'flex', flex: 1, minHeight: 0, borderTop: 1, borderColor: 'divider' }}>
        {isPhone ? (
          <TargetList
            concordance={concordance}
            arranged={arranged}
            bodyId={params.get('body') ?? undefined}
            onBody={id => set({ body: id })}
            onSelect={selectCell}
          />
        ) : (
          <Matrix concordance={concordance} arranged={arranged} selected={known} onSelect={selectCell} onFold={fold} />
        )}
        {(known || figure) && (
          <SidePanel label="Explanation" onClose={close}>
            {known ? (
              <Explanation standard={reference} cell={known} level={level} />
            ) : (
              figure &&
              (figure === 'alike' ? (
                <LevelPanel
                  concordance={stored}
                  view={view}
                  isFailed={trouble !== ''}
                  reference={reference}
                  isDraft={state === 'draft'}
                  drafted={drafted}
                />
              ) : (
                <FigureExplanation concordance={concordance} figure={figure} />
              ))
            )}
          </SidePanel>
        )}
      </Box>
    </Box>
  )
}
