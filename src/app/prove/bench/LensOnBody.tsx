'use client'

import { TextField } from '@mui/material'
import { useState } from 'react'
import type { TestableView } from '@/server/lens-tests'
import { Choice } from '@/ui/Choice'
import { Wrap } from '@/ui/pieces'

export interface Choice {
  readonly body: string
  readonly lens: string
  readonly unit: string
  readonly focal: string
}

/** Which lens on which body, and on which camera of it; lenses of the same maker come first. */
export const useLensOnBody = ({ bodies, lenses }: TestableView, first: string | undefined) => {
  const [choice, setChoice] = useState<Choice>({ body: first ?? '', lens: '', unit: '', focal: '' })
  const body = bodies.find(b => b.id === choice.body) ?? bodies[0]
  const near = lenses.toSorted((a, b) => Number(b.maker === body?.maker) - Number(a.maker === body?.maker))
  const lens = near.find(l => l.id === choice.lens) ?? near[0]
  const unit = body?.units.includes(choice.unit) ? choice.unit : ''
  const focalMm = Number(choice.focal.replace(',', '.')) || lens?.focalMm.to || 50
  return {
    body,
    lens,
    lenses: near,
    unit,
    focalMm,
    focal: choice.focal,
    set: (next: Partial<Choice>) => setChoice({ ...choice, ...next }),
  }
}

export const LensOnBody = ({
  bodies,
  chosen,
}: {
  bodies: TestableView['bodies']
  chosen: ReturnType<typeof useLensOnBody>
}) => {
  const { body, lens, lenses, unit, focal, set } = chosen
  if (!body || !lens) return null
  const select = (
    label: string,
    value: string,
    options: readonly (readonly [string, string])[],
    onChange: (v: string) => void,
  ) => (
    <Choice
      label={label}
      value={value}
      onChange={onChange}
      sx={{ flex: '1 1 var(--field)' }}
      options={options.map(([id, words]) => ({ id, name: words }))}
    />
  )
  return (
    <Wrap sx={{ gap: 1.5, maxWidth: 'var(--wide)', mb: 2 }}>
      {select(
        'Body',
        body.id,
        bodies.map(b => [b.id, b.name]),
        v => set({ body: v, unit: '' }),
      )}
      {select(
        'Lens',
        lens.id,
        lenses.map(l => [l.id, l.name]),
        v => set({ lens: v, focal: '' }),
      )}
      {select('Unit', unit, [['', 'any of them'], ...body.units.map(u => [u, u] as const)], v => set({ unit: v }))}
      <TextField
        size="small"
        label="Focal length (mm)"
        value={focal}
        placeholder={String(lens.focalMm.to)}
        onChange={e => set({ focal: e.target.value })}
        slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
        sx={{ flex: '0 1 var(--field-short)' }}
      />
    </Wrap>
  )
}
