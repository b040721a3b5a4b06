'use client'

import { Alert, Button, TextField, Typography } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import type { NoEdge } from '@/core/imaging/slanted-edge'
import { LENS_TEST_FORMAT, type SharpnessTest as Test } from '@/core/lens-tests/schema'
import type { TestableView } from '@/server/lens-tests'
import { linkTo } from '@/ui/address'
import { DropFiles } from '@/ui/DropFiles'
import { Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { mixedWords } from '../focus/focus-words'
import { LensOnBody, useLensOnBody } from '../LensOnBody'
import { madeChartsOf } from '../made'
import { Reading } from '../Reading'
import { type ChartRead, fetchMade, usePictures } from '../use-pictures'

const WHY: Readonly<Record<NoEdge['why'], string>> = {
  'too small': 'too small in the picture',
  'no edge': 'cut off, or not to be seen',
  'over-exposed': 'over-exposed',
  'too straight': 'not slanted: keep the sheet straight in the frame',
  'too slanted': 'slanted too much: keep the sheet straight in the frame',
  'not straight': 'the paper is not flat',
}

const foundWords = ({ found, trouble }: ChartRead): string => {
  if (!found) return trouble
  if (found.kind === 'trouble')
    return found.isOther
      ? 'this is the ruler and not the chart'
      : `${found.found} of the five marks can be seen: none may be covered or cut off`
  return found.fields
    .map(f => `${f.field.replace('-', ' ')} ${f.mtf50?.toFixed(3) ?? WHY[f.why ?? 'no edge']}`)
    .join(', ')
}

/** Pictures of the chart, one or more at each aperture. */
export const SharpnessTest = ({ testable, first }: { testable: TestableView; first: string | undefined }) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const { read, progress, trouble, setTrouble, stop } = usePictures('charts')
  const chosen = useLensOnBody(testable, first)
  const [taken, setTaken] = useState<readonly ChartRead[]>([])
  /** f-numbers of pictures without Exif, as somebody typed them. */
  const [typed, setTyped] = useState<Readonly<Record<number, string>>>({})
  const { body, lens, unit, focalMm } = chosen
  if (!body || !lens) return null
  const made = madeChartsOf(body.id, lens.id)
  const add = async (files: readonly File[]) => {
    const found = await read(files)
    setTaken(before => [...before, ...found])
  }
  const addMade = async () => {
    try {
      await add(await fetchMade(made))
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error))
    }
  }
  const fNumberOf = (t: ChartRead, i: number) =>
    t.facts.fNumber ?? (Number((typed[i] ?? '').replace(',', '.')) || undefined)
  const good = taken.flatMap((t, i) => {
    const fNumber = fNumberOf(t, i)
    if (t.found?.kind !== 'chart' || fNumber === undefined || !t.found.fields.some(f => f.mtf50 !== undefined))
      return []
    return [{ ...t, fNumber, found: t.found }]
  })
  const save = async () => {
    const document: Test = {
      format: LENS_TEST_FORMAT,
      kind: 'sharpness',
      lens: lens.id,
      body: body.id,
      firmware: body.firmware,
      ...(unit ? { unit } : {}),
      focalMm: good.find(t => t.facts.focalMm !== undefined)?.facts.focalMm ?? focalMm,
      on: new Date().toISOString().slice(0, 10),
      pictures: good.map(t => ({
        name: t.name.slice(0, 120),
        fNumber: t.fNumber,
        width: t.found.width,
        height: t.found.height,
        mtf50: Object.fromEntries(
          t.found.fields.flatMap(f => (f.mtf50 === undefined ? [] : [[f.field, Number(f.mtf50.toFixed(4))]])),
        ),
      })),
    }
    const sent = await send<{ id: number }>('POST', '/api/v1/lens-tests', { document })
    if (sent.ok) router.push(linkTo(`/prove/bench/lens/${sent.value.id}`, params))
  }
  const mixed = mixedWords(taken)
  return (
    <Page>
      <Typography variant="h1">Where the lens is sharpest</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 720 }}>
        Fill the frame with the chart, straight on, on a tripod; focus on its centre once, then take one picture at
        every aperture.
      </Typography>
      <LensOnBody bodies={testable.bodies} chosen={chosen} />
      <Wrap sx={{ mb: 2 }}>
        {(['a4', 'letter'] as const).map(paper => (
          <Button
            key={paper}
            component="a"
            variant="outlined"
            href={`/api/v1/sheets/chart?paper=${paper}&focal=${focalMm}`}
            target="_blank"
          >
            Chart as PDF, {paper === 'a4' ? 'A4' : 'Letter'}
          </Button>
        ))}
      </Wrap>
      {!progress && (
        <DropFiles
          label={taken.length > 0 ? 'Add more pictures' : 'Choose the pictures'}
          accept="image/jpeg,image/png"
          about="JPEGs of the chart, as the camera made them; the f-number is read from their Exif."
          onFiles={files => void add(files)}
        />
      )}
      {made.length > 0 && taken.length === 0 && !progress && (
        <Button sx={{ mt: 1 }} onClick={() => void addMade()}>
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
          <PlainList component="ul" sx={{ maxWidth: 860 }}>
            {taken.map((t, i) => (
              <Typography
                component="li"
                key={t.name + i}
                variant="body2"
                sx={{ py: 0.5, borderBottom: 1, borderColor: 'divider', overflowWrap: 'anywhere' }}
              >
                <b>{t.facts.fNumber === undefined ? '' : `f/${t.facts.fNumber} `}</b>
                {t.name}: {foundWords(t)}
                {t.facts.fNumber === undefined && t.found?.kind === 'chart' && (
                  <TextField
                    size="small"
                    label={`f-number of ${t.name}`}
                    value={typed[i] ?? ''}
                    onChange={e => setTyped({ ...typed, [i]: e.target.value })}
                    sx={{ display: 'block', mt: 1 }}
                  />
                )}
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
