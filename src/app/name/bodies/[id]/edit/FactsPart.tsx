'use client'

import { Box, Button, Checkbox, FormControlLabel, MenuItem, TextField, Typography } from '@mui/material'
import { type ReactNode, useState } from 'react'
import { type Body, FACT_WORDS, type FactId } from '@/core/bodies'
import { CoverageDrawing } from '@/ui/CoverageDrawing'
import { RateFacts } from './RateFacts'
import { NumberField } from '@/ui/kinds/fields'
import type { Editor } from './use-editor'

const Section = ({
  id,
  title,
  editor,
  children,
}: {
  id: FactId
  title: string
  editor: Editor
  children: ReactNode
}) => {
  const isOpen = editor.profile.unconfirmed.includes(id)
  return (
    <Box component="section" aria-label={title} sx={{ mb: 4 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mb: 1.5 }}>
        <Typography variant="h2">{title}</Typography>
        {isOpen && (
          <Button
            size="small"
            variant="outlined"
            onClick={() => editor.editProfile(`confirmed ${FACT_WORDS[id]}`, b => confirmed(b, id))}
          >
            I have looked: this is right
          </Button>
        )}
      </Box>
      {isOpen && (
        <Typography variant="body2" color="secondary" sx={{ mb: 1.5 }}>
          Taken over from where the profile began; nobody has looked at the body yet.
        </Typography>
      )}
      {children}
    </Box>
  )
}

const confirmed = (b: Body, id: FactId): Body => ({ ...b, unconfirmed: b.unconfirmed.filter(f => f !== id) })

const Row = ({ children }: { children: ReactNode }) => (
  <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, maxWidth: 760 }}>{children}</Box>
)

const TextValue = ({
  label,
  value,
  onChange,
  isRight = () => true,
  expected = '',
  multiline = false,
}: {
  label: string
  value: string
  onChange: (text: string) => void
  isRight?: (text: string) => boolean
  expected?: string
  multiline?: boolean
}) => (
  <TextField
    key={value}
    size="small"
    label={label}
    defaultValue={value}
    multiline={multiline}
    helperText={expected}
    sx={{ flex: 1, minWidth: 160 }}
    onBlur={e => {
      const text = e.target.value.trim()
      if (text !== value && isRight(text)) onChange(text)
    }}
  />
)

const isVersion = (text: string) => /^\d+(\.\d+){0,3}$/.test(text)

const NOTES = ['af-mf', 'lamp', 'sun', 'firmware', 'battery', 'other'] as const
const NOTE_WORDS: Readonly<Record<(typeof NOTES)[number], string>> = {
  'af-mf': 'AF and manual',
  lamp: 'lamp and sounds',
  sun: 'sun',
  firmware: 'firmware',
  battery: 'battery',
  other: 'something else',
}

const Notes = ({
  notes,
  onChange,
  add,
}: {
  notes: Body['cautions']
  onChange: (notes: Body['cautions']) => void
  add: string
}) => (
  <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5, maxWidth: 760 }}>
    {notes.map((n, i) => (
      <Box key={i} sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start' }}>
        <TextField
          select
          size="small"
          label="About"
          value={n.about}
          sx={{ width: 180 }}
          onChange={e =>
            onChange(notes.map((x, k) => (k === i ? { ...x, about: e.target.value as (typeof NOTES)[number] } : x)))
          }
        >
          {NOTES.map(id => (
            <MenuItem key={id} value={id}>
              {NOTE_WORDS[id]}
            </MenuItem>
          ))}
        </TextField>
        <TextValue
          label="In words"
          multiline
          value={n.words}
          isRight={t => t.length > 0 && t.length <= 400}
          onChange={words => onChange(notes.map((x, k) => (k === i ? { ...x, words } : x)))}
        />
        <Button size="small" onClick={() => onChange(notes.filter((_, k) => k !== i))}>
          Remove
        </Button>
      </Box>
    ))}
    <NewNote add={add} onAdd={note => onChange([...notes, note])} />
  </Box>
)

/** A note counts only once somebody has written it. */
const NewNote = ({ add, onAdd }: { add: string; onAdd: (note: Body['cautions'][number]) => void }) => {
  const [about, setAbout] = useState<(typeof NOTES)[number]>('af-mf')
  const [words, setWords] = useState('')
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' }}>
      <TextField
        select
        size="small"
        label="About"
        value={about}
        sx={{ width: 180 }}
        onChange={e => setAbout(e.target.value as (typeof NOTES)[number])}
      >
        {NOTES.map(id => (
          <MenuItem key={id} value={id}>
            {NOTE_WORDS[id]}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        size="small"
        multiline
        label="What has to be minded"
        value={words}
        onChange={e => setWords(e.target.value)}
        sx={{ flex: 1, minWidth: 220 }}
        slotProps={{ htmlInput: { maxLength: 400 } }}
      />
      <Button
        disabled={!words.trim()}
        onClick={() => {
          onAdd({ about, words: words.trim() })
          setWords('')
        }}
      >
        {add}
      </Button>
    </Box>
  )
}

/** What the body is, which no menu says. */
export const FactsPart = ({ editor }: { editor: Editor }) => {
  const { profile, form, edit, editProfile } = editor
  const { sensor, coverage } = form
  const change = (id: FactId, what: string, f: (b: Body) => Body) => edit(what, b => confirmed(f(b), id))
  const setSensor = (next: Partial<Body['sensor']>) =>
    change('sensor', 'sensor', b => ({ ...b, sensor: { ...b.sensor, ...next } }))
  const setCoverage = (next: Partial<Body['coverage']>) =>
    change('coverage', 'where the AF points are', b => ({ ...b, coverage: { ...b.coverage, ...next } }))
  const whole = (n: number | string) => Math.max(1, Math.round(Number(n)))
  const share = (n: number | string) => Math.min(1, Math.max(0, Number(n)))
  const toggleSensitive = (column: number, row: number) => {
    const isThere = coverage.sensitive.some(p => p.column === column && p.row === row)
    setCoverage({
      sensitive: isThere
        ? coverage.sensitive.filter(p => p.column !== column || p.row !== row)
        : [...coverage.sensitive, { column, row }],
    })
  }
  return (
    <Box>
      <Box component="section" aria-label="Name" sx={{ mb: 4 }}>
        <Row>
          <TextValue
            label="Maker"
            value={profile.maker}
            isRight={t => t.length > 0}
            onChange={maker => editProfile('another maker', b => ({ ...b, maker }))}
          />
          <TextValue
            label="Model"
            value={profile.model}
            isRight={t => t.length > 0}
            onChange={model => editProfile('another name', b => ({ ...b, model }))}
          />
          <TextField
            select
            size="small"
            label="Finder"
            value={form.viewfinder}
            sx={{ minWidth: 160 }}
            onChange={e => edit('finder', b => ({ ...b, viewfinder: e.target.value as Body['viewfinder'] }))}
          >
            <MenuItem value="electronic">electronic</MenuItem>
            <MenuItem value="optical">optical</MenuItem>
            <MenuItem value="screen-only">none, screen only</MenuItem>
          </TextField>
        </Row>
        <Box sx={{ mt: 1.5, maxWidth: 760, display: 'flex' }}>
          <TextValue
            label="In a sentence or two"
            multiline
            value={profile.about ?? ''}
            onChange={about => editProfile('described', b => ({ ...b, about: about || undefined }))}
          />
        </Box>
      </Box>
      <Section id="firmware" title="Firmware" editor={editor}>
        <Row>
          <TextValue
            label="This profile holds from"
            value={profile.firmware.from}
            isRight={isVersion}
            onChange={from =>
              editProfile(`firmware from ${from}`, b =>
                confirmed({ ...b, firmware: { ...b.firmware, from } }, 'firmware'),
              )
            }
          />
          <TextValue
            label="to"
            value={profile.firmware.to}
            isRight={isVersion}
            onChange={to =>
              editProfile(`firmware to ${to}`, b => confirmed({ ...b, firmware: { ...b.firmware, to } }, 'firmware'))
            }
          />
        </Row>
      </Section>
      <Section id="sensor" title="Sensor" editor={editor}>
        <Row>
          <NumberField
            label="Width"
            unit="mm"
            min={0.1}
            value={sensor.widthMm}
            onChange={n => setSensor({ widthMm: Number(n) })}
          />
          <NumberField
            label="Height"
            unit="mm"
            min={0.1}
            value={sensor.heightMm}
            onChange={n => setSensor({ heightMm: Number(n) })}
          />
          <NumberField
            label="Pixels across"
            min={1}
            value={sensor.pixelsWide}
            onChange={n => setSensor({ pixelsWide: whole(n) })}
          />
          <NumberField
            label="Pixels down"
            min={1}
            value={sensor.pixelsHigh}
            onChange={n => setSensor({ pixelsHigh: whole(n) })}
          />
        </Row>
      </Section>
      <Section id="coverage" title="Where the AF points are" editor={editor}>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3 }}>
          <Box sx={{ width: 320 }}>
            <CoverageDrawing sensor={sensor} coverage={coverage} onToggle={toggleSensitive} />
            <Typography variant="body2" color="textSecondary">
              Click a point to mark it as one that sees finer or in dimmer light.
            </Typography>
          </Box>
          <Box sx={{ display: 'grid', gridTemplateColumns: '150px 150px', gap: 1.5, alignContent: 'start' }}>
            <NumberField
              label="Reach across"
              unit="%"
              scale={100}
              min={0}
              value={coverage.width}
              onChange={n => setCoverage({ width: share(n) })}
            />
            <NumberField
              label="Reach down"
              unit="%"
              scale={100}
              min={0}
              value={coverage.height}
              onChange={n => setCoverage({ height: share(n) })}
            />
            <NumberField
              label="Columns"
              min={1}
              value={coverage.columns}
              onChange={n => setCoverage({ columns: whole(n), sensitive: [] })}
            />
            <NumberField
              label="Rows"
              min={1}
              value={coverage.rows}
              onChange={n => setCoverage({ rows: whole(n), sensitive: [] })}
            />
          </Box>
        </Box>
      </Section>
      <Section id="frameRates" title="Frame rates" editor={editor}>
        <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}>
          {form.frameRates.map((r, i) => {
            const set = (next: Partial<typeof r>) =>
              change('frameRates', 'frame rates', b => ({
                ...b,
                frameRates: b.frameRates.map((x, k) => (k === i ? { ...x, ...next } : x)),
              }))
            return (
              <Row key={i}>
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
                <RateFacts rate={r} onChange={set} />
                <Button
                  size="small"
                  disabled={form.frameRates.length < 2}
                  onClick={() =>
                    change('frameRates', 'frame rates', b => ({
                      ...b,
                      frameRates: b.frameRates.filter((_, k) => k !== i),
                    }))
                  }
                >
                  Remove
                </Button>
              </Row>
            )
          })}
          <Button
            sx={{ alignSelf: 'flex-start' }}
            onClick={() =>
              change('frameRates', 'frame rates', b => ({
                ...b,
                frameRates: [...b.frameRates, { label: 'Another', framesPerSecond: 5, focusBetweenFrames: true }],
              }))
            }
          >
            Add a rate
          </Button>
        </Box>
      </Section>
      <Section id="slots" title="Memory slots" editor={editor}>
        <Row>
          <TextValue
            label="Names, comma between"
            value={form.slots.names.join(', ')}
            onChange={text =>
              change('slots', 'memory slots', b => ({
                ...b,
                slots: {
                  ...b.slots,
                  names: text
                    .split(',')
                    .map(n => n.trim().slice(0, 40))
                    .filter(Boolean),
                },
              }))
            }
          />
          <FormControlLabel
            control={
              <Checkbox
                checked={form.slots.stores === 'everything'}
                onChange={e =>
                  change('slots', 'what slots store', b => ({
                    ...b,
                    slots: { ...b.slots, stores: e.target.checked ? 'everything' : b.settings.map(s => s.id) },
                  }))
                }
              />
            }
            label="a slot stores everything"
          />
        </Row>
        {form.slots.stores !== 'everything' && (
          <Box sx={{ mt: 1, columns: { sm: 2, md: 3 } }} role="group" aria-label="Settings that a slot stores">
            {form.settings.map(s => (
              <FormControlLabel
                key={s.id}
                sx={{ display: 'flex', breakInside: 'avoid' }}
                control={
                  <Checkbox
                    size="small"
                    checked={form.slots.stores.includes(s.id)}
                    onChange={e =>
                      change('slots', `slots and “${s.label}”`, b => ({
                        ...b,
                        slots: {
                          ...b.slots,
                          stores: e.target.checked
                            ? [...(b.slots.stores as string[]), s.id]
                            : (b.slots.stores as string[]).filter(id => id !== s.id),
                        },
                      }))
                    }
                  />
                }
                label={s.label}
              />
            ))}
          </Box>
        )}
      </Section>
      <Section id="controls" title="Controls" editor={editor}>
        <Typography>
          {form.controls.map(c => c.label).join(', ')}. They are arranged under “Controls”; confirm them here once they
          are as on the body.
        </Typography>
      </Section>
      <Section id="interlocks" title="What must not be forced" editor={editor}>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5, maxWidth: 640 }}>
          On some systems forcing the lens against the body can damage the focus drive. Write what the maker’s manual
          says about switching between AF and manual; where it is silent, leave this empty, and cards say to switch at
          one place only.
        </Typography>
        <Notes
          notes={form.interlocks}
          add="Add an interlock"
          onChange={interlocks => change('interlocks', 'interlocks', b => ({ ...b, interlocks }))}
        />
      </Section>
      <Box component="section" aria-label="Cautions">
        <Typography variant="h2" sx={{ mb: 1.5 }}>
          Other cautions
        </Typography>
        <Notes
          notes={form.cautions}
          add="Add a caution"
          onChange={cautions => edit('cautions', b => ({ ...b, cautions }))}
        />
      </Box>
    </Box>
  )
}
