'use client'

import { Typography } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { parseJson, problemWords } from '@/core/reading/problem'
import type { TrialHeading } from '@/server/trials'
import { linkTo } from '@/ui/address'
import { FileButton } from '@/ui/FileButton'
import { LinkButton } from '@/ui/links'
import { Page, PlainList, RowLink, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { When } from '@/ui/When'

/** Trials of ways to set a camera: those there are, with what each says so far, and a new one. */
export const TrialList = ({ trials }: { trials: readonly TrialHeading[] }) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, problem, setProblem } = useSend()
  const take = async (file: File) => {
    const json = parseJson(await file.text(), file.name)
    if (!json.ok) {
      setProblem(json.problems.map(problemWords).join('\n'))
      return
    }
    const sent = await send<{ id: number }>('POST', '/api/v1/trials', { document: json.value })
    if (sent.ok) router.push(linkTo(`/prove/trials/${sent.value.id}`, params))
  }
  return (
    <Page>
      <Typography variant="h1">Trials</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 720 }}>
        Two ways to set a camera, and people who disagree: plan how many passes it takes to tell, count them where it
        happens, and read what can be said.
      </Typography>
      <Wrap sx={{ mb: 2 }}>
        <LinkButton to="/prove/trials/new" variant="contained">
          Plan a trial
        </LinkButton>
        <FileButton
          label="Read a trial from a file"
          accept=".json,application/json"
          onFiles={([file]) => file && void take(file)}
        />
      </Wrap>
      <Trouble words={problem} sx={{ mb: 2 }} />
      {trials.length === 0 && <Typography>No trial yet. The first is planned in a minute.</Typography>}
      <PlainList component="ul">
        {trials.map(t => (
          <li key={t.id}>
            <RowLink to={`/prove/trials/${t.id}`}>
              <span>
                <Typography component="span" variant="strong" sx={{ display: 'block' }}>
                  {t.name}
                </Typography>
                <Typography component="span" sx={{ display: 'block', maxWidth: 760 }}>
                  {t.says}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary">
                  {t.counted} of {t.planned} passes{t.person && `, ${t.person}`}, <When at={t.at} />
                </Typography>
              </span>
            </RowLink>
          </li>
        ))}
      </PlainList>
    </Page>
  )
}
