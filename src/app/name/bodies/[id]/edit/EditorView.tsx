'use client'

import { Alert, Tab, Tabs } from '@mui/material'
import dynamic from 'next/dynamic'
import { useMemo } from 'react'
import type { Body } from '@/core/bodies'
import { describeChanges, startLooking, versionsOf } from '@/core/bodies'
import type { Standard } from '@/core/standards'
import { useAddress } from '@/ui/address'
import { Page } from '@/ui/pieces'
import { LinkButton } from '@/ui/links'
import { DraftButtons, StatusProblem, useUndoKeys } from '@/ui/DraftStatus'
import { useWorkerAnswer, WorkerTrouble } from '@/ui/worker'
import type { Completeness } from '@/workers/completeness'
import type { CompletenessAsk } from '@/workers/completeness.worker'
import { Standing } from './Standing'
import { useEditor } from './use-editor'
import { MergeNotice } from '@/ui/MergeNotice'
import { Box, Typography } from '@/ui/elements'

// Each part comes in a script of its own, with the page where it is shown at first.
const ControlsPart = dynamic(() => import('./ControlsPart').then(m => m.ControlsPart))
const FactsPart = dynamic(() => import('./facts/FactsPart').then(m => m.FactsPart))
const FirmwarePart = dynamic(() => import('./FirmwarePart').then(m => m.FirmwarePart))
const FirstCardPart = dynamic(() => import('./first-card/FirstCardPart').then(m => m.FirstCardPart))
const HistoryPart = dynamic(() => import('./HistoryPart').then(m => m.HistoryPart))
const MenuPart = dynamic(() => import('./menu/MenuPart').then(m => m.MenuPart))
const RulesPart = dynamic(() => import('./rules/RulesPart').then(m => m.RulesPart))
const CompletenessPart = dynamic(() => import('./CompletenessPart').then(m => m.CompletenessPart))

const PARTS = [
  { id: 'menu', label: 'Menu' },
  { id: 'first-card', label: 'First card' },
  { id: 'controls', label: 'Controls' },
  { id: 'rules', label: 'Rules' },
  { id: 'facts', label: 'Facts' },
  { id: 'firmware', label: 'Firmware' },
  { id: 'standing', label: 'How far it is' },
  { id: 'history', label: 'History' },
] as const
type PartId = (typeof PARTS)[number]['id']

const completenessWorker = () =>
  new Worker(new URL('../../../../../workers/completeness.worker.ts', import.meta.url), { type: 'module' })

/** The profile of a body while it is written. */
export const EditorView = ({
  document,
  revision,
  standard,
  units,
}: {
  document: Body
  revision: number
  standard: Standard | undefined
  units: readonly { readonly tag: string; readonly firmware: string }[]
}) => {
  const editor = useEditor({ document, revision })
  const { params: address, set } = useAddress()
  const asked = address.get('part')
  const part: PartId = PARTS.find(p => p.id === asked)?.id ?? 'menu'
  const { form, profile, status } = editor
  const isFirstCard = part === 'first-card'
  const question = useMemo(
    () => ({ body: isFirstCard ? startLooking(form) : form, standard }),
    [form, standard, isFirstCard],
  )
  const {
    answer: found,
    trouble,
    retry,
  } = useWorkerAnswer<CompletenessAsk, Completeness>('completeness', completenessWorker, question)
  useUndoKeys(editor)
  const versions = versionsOf(profile)

  return (
    <Page>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, rowGap: 1, alignItems: 'center' }}>
        <Box sx={{ flex: 1, minWidth: 'var(--field)' }}>
          <Typography color="textSecondary">{profile.maker}</Typography>
          <Typography variant="h1">{profile.model}</Typography>
        </Box>
        <DraftButtons draft={editor} />
        <LinkButton to={`/name/bodies/${profile.id}`}>Done</LinkButton>
      </Box>
      <StatusProblem status={status} />
      <MergeNotice draft={editor} name={profile.model} mine={profile} describe={describeChanges} />
      {versions.length > 1 && editor.firmware !== profile.firmware.from && (
        <Alert severity="info" sx={{ mt: 1 }}>
          You are editing firmware {editor.firmware}. What you change here is what that update changes.
        </Alert>
      )}
      <WorkerTrouble trouble={trouble} retry={retry} />
      <Standing found={found} isFailed={trouble !== ''} onOpen={() => set({ part: 'standing' })} />
      <Tabs
        value={part}
        onChange={(_, id: PartId) => set({ part: id === 'menu' ? undefined : id })}
        variant="scrollable"
        allowScrollButtonsMobile
        aria-label="Parts of the profile"
        sx={{ borderBottom: 1, borderColor: 'divider', mb: 2 }}
      >
        {PARTS.map(p => (
          <Tab key={p.id} value={p.id} label={p.label} />
        ))}
      </Tabs>
      {part === 'menu' && <MenuPart editor={editor} />}
      {part === 'first-card' &&
        (standard ? (
          <FirstCardPart editor={editor} standard={standard} found={found} />
        ) : (
          <Typography>Take a standard first: it says what has to be known of the body.</Typography>
        ))}
      {part === 'controls' && <ControlsPart editor={editor} />}
      {part === 'rules' && <RulesPart editor={editor} />}
      {part === 'facts' && <FactsPart editor={editor} />}
      {part === 'firmware' && <FirmwarePart editor={editor} units={units} />}
      {part === 'standing' && <CompletenessPart found={found} onPart={id => set({ part: id })} />}
      {part === 'history' && <HistoryPart editor={editor} />}
    </Page>
  )
}
