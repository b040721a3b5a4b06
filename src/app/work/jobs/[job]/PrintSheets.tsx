'use client'

import { Button, Menu, MenuItem } from '@mui/material'
import { useState } from 'react'
import type { JobFacts } from '@/core/jobs/facts'
import type { Job } from '@/core/jobs/job'
import type { Planned } from '@/core/jobs/replan'
import { printedLines, sheetFor } from '@/core/jobs/sheet'
import type { Happened } from '@/core/jobs/standing'
import { PAPERS } from '@/ui/PrintButton'
import { useHappen } from '../use-happen'

/** Call sheets on paper: what changed since is marked on the next ones. */
export const PrintSheets = ({
  job,
  document,
  facts,
  planned,
  happened,
  person,
}: {
  job: string
  document: Job
  facts: JobFacts
  planned: Planned
  happened: readonly Happened[]
  /** Whose sheet; a sheet for each and one for all where not given. */
  person?: string
}) => {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const { happen } = useHappen(job)
  const open = (query: string) => {
    setAnchor(null)
    window.open(`/api/v1/jobs/${job}/sheets?${query}`, '_blank')
    const lines = printedLines(sheetFor(document, facts, planned, happened, person))
    happen({ kind: 'printed', ...(person === undefined ? {} : { who: person }), lines })
  }
  const whom = person === undefined ? '' : `&person=${person}`
  return (
    <>
      <Button variant="outlined" aria-haspopup="menu" onClick={e => setAnchor(e.currentTarget)}>
        Print call sheets
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)} className="no-print">
        {PAPERS.map(p => (
          <MenuItem key={p.id} onClick={() => open(`paper=${p.id}${whom || '&each=yes'}`)}>
            {person === undefined ? `For each, ${p.label}` : p.label}
          </MenuItem>
        ))}
        {person === undefined && <MenuItem onClick={() => open('paper=a4')}>One for all, A4</MenuItem>}
        <MenuItem component="a" href={`/api/v1/jobs/${job}/calendar${person === undefined ? '' : `?person=${person}`}`}>
          As a calendar (ICS)
        </MenuItem>
      </Menu>
    </>
  )
}
