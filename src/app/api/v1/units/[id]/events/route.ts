import { recordHappened, signCard, tellSetting } from '@/server/card-actions'
import { answer, readChange } from '@/server/http'
import { unitEventSchema } from '@/server/queries'
import { readInHand } from '@/server/concordance'
import { readLife } from '@/server/life'

type Params = { params: Promise<{ id: string }> }

/** A unit's life, newest first, and what it is set to now against a standard. */
export const GET = (request: Request, { params }: Params) =>
  answer(async () => {
    const query = new URL(request.url).searchParams
    const [standard, forWhom] = ['standard', 'for'].map(name => query.get(name) ?? undefined)
    const { ref, context } = await readInHand({ standard, for: forWhom })
    return Response.json(await readLife((await params).id, ref, context))
  })

/** Something happened to a unit: it was reset, repaired, came back, says something, or is signed for. */
export const POST = (request: Request, { params }: Params) =>
  answer(async () => {
    const { id } = await params
    const { sent: happened, actor } = await readChange(request, {
      deed: sent => (sent.kind === 'signed' ? 'sign-cards' : 'tell-units'),
      schema: unitEventSchema,
      what: 'event',
    })
    switch (happened.kind) {
      case 'told':
        return Response.json(await tellSetting(id, happened, actor), { status: 201 })
      case 'signed':
        return Response.json(await signCard(id, happened, actor), { status: 201 })
      case 'reset':
      case 'repaired':
      case 'returned':
        return Response.json(await recordHappened(id, happened.kind, actor, happened), { status: 201 })
    }
  })
