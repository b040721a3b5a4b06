'use client'

import { Alert, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { type FocusTest as Test, LENS_TEST_FORMAT } from '@/core/lens-tests/schema'
import type { TestableView } from '@/server/lens-tests'
import { linkTo } from '@/ui/address'
import { DropFiles } from '@/ui/DropFiles'
import { Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { LensOnBody, useLensOnBody } from '../LensOnBody'
import { madeRulersOf } from '../made'
import { Reading } from '../Reading'
import { fetchMade, type RulerRead, usePictures } from '../use-pictures'
import { mixedWords, troubleWords } from './focus-words'

interface Taken extends RulerRead {
  readonly setting: number
}

/** Ten pictures of the ruler, refocused each time; again with another setting where that is asked for. */
export const FocusTest = ({ testable, first }: { testable: TestableView; first: string | undefined }) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const { read, progress, trouble, setTrouble, stop } = usePictures('rulers')
  const chosen = useLensOnBody(testable, first)
  const [setting, setSetting] = useState(0)
  const [distance, setDistance] = useState('')
  const [taken, setTaken] = useState<readonly Taken[]>([])
  const { body, lens, unit, focalMm } = chosen
  if (!body || !lens) return null
  const add = async (files: readonly File[], at: number) => {
    const found = await read(files)
    setTaken(before => [...before, ...found.map(f => ({ ...f, setting: at }))])
  }
  const addMade = async (at: number) => {
    const names = madeRulersOf(body.id, lens.id, at)
    try {
      await add(await fetchMade(names), at)
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error))
    }
  }
  const good = taken.flatMap(t => (t.found?.kind === 'focus' ? [{ ...t, offset: t.found.offset }] : []))
  const metres = Number(distance.replace(',', '.')) || Math.max(0.6, (focalMm * 20) / 1000)
  const fNumber = good.find(t => t.facts.fNumber !== undefined)?.facts.fNumber ?? lens.widest
  const save = async () => {
    const document: Test = {
      format: LENS_TEST_FORMAT,
      kind: 'focus',
      lens: lens.id,
      body: body.id,
      firmware: body.firmware,
      ...(unit ? { unit } : {}),
      focalMm: good.find(t => t.facts.focalMm !== undefined)?.facts.focalMm ?? focalMm,
      fNumber,
      distance: metres,
      on: new Date().toISOString().slice(0, 10),
      pictures: good.map(t => ({
        name: t.name.slice(0, 120),
        setting: t.setting,
        offset: Number(t.offset.toFixed(3)),
      })),
    }
    const sent = await send<{ id: number }>('POST', '/api/v1/lens-tests', { document })
    if (sent.ok) router.push(linkTo(`/prove/bench/lens/${sent.value.id}`, params))
  }
  const mixed = mixedWords(taken)
  const settings = body.adjustment?.steps ?? []
  const hasMade = madeRulersOf(body.id, lens.id, setting).length > 0
  return (
    <Page>
      <Typography variant="h1">Does the lens focus where it should</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 720 }}>
        Print the ruler, lean it back by 45° beside its field, and focus on the field ten times, from alternate sides,
        aperture wide open, camera on a tripod.
      </Typography>
      <LensOnBody bodies={testable.bodies} chosen={chosen} />
      <Wrap sx={{ mb: 2 }}>
        {(['a4', 'letter'] as const).map(paper => (
          <Button
            key={paper}
            component="a"
            variant="outlined"
            href={`/api/v1/sheets/ruler?paper=${paper}&focal=${focalMm}`}
            target="_blank"
          >
            Ruler as PDF, {paper === 'a4' ? 'A4' : 'Letter'}
          </Button>
        ))}
        <TextField
          size="small"
          label="Distance (m)"
          value={distance}
          placeholder={metres.toFixed(2)}
          onChange={e => setDistance(e.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
          sx={{ width: 130 }}
        />
        {body.adjustment ? (
          <TextField
            select
            size="small"
            label={`${body.adjustment.label} is set to`}
            value={settings.some(s => s.steps === setting) ? setting : 0}
            onChange={e => setSetting(Number(e.target.value))}
            sx={{ minWidth: 200 }}
          >
            {settings.map(s => (
              <MenuItem key={s.steps} value={s.steps}>
                {s.label}
              </MenuItem>
            ))}
          </TextField>
        ) : (
          <Typography variant="body2">
            This body has no such adjustment; what is found is good to know, or to send in.
          </Typography>
        )}
      </Wrap>
      {!progress && (
        <DropFiles
          label={taken.length > 0 ? 'Add more pictures' : 'Choose the pictures'}
          accept="image/jpeg,image/png"
          about="JPEGs of the ruler, as the camera made them."
          onFiles={files => void add(files, setting)}
        />
      )}
      {hasMade && !progress && (
        <Button sx={{ mt: 1 }} onClick={() => void addMade(setting)}>
          Try it with made pictures of this lens
        </Button>
      )}
      {progress && <Reading progress={progress} onStop={stop} />}
      <Trouble words={trouble} sx={{ mt: 2 }} />
      {mixed && (
        <Alert severity="warning" sx={{ mt: 2, maxWidth: 760 }}>
          {mixed}
        </Alert>
      )}
      {taken.length > 0 && (
        <Section title={`${good.length} of ${taken.length} pictures can be used`}>
          <PlainList component="ul" sx={{ maxWidth: 760 }}>
            {taken.map((t, i) => (
              <Typography
                component="li"
                key={t.name + i}
                variant="body2"
                sx={{ py: 0.5, borderBottom: 1, borderColor: 'divider', overflowWrap: 'anywhere' }}
              >
                {t.name}
                {body.adjustment && `, set to ${t.setting > 0 ? '+' : ''}${t.setting}`}:{' '}
                <b>
                  {t.found?.kind === 'focus'
                    ? `${Math.abs(t.found.offset).toFixed(1)} mm ${t.found.offset < 0 ? 'in front' : 'behind'}`
                    : t.found
                      ? troubleWords(t.found.why)
                      : t.trouble}
                </b>
              </Typography>
            ))}
          </PlainList>
          <Wrap sx={{ mt: 2 }}>
            <Button variant="contained" disabled={isBusy || good.length === 0} onClick={() => void save()}>
              See what they come to
            </Button>
            <Button onClick={() => setTaken([])}>Begin again</Button>
          </Wrap>
        </Section>
      )}
      <Trouble words={problem} sx={{ mt: 2 }} />
    </Page>
  )
}
