'use client'

import { Alert, Button } from '@mui/material'
import { useEffect, useState, useSyncExternalStore } from 'react'
import type { WorkerName } from '../workers/serve'
import { type AskedAnswer, asker } from './asker'

export interface WorkerAnswer<Answer> extends AskedAnswer<Answer> {
  readonly retry: () => void
}

/** Asks a worker whenever the question changes, nothing while there is none. */
export const useWorkerAnswer = <Question extends object, Answer>(
  name: WorkerName,
  make: () => Worker,
  question: Question | undefined,
): WorkerAnswer<Answer> => {
  const [line] = useState(() => asker<Question, Answer>(name, make))
  const asked = useSyncExternalStore(line.subscribe, line.get, line.get)

  useEffect(() => () => line.close(), [line])
  useEffect(() => line.ask(question), [line, question])
  useEffect(() => {
    // What an older service worker handed out wrongly is right with the new one.
    const again = () => line.get().trouble && line.retry()
    navigator.serviceWorker?.addEventListener('controllerchange', again)
    return () => navigator.serviceWorker?.removeEventListener('controllerchange', again)
  }, [line])

  return { ...asked, retry: line.retry }
}

/** Says that there is no answer and why, and asks again. */
export const WorkerTrouble = ({ trouble, retry }: Pick<WorkerAnswer<unknown>, 'trouble' | 'retry'>) =>
  trouble === '' ? null : (
    <Alert
      severity="warning"
      sx={{ my: 2 }}
      action={
        <Button color="inherit" size="small" onClick={retry}>
          Try again
        </Button>
      }
    >
      {trouble}
    </Alert>
  )
