import type { TestServer } from '../../test/browser/support/server'
import { type Line, sendTo } from './measure'

/** Power cuts in the middle of writing: whatever was acknowledged is there afterwards. */
export const kills = async (server: TestServer, rounds: number): Promise<readonly Line[]> => {
  const acknowledged: string[] = []
  for (let round = 0; round < rounds; round++) {
    const state = { isOver: false }
    const write = async (hand: number) => {
      for (let n = 0; !state.isOver; n++) {
        const name = `Hand ${round}-${hand}-${n}`
        const stored = await sendTo(server.address, 'POST', '/api/v1/people', { name }).then(
          r => r.status === 201,
          () => false,
        )
        if (stored) acknowledged.push(name)
      }
    }
    const hands = [1, 2, 3, 4].map(write)
    await new Promise(go => setTimeout(go, 60 + ((round * 37) % 300)))
    await server.kill()
    state.isOver = true
    await Promise.all(hands)
    await server.up()
  }
  const { people } = (await (await fetch(`${server.address}/api/v1/people`)).json()) as { people: { name: string }[] }
  const there = new Set(people.map(p => p.name))
  const lost = acknowledged.filter(name => !there.has(name))
  return [
    {
      what: `${rounds} kill -9 while four hands write`,
      measured: `${lost.length} of ${acknowledged.length} acknowledged writes lost`,
      goal: 'none lost',
      holds: lost.length === 0 && acknowledged.length > 0,
    },
  ]
}
