'use client'

import { Alert, Button, Tab, Tabs } from '@mui/material'
import dynamic from 'next/dynamic'
import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import { describeStandardChanges, wanted } from '@/core/standards/compare'
import { ownLayers, refText, type Standard, standardProblems, type Target } from '@/core/standards'
import { problemWords } from '@/core/reading/problem'
import type { StandardHeading } from '@/server/catalogue'
import type { StandardView as View } from '@/server/standards'
import { linkTo, useAddress } from '@/ui/address'
import { DraftButtons, StatusProblem } from '@/ui/DraftStatus'
import { Page } from '@/ui/pieces'
import { sendJson } from '@/ui/send'
import { KeptLink, LinkButton } from '@/ui/links'
import { useStandardDraft } from '@/ui/standard-draft'
import { VersionMark } from '@/ui/versions'
import { lambdaWords } from '../../concordance/LevelSlider'
import type { HouseGuide } from '@/core/guide/house'
import type { CalledOn } from '@/server/guide'
import { LayerBar } from './LayerBar'
import type { LayerChoices } from './layer-words'
import { useComments } from './use-comments'
import { MergeNotice } from '@/ui/MergeNotice'
import { Box, Typography } from '@/ui/elements'

// Each part comes in a script of its own, with the page where it is shown at first.
const GuidePart = dynamic(() => import('./guide/GuidePart').then(m => m.GuidePart))
const TalkPart = dynamic(() => import('./TalkPart').then(m => m.TalkPart))
const TargetsPart = dynamic(() => import('./TargetsPart').then(m => m.TargetsPart))
const VersionsPart = dynamic(() => import('./VersionsPart').then(m => m.VersionsPart))

const PARTS = [
  { id: 'targets', label: 'Targets' },
  { id: 'guide', label: 'Guide' },
  { id: 'versions', label: 'Versions' },
  { id: 'talk', label: 'Talk and history' },
] as const
type PartId = (typeof PARTS)[number]['id']

/** One version of a standard: its layers and targets, the guide, its versions, and what people say about it. */
export const StandardView = ({
  view,
  bodies,
  standards,
  choices,
  house,
  called,
}: {
  view: View
  /** The bodies in hand, joined by commas; all where empty. */
  bodies: string
  standards: readonly StandardHeading[]
  choices: LayerChoices
  house: HouseGuide
  called: CalledOn
}) => {
  const { version } = view.document
  const addressOf = useCallback(
    (v: number, rest: URLSearchParams) => {
      const part = rest.get('part')
      return linkTo(`/decide/standards/${view.id}`, rest, { version: String(v), ...(part ? { part } : {}) })
    },
    [view.id],
  )
  const { draft, isDraft, open, beginDraft, problem: draftProblem } = useStandardDraft(view, addressOf)
  const { document, edit } = draft
  const { params: address, set } = useAddress()
  const [problem, setProblem] = useState('')
  const comments = useComments(view.id, version)
  const part: PartId = PARTS.find(p => p.id === address.get('part'))?.id ?? 'targets'
  const own = useMemo(() => ownLayers(document), [document])
  const layer = own.find(l => l.id === address.get('layer')) ?? own[0]
  // What has to be mended may come a frame later than what was typed.
  const settled = useDeferredValue(document)
  const mending = useMemo(() => standardProblems(settled, settled.name).map(problemWords), [settled])

  const takeNewer = async (below: string) => {
    const ref = encodeURIComponent(refText({ id: view.id, version }))
    const sent = await sendJson<Standard>('GET', `/api/v1/standards/${ref}/on/${below}`)
    if (!sent.ok) setProblem(sent.detail)
    else edit(`taken up the newest ${below}`, s => ({ ...s, layers: mergedLayers(s, sent.value) }))
  }

  return (
    <Page>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, rowGap: 1, alignItems: 'center' }}>
        <Box sx={{ flex: 1, minWidth: 'var(--field)' }}>
          <Typography variant="h1">{document.name}</Typography>
          <VersionMark version={version} state={view.state} />
        </Box>
        {isDraft ? (
          <DraftButtons draft={draft} />
        ) : open ? (
          <LinkButton to={`/decide/standards/${view.id}`} more={{ version: String(open) }}>
            Go to version {open}
          </LinkButton>
        ) : (
          <Button variant="contained" onClick={() => void beginDraft()}>
            Begin a new draft
          </Button>
        )}
        <LinkButton to="/decide/concordance" more={{ standard: refText({ id: view.id, version }) }}>
          In the Concordance
        </LinkButton>
        <Button component="a" href={`/api/v1/standards/${encodeURIComponent(refText({ id: view.id, version }))}/pdf`}>
          For the wall
        </Button>
        <Button
          component="a"
          href={`/api/v1/standards/${encodeURIComponent(refText({ id: view.id, version }))}`}
          download={`${view.id}-${version}.json`}
        >
          As a file
        </Button>
      </Box>
      <Typography color="textSecondary" sx={{ mt: 0.5 }}>
        {document.about}
      </Typography>
      {document.level && (
        <Typography sx={{ mt: 0.5 }}>
          The bodies are held to a common level: {lambdaWords(document.level.lambdaHundredths)}. Where you change
          targets afterwards, level them again in the Concordance.
        </Typography>
      )}
      {(problem || draftProblem) && <Alert severity="error">{problem || draftProblem}</Alert>}
      <StatusProblem status={draft.status} />
      <MergeNotice
        draft={draft}
        name={document.name}
        mine={document}
        describe={describeStandardChanges}
        show={targetWords}
      />
      {isDraft &&
        view.newerBelow
          .filter(n => document.layers.some(l => l.from?.standard === n.standard && l.from.version < n.newest))
          .map(n => (
            <Alert
              key={n.standard}
              severity="info"
              sx={{ mt: 1 }}
              action={
                <Button color="inherit" onClick={() => void takeNewer(n.standard)}>
                  Take it up
                </Button>
              }
            >
              This stands on {n.name}, version {n.has}; version {n.newest} is approved.{' '}
              <KeptLink
                to="/decide/compare"
                more={{
                  before: `${n.standard}@${n.has}`,
                  after: `${n.standard}@${n.newest}`,
                }}
              >
                See what differs
              </KeptLink>
            </Alert>
          ))}
      <LayerBar
        standard={document}
        selected={layer?.id}
        onSelect={id => set({ layer: id === own[0]?.id ? undefined : id })}
        choices={choices}
        edit={isDraft ? edit : undefined}
      />
      <Tabs
        value={part}
        onChange={(_, id: PartId) => set({ part: id === 'targets' ? undefined : id })}
        variant="scrollable"
        allowScrollButtonsMobile
        aria-label="Parts of the standard"
        sx={{ borderBottom: 1, borderColor: 'divider', mb: 2 }}
      >
        {PARTS.map(p => (
          <Tab key={p.id} value={p.id} label={p.label} />
        ))}
      </Tabs>
      {part === 'targets' && layer && (
        <TargetsPart
          standard={document}
          layer={layer}
          edit={isDraft ? edit : undefined}
          bodies={bodies}
          comments={comments}
        />
      )}
      {part === 'guide' && layer && (
        <GuidePart
          standard={document}
          layer={layer}
          edit={isDraft ? edit : undefined}
          house={house}
          called={called}
          onDraft={() => void beginDraft()}
        />
      )}
      {part === 'versions' && (
        <VersionsPart
          view={view}
          standards={standards}
          mending={mending}
          revision={draft.revision}
          isSaved={draft.status.kind === 'saved'}
        />
      )}
      {part === 'talk' && <TalkPart id={view.id} comments={comments} revision={draft.revision} />}
    </Page>
  )
}

/** A target that two people changed, in words. */
const targetWords = (value: unknown): string | undefined =>
  typeof value === 'object' && value !== null && 'dimension' in value && 'weight' in value
    ? wanted(value as Target)
    : undefined

/** The layers taken from below as they are now, and the own ones as they stand in the draft. */
const mergedLayers = (draft: Standard, newer: Standard): Standard['layers'] => {
  const own = new Map(draft.layers.filter(l => !l.from).map(l => [l.id, l]))
  return newer.layers.map(l => (l.from ? l : (own.get(l.id) ?? l)))
}
