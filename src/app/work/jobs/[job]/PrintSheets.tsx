'use client'

import { Button, Menu, MenuItem } from '@mui/material'
import { useState } from 'react'
import type { JobFacts } from '@/core/jobs/facts'
import type { Job } from '@/core/jobs/job'
import type { Planned } from '@/core/jobs/replan'
import { printedLines, sheetFor } from '@/core/jobs/sheet'
import type { Happened } from '@/core/jobs/standing'
import { PAPERS } from '@/ui/PrintButton'
import { fetchFile } from '@/ui/save-file'
import { Trouble } from '@/ui/Trouble'
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
  const [problem, setProblem] = useState('')
  const [isBusy, setBusy] = useState(false)
  const print = async (query: string) => {
    setAnchor(null)
    setBusy(true)
    const lines = printedLines(sheetFor(document, facts, planned, happened, person))
    const wrong = await fetchFile(`/api/v1/jobs/${job}/sheets?${query}`, `${person ?? job}.pdf`)
    setProblem(wrong)
    setBusy(false)
    // Only what is on paper is remembered: the next sheets say what changed since.
    if (!wrong) happen({ kind: 'printed', ...(person === undefined ? {} : { who: person }), lines })
  }
  const whom = person === undefined ? '' : `&person=${person}`
  return (
    <>
      <Button variant="outlined" aria-haspopup="menu" disabled={isBusy} onClick={e => setAnchor(e.currentTarget)}>
        {isBusy ? 'Drawing …' : 'Print call sheets'}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)} className="no-print">
        {PAPERS.map(p => (
          <MenuItem key={p.id} onClick={() => void print(`paper=${p.id}${whom || '&each=yes'}`)}>
            {person === undefined ? `For each, ${p.label}` : p.label}
          </MenuItem>
        ))}
        {person === undefined && <MenuItem onClick={() => void print('paper=a4')}>One for all, A4</MenuItem>}
        <MenuItem component="a" href={`/api/v1/jobs/${job}/calendar${person === undefined ? '' : `?person=${person}`}`}>
          As a calendar (ICS)
        </MenuItem>
      </Menu>
      <Trouble words={problem} sx={{ flexBasis: '100%' }} />
    </>
  )
}
