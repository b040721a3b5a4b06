import { answer, expectShape, readJson } from '@/server/http'
import { addPerson, listPeople } from '@/server/people'
import { personSchema } from '@/server/queries'

const MOST_PERSON_BYTES = 4 * 1024

export const GET = () => answer(async () => Response.json({ people: await listPeople() }))

export const POST = (request: Request) =>
  answer(async () => {
    const { name } = expectShape(personSchema, await readJson(request, 'person', MOST_PERSON_BYTES), 'person')
    return Response.json(await addPerson(name), { status: 201 })
  })
