import { describe, expect, it } from 'vitest'
import { isCardPage, isKeptPart, isSameCard } from './names'

const card = (rest: string) => new URL(`http://studio/set/cards/${rest}`)

describe('the page of a card', () => {
  it('is that of one body, not the list of all', () => {
    expect(isCardPage(card('linnet?unit=tsp-l1'))).toBe(true)
    expect(isCardPage(new URL('http://studio/set/cards?standard=ring-action'))).toBe(false)
    expect(isCardPage(new URL('http://studio/set/controls/linnet'))).toBe(false)
  })

  it('goes on without the network as that on which a trial is counted does, and no other of it', () => {
    expect(isCardPage(new URL('http://studio/prove/trials/12/count?standard=ring-action'))).toBe(true)
    expect(isCardPage(new URL('http://studio/prove/trials/12'))).toBe(false)
    expect(isCardPage(new URL('http://studio/prove/trials/new'))).toBe(false)
  })

  it('is that of rescues as well, another one for each body', () => {
    const rescues = (rest: string) => new URL(`http://studio/work/rescues?${rest}`)
    expect(isCardPage(rescues('body=linnet'))).toBe(true)
    expect(isSameCard(rescues('body=linnet&symptom=pulses'), rescues('body=linnet'))).toBe(true)
    expect(isSameCard(rescues('body=linnet'), rescues('body=sorrel'))).toBe(false)
    const lesson = (rest: string) => new URL(`http://studio/practise/class/${rest}`)
    expect(isCardPage(lesson('1/osric-fenn?lesson=tone'))).toBe(true)
    expect(isCardPage(lesson('course/evening-class'))).toBe(false)
    expect(isSameCard(lesson('1/osric-fenn?lesson=tone'), lesson('1/osric-fenn?lesson=flight'))).toBe(false)
  })

  it('is that of a job, which is one day whoever looks at it, and a call sheet for each', () => {
    const work = (rest: string) => new URL(`http://studio/work/${rest}`)
    for (const page of ['now?job=a', 'jobs/a/sheet?person=x']) expect(isCardPage(work(page))).toBe(true)
    for (const page of ['jobs/a', 'jobs', 'jobs/a/debrief', 'film']) expect(isCardPage(work(page))).toBe(false)
    expect(isSameCard(work('now?job=a&person=x&standard=high-rope'), work('now?job=a&person=y'))).toBe(true)
    expect(isSameCard(work('now?job=a'), work('now?job=b'))).toBe(false)
    expect(isSameCard(work('jobs/a/sheet?person=x'), work('jobs/a/sheet?person=y'))).toBe(false)
  })

  it('is the same whatever else is in hand, and whichever version paper names', () => {
    const one = card('linnet?unit=tsp-l1&standard=ring-action@2&bodies=linnet,sorrel')
    expect(isSameCard(one, card('linnet?standard=ring-action&unit=tsp-l1'))).toBe(true)
    expect(isSameCard(one, card('linnet?standard=ring-action&unit=tsp-l2'))).toBe(false)
    expect(isSameCard(one, card('linnet?standard=high-rope&unit=tsp-l1'))).toBe(false)
    expect(isSameCard(one, card('sorrel?standard=ring-action&unit=tsp-l1'))).toBe(false)
    expect(isSameCard(one, card('linnet?standard=ring-action&unit=tsp-l1&for=people:imelda-frost'))).toBe(false)
  })
})

describe('what is kept of a page', () => {
  const chunk = new URL('http://studio/_next/static/chunks/0a1b.js#params=fleet')

  it('is its scripts, styles and fonts', () => {
    for (const part of ['script', 'style', 'font'] as const) expect(isKeptPart(chunk, part)).toBe(true)
    expect(isKeptPart(new URL('http://studio/api/v1/phrases'), 'script')).toBe(false)
  })

  it('is never the script of a background worker, which others share', () => {
    expect(isKeptPart(chunk, 'worker')).toBe(false)
    expect(isKeptPart(chunk, 'sharedworker')).toBe(false)
  })
})
