'use client'

import { Alert, Button } from '@mui/material'
import { styled } from '@mui/material/styles'
import { type ComponentType, useState } from 'react'
import { isQuestion } from '@/core/optics/answers'
import type { QuestionId } from '@/core/optics/answers/answer'
import type { Trouble } from '@/core/optics/reckon'
import { lengthWords, plain } from '@/core/optics/words'
import type { DeskFigures } from '@/server/optics'
import { useAddress } from '@/ui/address'
import { FinderView } from '@/ui/optics/FinderView'
import { LoupeView } from '@/ui/optics/LoupeView'
import { SideView } from '@/ui/optics/SideView'
import { Eyebrow, Page } from '@/ui/pieces'
import { useUnits } from '@/ui/units'
import { UnitsSwitch } from '@/ui/UnitsSwitch'
import { AnswerItem } from './AnswerItem'
import { type Desk, DeskProvider } from './desk'
import { Keep, type KeepIn } from './Keep'
import { MORE } from './more'
import { SetUp } from './SetUp'
import { useOpticsDesk } from './use-desk'
import { Box, Typography } from '@/ui/elements'

const Columns = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)',
  gap: theme.spacing(2, 4),
  marginTop: theme.spacing(2),
  alignItems: 'start',
  [theme.breakpoints.down('md')]: { gridTemplateColumns: 'minmax(0, 1fr)' },
}))

const Pictures = styled('div')(({ theme }) => ({
  display: 'grid',
  gap: theme.spacing(1),
  [theme.breakpoints.up('md')]: { position: 'sticky', top: theme.spacing(2) },
}))

const Nothing: ComponentType = () => null

/** Decide with numbers: one scene, drawn to scale, and ten questions about it. */
export const OpticsView = ({
  figures,
  inHand,
  scene: text,
  standard,
}: {
  figures: DeskFigures
  inHand: readonly string[]
  scene: string | undefined
  standard: KeepIn | undefined
}) => {
  const { undo, redo, canUndo, canRedo, ...desk } = useOpticsDesk(figures, inHand, text)
  const { params, set } = useAddress()
  const asked = params.get('ask') ?? ''
  const [open, setOpen] = useState<QuestionId | undefined>(isQuestion(asked) ? asked : undefined)
  const toggle = (id: QuestionId) => {
    const next = open === id ? undefined : id
    setOpen(next)
    set({ ask: next })
  }
  return (
    <DeskProvider desk={desk}>
      <Page>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', mb: 1.5 }}>
          <Typography variant="h1" sx={{ flex: 1 }}>
            Optics desk
          </Typography>
          <Button onClick={undo} disabled={!canUndo}>
            Undo
          </Button>
          <Button onClick={redo} disabled={!canRedo}>
            Redo
          </Button>
          <UnitsSwitch />
        </Box>
        <SetUp />
        <Troubles desk={desk} />
        <Columns>
          <Pictures>
            <Eyebrow component="h2">Through the finder</Eyebrow>
            <FinderView r={desk.r} outlines={open === 'area'} onChange={desk.change} />
            <Eyebrow component="h2">From the side, to scale</Eyebrow>
            <SideView r={desk.r} onDistance={distance => desk.change({ distance })} />
            <Eyebrow component="h2">Around the subject, enlarged</Eyebrow>
            <LoupeView r={desk.r} onMiss={miss => desk.change({ miss })} />
          </Pictures>
          <div>
            {desk.answers.map(a => {
              const More = MORE[a.question] ?? Nothing
              return (
                <AnswerItem
                  key={a.question}
                  answer={a}
                  isOpen={open === a.question}
                  onToggle={() => toggle(a.question)}
                  keep={<Keep answer={a} standard={standard} />}
                >
                  <More />
                </AnswerItem>
              )
            })}
          </div>
        </Columns>
      </Page>
    </DeskProvider>
  )
}

const LENGTHS = new Set<keyof Desk['scene']>([
  'distance',
  'planNear',
  'planFar',
  'closestMetres',
  'subjectWidth',
  'subjectHeight',
  'subjectDepth',
  'partSize',
  'frontMetres',
])

/** What cannot be, and one press to the nearest that can; the pictures show that meanwhile. */
const Troubles = ({ desk }: { desk: Desk }) => {
  const [units] = useUnits()
  const words = ({ field, nearest = 0 }: Trouble) =>
    field === 'at'
      ? new Date(nearest).toISOString().slice(0, 10)
      : LENGTHS.has(field)
        ? lengthWords(nearest, units)
        : plain(nearest, 4)
  return (
    <Box role="status">
      {desk.troubles.map(t => (
        <Alert
          key={t.field + t.words}
          severity="warning"
          sx={{ mt: 1 }}
          action={
            t.nearest !== undefined && (
              <Button color="inherit" size="small" onClick={() => desk.change({ [t.field]: t.nearest })}>
                Take {words(t)}
              </Button>
            )
          }
        >
          {t.words}
        </Alert>
      ))}
    </Box>
  )
}
