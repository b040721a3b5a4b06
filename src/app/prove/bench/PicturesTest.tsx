'use client'

import { Alert, Button } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import type { ReactNode } from 'react'
import type { LensTest } from '@/core/lens-tests/schema'
import type { TestableView } from '@/server/lens-tests'
import { linkTo } from '@/ui/address'
import { DropFiles } from '@/ui/DropFiles'
import { Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import type { PictureFacts } from '@/workers/pictures'
import { mixedWords } from './focus/focus-words'
import { LensOnBody, type useLensOnBody } from './LensOnBody'
import { Reading } from '@/ui/Reading'
import { fetchMade, type Pictures } from './use-pictures'
import { Typography } from '@/ui/elements'

/** A test of a lens from pictures of a sheet: what to do, the sheet, the pictures, and what was read in each. */
export const PicturesTest = <Taken extends { readonly name: string; readonly facts: PictureFacts }>({
  title,
  how,
  sheet,
  about,
  testable,
  chosen,
  pictures: { taken, add, beginAgain, progress, trouble, stop },
  made,
  used,
  tell,
  settings,
  testOf,
}: {
  title: string
  how: string
  sheet: 'ruler' | 'chart'
  about: string
  testable: TestableView
  chosen: ReturnType<typeof useLensOnBody>
  pictures: Pictures<Taken>
  /** Names of made pictures to try it with. */
  made: readonly string[]
  /** How many of the pictures can be used. */
  used: number
  /** What was read in a picture. */
  tell: (taken: Taken, index: number) => ReactNode
  settings?: ReactNode
  testOf: () => LensTest
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const save = async () => {
    const sent = await send<{ id: number }>('POST', '/api/v1/lens-tests', { document: testOf() })
    if (sent.ok) router.push(linkTo(`/prove/bench/lens/${sent.value.id}`, params))
  }
  const mixed = mixedWords(taken)
  return (
    <Page>
      <Typography variant="h1">{title}</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>{how}</Typography>
      <LensOnBody bodies={testable.bodies} chosen={chosen} />
      <Wrap sx={{ mb: 2 }}>
        {(['a4', 'letter'] as const).map(paper => (
          <Button
            key={paper}
            component="a"
            variant="outlined"
            href={`/api/v1/sheets/${sheet}?paper=${paper}&focal=${chosen.focalMm}`}
            target="_blank"
          >
            {sheet === 'ruler' ? 'Ruler' : 'Chart'} as PDF, {paper === 'a4' ? 'A4' : 'Letter'}
          </Button>
        ))}
        {settings}
      </Wrap>
      {progress ? (
        <Reading progress={progress} onStop={stop} />
      ) : (
        <>
          <DropFiles
            label={taken.length > 0 ? 'Add more pictures' : 'Choose the pictures'}
            accept="image/jpeg,image/png"
            about={about}
            onFiles={files => void add(() => files)}
          />
          {made.length > 0 && (
            <Button sx={{ mt: 1 }} onClick={() => void add(signal => fetchMade(made, signal))}>
              Try it with made pictures of this lens
            </Button>
          )}
        </>
      )}
      <Trouble words={trouble} sx={{ mt: 2 }} />
      {mixed && (
        <Alert severity="warning" sx={{ mt: 2, maxWidth: 'var(--line)' }}>
          {mixed}
        </Alert>
      )}
      {taken.length > 0 && (
        <Section title={`${used} of ${taken.length} pictures can be used`}>
          <PlainList component="ul" sx={{ maxWidth: 'var(--wide)' }}>
            {taken.map((t, i) => (
              <Typography
                component="li"
                key={t.name + i}
                variant="body2"
                sx={{ py: 0.5, borderBottom: 1, borderColor: 'divider', overflowWrap: 'anywhere' }}
              >
                {tell(t, i)}
              </Typography>
            ))}
          </PlainList>
          <Wrap sx={{ mt: 2 }}>
            <Button variant="contained" disabled={isBusy || used === 0} onClick={() => void save()}>
              See what they come to
            </Button>
            <Button onClick={beginAgain}>Begin again</Button>
          </Wrap>
        </Section>
      )}
      <Trouble words={problem} sx={{ mt: 2 }} />
    </Page>
  )
}
