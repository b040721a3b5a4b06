'use client'

import { Autocomplete, Button, TextField } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useMemo, useState } from 'react'
import { DIMENSIONS } from '@/core/vocabulary/dimensions'
import { linkTo } from '@/ui/address'
import { useLocal } from '@/ui/local'
import { Page } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { HowMuch } from './HowMuch'
import { EMPTY, planOf, trialOf, type Typed, wrongIn } from './plan-form'
import { Situations, Ways } from './WaysAndSituations'
import { Box, Typography } from '@/ui/elements'

const read = (text: string | null): Typed => {
  try {
    return { ...EMPTY, ...(JSON.parse(text ?? '{}') as Partial<Typed>) }
  } catch {
    return EMPTY
  }
}

/** The question, the ways, the situations; and what such a trial could tell, while it is typed. */
export const PlanForm = ({
  units,
  standards,
}: {
  units: readonly string[]
  standards: readonly { readonly id: string; readonly name: string }[]
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const [kept, keep] = useLocal('coherion-trial-plan')
  const typed = useMemo(() => read(kept), [kept])
  const [isShown, setShown] = useState(false)
  const set = (next: Partial<Typed>) => keep(JSON.stringify({ ...typed, ...next }))
  const wrong = wrongIn(typed)
  const save = async () => {
    setShown(true)
    if (Object.keys(wrong).length > 0) return
    const seed = Math.floor(Math.random() * 1e6)
    const sent = await send<{ id: number }>('POST', '/api/v1/trials', { document: trialOf(planOf(typed, seed)) })
    if (!sent.ok) return
    keep('{}')
    router.push(linkTo(`/prove/trials/${sent.value.id}`, params))
  }
  const wordsOf = (field: keyof typeof wrong) => (isShown ? wrong[field] : undefined)
  return (
    <Page>
      <Typography variant="h1">Plan a trial</Typography>
      <Box sx={{ maxWidth: 'var(--wide)' }}>
        <TextField
          fullWidth
          label="The question"
          placeholder="Thumb start or shutter start for tumblers?"
          value={typed.name}
          onChange={e => set({ name: e.target.value })}
          error={wordsOf('name') !== undefined}
          helperText={wordsOf('name')}
          sx={{ mt: 2 }}
        />
        <Autocomplete
          options={DIMENSIONS}
          value={DIMENSIONS.find(d => d.id === typed.about) ?? null}
          onChange={(_, d) => set({ about: d?.id ?? '' })}
          getOptionLabel={d => d.label}
          sx={{ mt: 2, maxWidth: 'var(--field-long)' }}
          renderInput={p => <TextField {...p} label="It speaks about" placeholder="nothing in particular" />}
        />
        <Ways typed={typed} set={set} standards={standards} areTold={isShown} words={wordsOf('ways')} />
        <Situations typed={typed} set={set} areTold={isShown} words={wordsOf('situations')} />
        <HowMuch typed={typed} set={set} wrong={wrong} units={units} />
        <Trouble words={problem} sx={{ mt: 2 }} />
        <Button variant="contained" disabled={isBusy} onClick={() => void save()} sx={{ mt: 1 }}>
          Write the plan
        </Button>
      </Box>
    </Page>
  )
}
