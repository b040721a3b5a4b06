'use client'

import { useRouter, useSearchParams } from 'next/navigation'
import { parseJson, problemWords } from '@/core/reading/problem'
import { linkTo } from './address'
import { Box } from './elements'
import { FileButton } from './FileButton'
import { Trouble } from './Trouble'
import { useSend } from './use-send'

/** Where a document goes, and the view of what it became. */
interface Destination {
  readonly address: string
  readonly view: string
}

/** Takes a document in from a file and leads to what it became; a file that cannot be read says where. */
export const TakeFile = ({
  label,
  to,
  others = {},
}: {
  readonly label: string
  readonly to: Destination
  /** Where else it goes, by the format that it says it has. */
  readonly others?: Readonly<Record<string, Destination>>
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, problem, setProblem } = useSend()
  const take = async (file: File): Promise<void> => {
    const json = parseJson(await file.text(), file.name)
    if (!json.ok) {
      setProblem(json.problems.map(problemWords).join('\n'))
      return
    }
    const { format } = Object(json.value) as { readonly format?: unknown }
    const { address, view } = others[String(format)] ?? to
    const sent = await send<{ id: number }>('POST', address, { document: json.value })
    if (sent.ok) router.push(linkTo(`${view}/${sent.value.id}`, params))
  }
  return (
    <Box>
      <FileButton label={label} accept=".json,application/json" onFiles={([file]) => file && void take(file)} />
      <Trouble words={problem} sx={{ mt: 1 }} />
    </Box>
  )
}
