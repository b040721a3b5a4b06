import { exportMenu } from '@/server/authoring'
import { answer, parseQuery } from '@/server/http'
import { menuQuerySchema } from '@/server/queries'
import { fileResponse } from '@/server/spreadsheets'

const ENDING = { csv: 'csv', xlsx: 'xlsx', text: 'txt' } as const

export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params
    const { as } = parseQuery(menuQuerySchema, request)
    return fileResponse(await exportMenu(id, as), `${id}-menu.${ENDING[as]}`, as)
  })
