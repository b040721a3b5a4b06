'use client'

import { useEffect, useRef, useState } from 'react'

/** Asks a worker whenever the question changes, nothing while there is none; only the newest answer counts, the former one stays until it is there. */
export const useWorkerAnswer = <Question extends object, Answer>(
  make: () => Worker,
  question: Question | undefined,
): Answer | undefined => {
  const [answer, setAnswer] = useState<Answer>()
  const worker = useRef<Worker | null>(null)
  const asked = useRef(0)

  useEffect(() => {
    const made = make()
    made.onmessage = (event: MessageEvent<{ id: number; found: Answer }>) => {
      if (event.data.id === asked.current) setAnswer(event.data.found)
    }
    worker.current = made
    return () => made.terminate()
    // eslint-disable-next-line react-hooks/exhaustive-deps -- one worker for as long as the view lives
  }, [])

  useEffect(() => {
    asked.current += 1
    if (question) worker.current?.postMessage({ id: asked.current, ...question })
  }, [question])

  return answer
}
