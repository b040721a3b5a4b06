import { answer, readChange } from '@/server/http'
import { newSceneSchema } from '@/server/queries'
import { addScene, listScenes } from '@/server/scenes'

export const GET = () => answer(async () => Response.json({ scenes: await listScenes() }))

export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'prove', schema: newSceneSchema, what: 'scene' })
    return Response.json(await addScene(sent.document, actor), { status: 201 })
  })
