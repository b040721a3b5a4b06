'use client'

import { Autocomplete, Button, Radio, RadioGroup, TextField } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useRouter, useSearchParams } from 'next/navigation'
import { type FormEvent, useMemo, useRef, useState } from 'react'
import { type Archetype, ARCHETYPES } from '@/core/bodies'
import { readMenuText } from '@/core/bodies/menu-text'
import { Choice } from '@/ui/Choice'
import { linkTo } from '@/ui/address'
import { FileImport } from '@/ui/FileImport'
import { Page } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { MenuPreview } from '../MenuPreview'
import { useSend } from '@/ui/use-send'
import { FileButton } from '@/ui/FileButton'
import { Box, Typography } from '@/ui/elements'

const WAYS = [
  {
    id: 'paste',
    label: 'Paste its menu',
    about: 'As you have it: a list, a sheet, from a page or a manual. The meanings are proposed to you.',
  },
  {
    id: 'answers',
    label: 'Answer what a standard asks',
    about: 'For a first card in minutes: only what it needs, musts first. The rest of the menu can follow.',
  },
  { id: 'blank', label: 'Begin blank', about: 'From the kind of body it is; write the menu by hand.' },
  { id: 'copy', label: 'Copy a body', about: 'For the next model or generation of a maker you have.' },
  {
    id: 'file',
    label: 'From a file',
    about: 'A profile (coherion.body/1), or a spreadsheet of the menu, CSV or XLSX.',
  },
] as const
type WayId = (typeof WAYS)[number]['id']

const Way = styled('label')(({ theme }) => ({
  display: 'flex',
  alignItems: 'flex-start',
  gap: theme.spacing(0.5),
  minHeight: 'var(--touch)',
  padding: theme.spacing(1, 0),
  cursor: 'pointer',
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
}))

const EXAMPLE = `Focus
  Moving things
    Stickiness: Loose | Middling * | Firm
    Where to look
      One spot *
      Middle patch
      Everywhere`

/** The ways to begin a profile. */
export const NewBodyView = ({
  makers,
  bodies,
}: {
  makers: readonly string[]
  bodies: readonly { readonly id: string; readonly maker: string; readonly model: string }[]
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const [way, setWay] = useState<WayId>('paste')
  const [maker, setMaker] = useState('')
  const [model, setModel] = useState('')
  const [archetype, setArchetype] = useState<Archetype['id']>('mirrorless')
  const [copyOf, setCopyOf] = useState(bodies[0]?.id ?? '')
  const [menu, setMenu] = useState('')
  const [sheet, setSheet] = useState<File>()
  const { send, isBusy: busy, problem, setProblem } = useSend()
  const text = useRef<HTMLTextAreaElement>(null)
  const read = useMemo(() => (menu.trim() ? readMenuText(menu) : undefined), [menu])

  const begin = async (event: FormEvent) => {
    event.preventDefault()
    const shared = { maker: maker.trim(), model: model.trim() }
    const answer =
      way === 'file' && sheet
        ? await send<{ id: string }>(
            'POST',
            `/api/v1/bodies/new?${new URLSearchParams({ ...shared, archetype, file: sheet.name }).toString()}`,
            await sheet.arrayBuffer(),
          )
        : await send<{ id: string }>('POST', '/api/v1/bodies/new', {
            ...shared,
            archetype,
            ...(way === 'copy' ? { copyOf } : {}),
            ...(way === 'paste' ? { menu } : {}),
          })
    if (!answer.ok) return
    const part: Record<string, string> = way === 'answers' ? { part: 'first-card' } : {}
    router.push(linkTo(`/name/bodies/${answer.value.id}/edit`, params, part))
  }

  const isReady =
    maker.trim() !== '' &&
    model.trim() !== '' &&
    (way !== 'paste' || (read?.rows.length ?? 0) > 0) &&
    (way !== 'file' || sheet !== undefined) &&
    (way !== 'copy' || copyOf !== '')

  return (
    <Page sx={{ maxWidth: way === 'paste' && read ? 1320 : 980 }}>
      <Typography variant="h1">A new body</Typography>
      <Box
        component="form"
        onSubmit={e => void begin(e)}
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', md: 'var(--side-narrow) minmax(0, 1fr)' },
          gap: 4,
          mt: 2,
        }}
      >
        <RadioGroup aria-label="How to begin" value={way} onChange={e => setWay(e.target.value as WayId)}>
          {WAYS.filter(w => w.id !== 'copy' || bodies.length > 0).map(w => (
            <Way key={w.id}>
              <Radio value={w.id} sx={{ mt: -1 }} />
              <span>
                <Typography variant="strong" component="span" sx={{ display: 'block' }}>
                  {w.label}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary">
                  {w.about}
                </Typography>
              </span>
            </Way>
          ))}
        </RadioGroup>
        <Box sx={{ display: 'flex', flexDirection: 'column', gap: 2 }}>
          <Box sx={{ display: 'flex', gap: 2 }}>
            <Autocomplete
              freeSolo
              options={[...makers]}
              inputValue={maker}
              onInputChange={(_, text) => setMaker(text)}
              sx={{ flex: 1 }}
              renderInput={p => <TextField {...p} label="Maker" required />}
            />
            <TextField
              label="Model"
              required
              value={model}
              onChange={e => setModel(e.target.value)}
              sx={{ flex: 1 }}
              slotProps={{ htmlInput: { maxLength: 60 } }}
            />
          </Box>
          {way !== 'copy' && (
            <Choice
              label="Kind of body"
              value={archetype}
              onChange={setArchetype}
              helperText={ARCHETYPES.find(a => a.id === archetype)?.about}
              size="medium"
              options={ARCHETYPES.map(a => ({ id: a.id, name: a.label }))}
            />
          )}
          {way === 'paste' && (
            <Box
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: read ? 'repeat(2, minmax(0, 1fr))' : '1fr' },
                gap: 3,
              }}
            >
              <TextField
                label="Its menu"
                multiline
                minRows={12}
                maxRows={22}
                value={menu}
                inputRef={text}
                onChange={e => setMenu(e.target.value)}
                placeholder={EXAMPLE}
                slotProps={{
                  inputLabel: { shrink: true },
                  htmlInput: { spellCheck: false, style: { fontFamily: 'var(--mui-font-mono, monospace)' } },
                }}
                helperText="As you have it: indented, a list, a table, copied from the manual. One setting a line with its options behind it, or the options below it. A star marks the default."
              />
              {read && <MenuPreview read={read} field={text} />}
            </Box>
          )}
          {way === 'copy' && (
            <Choice
              label="Copy of"
              value={copyOf}
              onChange={setCopyOf}
              size="medium"
              options={bodies.map(b => ({ id: b.id, name: `${b.maker} ${b.model}` }))}
            />
          )}
          {way === 'file' && (
            <Box sx={{ display: 'flex', flexDirection: 'column', gap: 2 }}>
              <Typography>
                A spreadsheet needs the columns Tab, Page, Setting and Options (a bar between them); Row and Default may
                be there. Name the body above, then choose it:
              </Typography>
              <FileButton
                label={sheet ? sheet.name : 'Choose a spreadsheet'}
                name="Spreadsheet of the menu"
                accept=".csv,.xlsx,.txt"
                sx={{ alignSelf: 'flex-start' }}
                onFiles={([file]) => {
                  setSheet(file)
                  setProblem('')
                }}
              />
              <Typography>A whole profile names itself:</Typography>
              <FileImport kind="bodies" label="Add profiles from files" />
            </Box>
          )}
          <Trouble words={problem} />
          <Button type="submit" variant="contained" disabled={!isReady || busy} sx={{ alignSelf: 'flex-start' }}>
            {busy ? 'Beginning …' : 'Begin the profile'}
          </Button>
        </Box>
      </Box>
    </Page>
  )
}
