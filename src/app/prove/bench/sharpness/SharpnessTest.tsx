'use client'

import { TextField } from '@mui/material'
import { useState } from 'react'
import type { NoEdge } from '@/core/imaging/slanted-edge'
import { LENS_TEST_FORMAT, type SharpnessTest as Test } from '@/core/lens-tests/schema'
import type { TestableView } from '@/server/lens-tests'
import { useLensOnBody } from '../LensOnBody'
import { madeChartsOf } from '../made'
import { PicturesTest } from '../PicturesTest'
import { type ChartRead, usePictures } from '../use-pictures'

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
  const pictures = usePictures('charts', {})
  const chosen = useLensOnBody(testable, first)
  /** f-numbers of pictures without Exif, as somebody typed them. */
  const [typed, setTyped] = useState<Readonly<Record<number, string>>>({})
  const { body, lens, unit, focalMm } = chosen
  if (!body || !lens) return null
  const fNumberOf = (t: ChartRead, i: number) =>
    t.facts.fNumber ?? (Number((typed[i] ?? '').replace(',', '.')) || undefined)
  const good = pictures.taken.flatMap((t, i) => {
    const fNumber = fNumberOf(t, i)
    if (t.found?.kind !== 'chart' || fNumber === undefined || !t.found.fields.some(f => f.mtf50 !== undefined))
      return []
    return [{ ...t, fNumber, found: t.found }]
  })
  const testOf = (): Test => ({
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
  })
  return (
    <PicturesTest
      title="Where the lens is sharpest"
      how="Fill the frame with the chart, straight on, on a tripod; focus on its centre once, then take one picture at every aperture."
      sheet="chart"
      about="JPEGs of the chart, as the camera made them; the f-number is read from their Exif."
      testable={testable}
      chosen={chosen}
      pictures={pictures}
      made={pictures.taken.length === 0 ? madeChartsOf(body.id, lens.id) : []}
      used={good.length}
      testOf={testOf}
      tell={(t, i) => (
        <>
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
        </>
      )}
    />
  )
}
