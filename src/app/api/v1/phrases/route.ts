import { answer } from '@/server/http'
import { phrasesText } from '@/server/phrasebook'

export const GET = () =>
  answer(async () => new Response(await phrasesText(), { headers: { 'content-type': 'application/json' } }))
