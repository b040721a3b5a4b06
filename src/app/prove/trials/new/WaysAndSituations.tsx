'use client'

import { Button, TextField } from '@mui/material'
import { Choice } from '@/ui/Choice'
import { Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import type { Typed } from './plan-form'

interface Told {
  readonly typed: Typed
  readonly set: (next: Partial<Typed>) => void
  /** Whether what is missing is said. */
  readonly areTold: boolean
  readonly words: string | undefined
}

/** What is tried against each other: two ways or more, each with how it is set. */
export const Ways = ({
  typed,
  set,
  standards,
  areTold,
  words,
}: Told & { standards: readonly { readonly id: string; readonly name: string }[] }) => (
  <Section title="Ways">
    {typed.ways.map((way, i) => {
      const change = (next: Partial<typeof way>) =>
        set({ ways: typed.ways.map((w, k) => (k === i ? { ...w, ...next } : w)) })
      return (
        <Wrap key={i} sx={{ mb: 1.5 }}>
          <TextField
            size="small"
            label={`Way ${i + 1}`}
            value={way.name}
            onChange={e => change({ name: e.target.value })}
            error={areTold && !way.name.trim()}
            sx={{ flex: '2 1 var(--field-short)' }}
          />
          <Choice
            label={`Way ${i + 1} is set by`}
            value={standards.some(s => s.id === way.standard) ? way.standard : ''}
            onChange={value => change({ standard: value })}
            sx={{ flex: '2 1 var(--field-short)' }}
            none="its words"
            options={standards}
          />
          <TextField
            size="small"
            label={`What to set for way ${i + 1}`}
            value={way.how}
            onChange={e => change({ how: e.target.value })}
            sx={{ flex: '3 1 var(--field)' }}
          />
          {typed.ways.length > 2 && (
            <Button
              aria-label={`Remove way ${i + 1}`}
              onClick={() => set({ ways: typed.ways.filter((_, k) => k !== i) })}
            >
              Remove
            </Button>
          )}
        </Wrap>
      )
    })}
    {typed.ways.length < 6 && (
      <Button onClick={() => set({ ways: [...typed.ways, { name: '', how: '', standard: '' }] })}>Another way</Button>
    )}
    {words && <Trouble words={words} sx={{ mt: 1 }} />}
  </Section>
)

/** In what the ways are tried. */
export const Situations = ({ typed, set, areTold, words }: Told) => (
  <Section title="Situations">
    {typed.situations.map((situation, i) => (
      <Wrap key={i} sx={{ mb: 1.5 }}>
        <TextField
          size="small"
          label={`Situation ${i + 1}`}
          placeholder="Tumbler towards the camera"
          value={situation}
          onChange={e => set({ situations: typed.situations.map((s, k) => (k === i ? e.target.value : s)) })}
          error={areTold && !situation.trim()}
          sx={{ flex: '1 1 var(--field)' }}
        />
        {typed.situations.length > 1 && (
          <Button
            aria-label={`Remove situation ${i + 1}`}
            onClick={() => set({ situations: typed.situations.filter((_, k) => k !== i) })}
          >
            Remove
          </Button>
        )}
      </Wrap>
    ))}
    {typed.situations.length < 4 && (
      <Button onClick={() => set({ situations: [...typed.situations, ''] })}>Another situation</Button>
    )}
    {words && <Trouble words={words} sx={{ mt: 1 }} />}
  </Section>
)
