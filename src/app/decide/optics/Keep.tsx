'use client'

import { Alert, Autocomplete, Button, FormControlLabel, Radio, RadioGroup, TextField } from '@mui/material'
import { useState } from 'react'
import type { Answer } from '@/core/optics/answers/answer'
import { differingFrom } from '@/core/optics/scene'
import { KEPT_AS } from '@/core/standards'
import { dimension } from '@/core/vocabulary/dimensions'
import { valueWords } from '@/core/vocabulary/words'
import type { KeptView } from '@/server/optics'
import { Choice } from '@/ui/Choice'
import { KeptLink } from '@/ui/links'
import { Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { useDesk } from './desk'
import { Box, Typography } from '@/ui/elements'

/** The standard in hand, in whose draft answers are kept. */
export interface KeepIn {
  readonly id: string
  readonly name: string
  /** Its own layers that are not for one scene, lowest first. */
  readonly layers: readonly { readonly id: string; readonly name: string; readonly isForAll: boolean }[]
  readonly scenes: readonly string[]
}

type As = (typeof KEPT_AS)[number]

/** The topmost layer for everybody: what is for one person is chosen, not fallen into. */
const usualLayer = (standard: KeepIn | undefined): string =>
  (standard?.layers.findLast(l => l.isForAll) ?? standard?.layers[0])?.id ?? ''

/** Keeps an answer where it is needed: as a target, as a note on a scene, or as a figure on the cards. */
export const Keep = ({ answer, standard }: { answer: Answer; standard: KeepIn | undefined }) => {
  const { r, troubles } = useDesk()
  const { send, isBusy, problem } = useSend()
  const [isOpen, setOpen] = useState(false)
  const [as, setAs] = useState<As>(answer.target ? 'target' : 'figure')
  const [weight, setWeight] = useState('should')
  const [layer, setLayer] = useState(usualLayer(standard))
  const [scene, setScene] = useState('')
  const [kept, setKept] = useState<KeptView | undefined>(undefined)
  const [isBack, setBack] = useState(false)
  if (!standard) return null
  const chosen: As = as === 'target' && !answer.target ? 'figure' : as
  const keep = async () => {
    const sent = await send<KeptView>('POST', `/api/v1/standards/${standard.id}/calculations`, {
      question: answer.question,
      scene: differingFrom(r.scene),
      as: chosen,
      weight,
      ...(scene.trim() ? { forScene: scene.trim() } : layer ? { layer } : {}),
    })
    if (!sent.ok) return
    setKept(sent.value)
    setBack(false)
    setOpen(false)
  }
  const takeBack = async (k: KeptView) => {
    const sent = await send('PUT', `/api/v1/standards/${k.standard}/versions/${k.version}`, {
      document: k.before,
      revision: k.revision,
      what: `optics: taken back ${k.short}`,
    })
    if (sent.ok) setBack(true)
  }
  const labels: Readonly<Record<As, string>> = {
    target: answer.target
      ? `as a target: ${dimension(answer.target.dimension).label}, ${valueWords(dimension(answer.target.dimension), answer.target.value)}`
      : '',
    note: 'as a note: the verdict in a line',
    figure: `as a figure on the cards: “${answer.short}”`,
  }
  return (
    <Box>
      {kept && (
        <Alert
          severity="success"
          sx={{ mb: 1 }}
          action={
            !isBack && (
              <Button color="inherit" size="small" onClick={() => void takeBack(kept)}>
                Take it back
              </Button>
            )
          }
        >
          {isBack ? (
            `Taken back from version ${kept.version} of ${kept.name}.`
          ) : (
            <>
              Kept in “{kept.layer}”, version {kept.version} of {kept.name} (draft).{' '}
              <KeptLink to={`/decide/standards/${kept.standard}`} more={{ version: String(kept.version) }}>
                See it there
              </KeptLink>
            </>
          )}
        </Alert>
      )}
      <Trouble words={problem} />
      {!isOpen ? (
        <Button variant="outlined" size="small" onClick={() => setOpen(true)}>
          Keep this
        </Button>
      ) : (
        <Box role="group" aria-label="Keep this answer" sx={{ p: 1.5, bgcolor: 'background.paper', borderRadius: 1 }}>
          <RadioGroup aria-label="Keep it" value={chosen} onChange={(_, v) => setAs(v as As)}>
            {KEPT_AS.filter(k => k !== 'target' || answer.target).map(k => (
              <FormControlLabel key={k} value={k} control={<Radio size="small" />} label={labels[k]} />
            ))}
          </RadioGroup>
          <Wrap sx={{ mt: 1, gap: 1.25 }}>
            {chosen === 'target' && (
              <Choice
                label="Weight"
                value={weight}
                onChange={setWeight}
                sx={{ minWidth: 'var(--field-number)' }}
                options={['must', 'should', 'nice'].map(w => ({ id: w, name: w }))}
              />
            )}
            {standard.layers.length > 1 && scene.trim() === '' && (
              <Choice
                label="Layer"
                value={layer}
                onChange={setLayer}
                sx={{ minWidth: 'var(--field-short)' }}
                options={standard.layers}
              />
            )}
            <Autocomplete
              freeSolo
              size="small"
              options={[...standard.scenes]}
              inputValue={scene}
              onInputChange={(_, v) => setScene(v)}
              sx={{ flex: 1, minWidth: 'var(--field-short)' }}
              renderInput={p => <TextField {...p} label="For one scene only" placeholder="any scene" />}
            />
          </Wrap>
          {troubles.length > 0 && (
            <Typography variant="body2" color="warning" sx={{ mt: 1 }}>
              Kept with the nearest that can be, not with what cannot.
            </Typography>
          )}
          <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
            <Button variant="contained" size="small" disabled={isBusy} onClick={() => void keep()}>
              Keep in the draft of {standard.name}
            </Button>
            <Button size="small" onClick={() => setOpen(false)}>
              Not now
            </Button>
          </Box>
        </Box>
      )}
    </Box>
  )
}
