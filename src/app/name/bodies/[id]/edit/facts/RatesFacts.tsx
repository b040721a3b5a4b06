'use client'

import { Button } from '@mui/material'
import { NumberField } from '@/ui/kinds/fields'
import type { Editor } from '../use-editor'
import { factChange, FactRow, FactSection, TextValue } from './parts'
import { RateFields } from './RateFields'
import { Box } from '@/ui/elements'

/** How fast it shoots, and what focuses between the frames. */
export const RatesFacts = ({ editor }: { editor: Editor }) => {
  const { form } = editor
  const change = factChange(editor, 'frameRates')
  return (
    <FactSection id="frameRates" title="Frame rates" editor={editor}>
      <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}>
        {form.frameRates.map((r, i) => {
          const set = (next: Partial<typeof r>) =>
            change('frame rates', b => ({
              ...b,
              frameRates: b.frameRates.map((x, k) => (k === i ? { ...x, ...next } : x)),
            }))
          return (
            <FactRow key={i}>
              <TextValue
                label="Called"
                value={r.label}
                isRight={t => t.length > 0}
                onChange={label => set({ label })}
              />
              <NumberField
                label="Frames"
                unit="a second"
                min={0.1}
                value={r.framesPerSecond}
                onChange={n => set({ framesPerSecond: Number(n) })}
              />
              <RateFields rate={r} onChange={set} />
              <Button
                size="small"
                disabled={form.frameRates.length < 2}
                onClick={() =>
                  change('frame rates', b => ({
                    ...b,
                    frameRates: b.frameRates.filter((_, k) => k !== i),
                  }))
                }
              >
                Remove
              </Button>
            </FactRow>
          )
        })}
        <Button
          sx={{ alignSelf: 'flex-start' }}
          onClick={() =>
            change('frame rates', b => ({
              ...b,
              frameRates: [...b.frameRates, { label: 'Another', framesPerSecond: 5, focusBetweenFrames: true }],
            }))
          }
        >
          Add a rate
        </Button>
      </Box>
    </FactSection>
  )
}
