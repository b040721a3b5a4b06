import { answer, readChange } from '@/server/http'
import { saveSceneSchema, throwAwaySchema } from '@/server/queries'
import { removeScene, saveScene } from '@/server/scenes'

type Given = { params: Promise<{ id: string }> }

export const PUT = (request: Request, { params }: Given) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'prove', schema: saveSceneSchema, what: 'scene' })
    return Response.json(await saveScene((await params).id, sent, actor))
  })

export const PATCH = (request: Request, { params }: Given) =>
  answer(async () => {
    const { actor } = await readChange(request, { deed: 'prove', schema: throwAwaySchema, what: 'scene' })
    await removeScene((await params).id, actor)
    return Response.json({ outcome: 'done' })
  })
