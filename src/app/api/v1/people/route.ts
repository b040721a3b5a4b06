import { answer, readChange } from '@/server/http'
import { addPerson, listPeople } from '@/server/people'
import { personSchema } from '@/server/queries'

const MOST_PERSON_BYTES = 4 * 1024

export const GET = () => answer(async () => Response.json({ people: await listPeople() }))

export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'add-people',
      schema: personSchema,
      what: 'person',
      most: MOST_PERSON_BYTES,
    })
    return Response.json(await addPerson(sent.name, actor), { status: 201 })
  })
